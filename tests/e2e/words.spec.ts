import AxeBuilder from '@axe-core/playwright';
import { group } from './support/oneSlide';
import { choose, saved } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';
import type { WordsLayer } from '../../web/api/types';

const look = (page: Page) => page.getByRole('region', { name: 'How the words look' });
const radio = (page: Page, name: string) => look(page).getByRole('radio', { name, exact: true });
/** Presses one of the nine places, where a hand would: the field itself cannot be seen. */
const stand = (page: Page, name: string) => radio(page, name).locator('xpath=ancestor::label[1]').click();
const within = (page: Page, label: string, name: string) =>
  look(page).getByRole('radiogroup', { name: label }).getByText(name, { exact: true });
/** What of the words is set: their look, place or time. */
const tab = (page: Page, name: string) =>
  look(page).getByRole('radiogroup', { name: 'What to set' }).getByText(name, { exact: true }).click();
const chosen = async (page: Page, label: string, name: string) => {
  await look(page).getByRole('button', { name: label }).click();
  await page.getByRole('option', { name, exact: true }).click();
};
const words = async (page: Page, n: number, role: WordsLayer['role'] = 'caption') =>
  (await slide(page, n)).layers.find((layer): layer is WordsLayer => layer.kind === 'words' && layer.role === role);
/** The address of the drawing that is on the stage. */
const drawn = (page: Page) =>
  page
    .getByRole('figure', { name: 'Preview' })
    .locator('img[src*="/words/"]')
    .evaluateAll((all) => all.map((one) => one.getAttribute('src')).join());

/** At one slide of a story of one's own, that has a caption. */
async function written(page: Page, name: string, title: string, n: number) {
  await begin(page, name, title);
  await page.getByLabel('Caption on slide 2').fill('The mill turns twice a day');
  await page.getByLabel('Caption on slide 3').fill('A tower of bricks');
  await choose(page, n);
  await page.keyboard.press('Alt+o');
  await group(page, 'Words').click();
  await saved(page);
}

test(
  'how words look is chosen, seen at once, kept, undone, and done to the others',
  { tag: '@deep' },
  async ({ page }) => {
    await written(page, 'juno', 'By the sluice', 1);
    const seen = new Set([await drawn(page)]);
    const changed = async (what: Partial<WordsLayer>) => {
      await expect.poll(() => words(page, 1)).toEqual(expect.objectContaining(what));
      await expect.poll(() => drawn(page)).not.toBe('');
      seen.add(await drawn(page));
    };
    await tab(page, 'Place');
    for (const [name, place] of [
      ['Top left', 'top-left'],
      ['Top', 'top'],
      ['Top right', 'top-right'],
      ['Left', 'left'],
      ['Middle', 'middle'],
      ['Right', 'right'],
      ['Bottom left', 'bottom-left'],
      ['Bottom right', 'bottom-right'],
      ['Bottom', 'bottom'],
    ] as const) {
      await stand(page, name);
      await changed({ place });
    }
    await within(page, 'Where the words stand', 'By itself').click();
    await changed({ place: 'auto' });
    for (const [name, align] of [
      ['At the right', 'right'],
      ['At the left', 'left'],
      ['In the middle', 'center'],
    ] as const) {
      await within(page, 'How lines stand', name).click();
      await changed({ align });
    }
    await within(page, 'How lines stand', 'By itself').click();
    await tab(page, 'Look');
    for (const [name, size] of [
      ['Smallest', 'smallest'],
      ['Small', 'small'],
      ['Medium', 'medium'],
      ['Largest', 'largest'],
      ['Large', 'large'],
    ] as const) {
      await look(page).getByRole('img', { name, exact: true }).click();
      await changed({ size });
    }
    for (const [name, face] of [
      ['By hand', 'hand'],
      ['Typed', 'typed'],
      ['Carved', 'solemn'],
      ['Loud', 'loud'],
      ['For reading', 'reading'],
    ] as const) {
      await chosen(page, 'Letters', name);
      await changed({ face });
    }
    for (const [name, weight] of [
      ['Light', 'regular'],
      ['Usual', 'semibold'],
      ['Heavy', 'bold'],
    ] as const) {
      await chosen(page, 'How heavy', name);
      await changed({ weight });
    }
    await chosen(page, 'Colour of the words', 'Ink');
    await changed({ colour: '#20242b' });
    await chosen(page, 'Colour of the words', 'One of mine');
    await changed({ colour: '#ffd34d' });
    await look(page).getByLabel('The colour', { exact: true }).fill('#c0392b');
    await changed({ colour: '#c0392b' });
    for (const [name, backing] of [
      ['A plate', 'plate'],
      ['A shadow', 'shadow'],
      ['Nothing', 'none'],
      ['An outline', 'outline'],
    ] as const) {
      await chosen(page, 'What they stand on', name);
      await changed({ backing });
    }
    await tab(page, 'Time');
    await chosen(page, 'They come', 'At a second');
    await changed({ comes: 1 });
    await chosen(page, 'They go', 'At a second');
    await look(page).getByLabel('Come at second').fill('0.5');
    await look(page).getByLabel('Go at second').fill('2.5');
    await look(page).getByLabel('Go at second').press('Enter');
    await changed({ comes: 0.5, goes: 2.5 });
    await chosen(page, 'They come', 'From the start');
    await changed({ comes: null, goes: 2.5 });
    await chosen(page, 'They go', 'To the end');
    await changed({ comes: null, goes: null });
    await tab(page, 'Look');
    expect(seen.size, 'each look is another drawing').toBeGreaterThanOrEqual(22);

    // All of it on the other slide that has words, and on no title; with one press, and back with one.
    await look(page).getByRole('button', { name: 'The same look on the other slide' }).click();
    const all = { size: 'large', face: 'reading', weight: 'bold', colour: '#c0392b', backing: 'outline' };
    await expect.poll(() => words(page, 2)).toEqual(expect.objectContaining({ ...all, text: 'A tower of bricks' }));
    expect(await words(page, 0, 'title')).not.toEqual(expect.objectContaining({ backing: 'outline' }));
    await page.keyboard.press('Control+z');
    await expect.poll(() => words(page, 2)).not.toEqual(expect.objectContaining({ size: 'large' }));
    await page.reload();
    await page.getByRole('button', { name: 'The next slide' }).click();
    await group(page, 'Words').click();
    await expect(radio(page, 'Large')).toBeChecked();

    // What is told is taken back: it is as it would be by itself.
    await within(page, 'How large', 'By itself').click();
    await chosen(page, 'Letters', 'Plain');
    await expect.poll(async () => (await words(page, 1))?.face).toBe('plain');
    await chosen(page, 'Letters', 'By itself');
    await expect.poll(async () => (await words(page, 1))?.weight).toBe('bold');
    await chosen(page, 'Colour of the words', 'By itself');
    await chosen(page, 'What they stand on', 'By itself');
    await expect
      .poll(async () => Object.keys((await words(page, 1)) ?? {}).sort())
      .toEqual(['comes', 'goes', 'id', 'kind', 'place', 'role', 'text', 'weight']);
    await chosen(page, 'Colour of the words', 'White');
    await expect.poll(async () => (await words(page, 1))?.colour).toBe('#ffffff');

    // On several others too.
    await page.getByText('Script', { exact: true }).first().click();
    await page.getByLabel('Caption on slide 4').fill('A stamp');
    await page.getByLabel('Caption on slide 4').blur();
    await choose(page, 1);
    await page.keyboard.press('Alt+o');
    await group(page, 'Words').click();
    await look(page).getByRole('button', { name: 'The same look on 2 other slides' }).click();
    await expect
      .poll(async () => [(await words(page, 2))?.colour, (await words(page, 3))?.colour])
      .toEqual(['#ffffff', '#ffffff']);
  },
);

test('by keys and at 390, on a title too; two at once, one of them without a connection', async ({ page, context }) => {
  await written(page, 'oskar', 'Two write', 1);
  await tab(page, 'Place');
  await radio(page, 'Bottom').focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await words(page, 1))?.place).toBe('bottom-right');
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'The next slide' }).click();
  await group(other, 'Words').click();
  await tab(page, 'Look');
  await context.setOffline(true);
  await chosen(page, 'What they stand on', 'A shadow');
  await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
  await context.setOffline(false);
  await chosen(other, 'Letters', 'For reading');
  await expect
    .poll(() => words(page, 1), { timeout: 30_000 })
    .toEqual(expect.objectContaining({ backing: 'shadow', face: 'reading', place: 'bottom-right' }));
  await other.close();

  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'The slide before' }).click();
  await group(page, 'Words').click();
  // What is shown keeps its shape on a phone.
  const stage = await page.getByRole('figure', { name: 'Preview' }).locator('.stage').boundingBox();
  expect((stage?.width ?? 0) / (stage?.height ?? 1)).toBeCloseTo(16 / 9, 1);
  const which = page.getByRole('radiogroup', { name: 'Which words' });
  await look(page).getByRole('img', { name: 'Medium', exact: true }).click();
  await expect.poll(async () => (await words(page, 0, 'title'))?.size).toBe('medium');
  await which.getByText('Line below', { exact: true }).click();
  await page.getByLabel('Subtitle on slide 1').fill('told by two');
  await look(page).getByRole('img', { name: 'Small', exact: true }).click();
  await expect.poll(async () => (await words(page, 0, 'subtitle'))?.size).toBe('small');
  await which.getByText('Title', { exact: true }).click();
  await expect(radio(page, 'Medium')).toBeChecked();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('several words on one slide: added, written, set each for itself, taken off and back, by two at once', async ({
  page,
  context,
}) => {
  await written(page, 'ivo', 'Three things', 1);
  const all = async () =>
    (await slide(page, 1)).layers.flatMap((layer) => (layer.kind === 'words' ? [[layer.text, layer.place]] : []));
  const add = page.getByRole('button', { name: 'Add words' });
  const which = page.getByRole('radiogroup', { name: 'Which words' });
  await add.click();
  await page.getByLabel('Words 2 on slide 2').fill('and nobody asks it to');
  await expect.poll(all).toEqual([
    ['The mill turns twice a day', 'auto'],
    ['and nobody asks it to', 'auto'],
  ]);
  const planned = async (): Promise<string[]> =>
    (await view(page)).plan.scenes[1].layers.flatMap((layer: { kind: string; hash: string }) =>
      layer.kind === 'words' ? [layer.hash] : [],
    );
  await expect.poll(async () => (await planned()).length).toBe(2);
  for (const hash of await planned()) await expect.poll(() => drawn(page)).toContain(hash);
  // What was added is in hand; the other stays as it is.
  await tab(page, 'Place');
  await stand(page, 'Top right');
  await tab(page, 'Look');
  await chosen(page, 'What they stand on', 'An outline');
  await expect.poll(async () => (await all()).map(([, place]) => place)).toEqual(['auto', 'top-right']);
  await which.getByText('1', { exact: true }).click();
  await tab(page, 'Place');
  await expect(look(page).getByRole('radio', { name: 'By itself' }).first()).toBeChecked();
  await stand(page, 'Left');
  await expect.poll(async () => (await all()).map(([, place]) => place)).toEqual(['left', 'top-right']);

  // In the script they are written one below the other.
  await page.getByText('Script', { exact: true }).first().click();
  // The same field stands in both views: what is typed on its way from one to the other would go to neither.
  await expect(look(page)).toHaveCount(0);
  await page.getByLabel('Words 2 on slide 2').fill('unasked');
  await page.getByLabel('Words 2 on slide 2').blur();
  await expect.poll(async () => (await all())[1]?.[0]).toBe('unasked');
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await group(page, 'Words').click();

  // Another adds some too, while the network is away here: all of them stand.
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'The next slide' }).click();
  await group(other, 'Words').click();
  await context.setOffline(true);
  await add.click();
  await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
  await context.setOffline(false);
  await other.getByRole('button', { name: 'Add words' }).click();
  await expect.poll(async () => (await all()).length, { timeout: 30_000 }).toBe(4);
  await other.close();
  for (const count of [5, 6]) {
    await add.click();
    await expect.poll(async () => (await all()).length).toBe(count);
  }
  await expect(add).toHaveCount(0);

  const off = page.getByRole('button', { name: 'Take them off' });
  for (const count of [5, 4, 3, 2, 1]) {
    await off.click();
    await expect.poll(async () => (await all()).length).toBe(count);
  }
  await expect(off).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await all()).length).toBe(2);
});

test(
  'a name with what they are, a quotation with who said it: written, kept, and in the credits',
  { tag: '@deep' },
  async ({ page }) => {
    await written(page, 'wren', 'Voices of the mill', 1);
    const role = page.getByRole('radiogroup', { name: 'What they are for' });
    const what = page.getByLabel('What they are, words 1 on slide 2');
    const who = page.getByLabel('Who said words 1 on slide 2');
    const first = async () =>
      (await slide(page, 1)).layers.find((layer): layer is WordsLayer => layer.kind === 'words');
    await expect(what).toHaveCount(0);
    const plain = await drawn(page);
    await role.getByText('A name', { exact: true }).click();
    await what.fill('keeper of the gate');
    await what.blur();
    await expect.poll(first).toEqual(expect.objectContaining({ role: 'name', by: 'keeper of the gate' }));
    await expect.poll(() => drawn(page)).not.toBe(plain);
    const named = await drawn(page);
    await role.getByText('A quotation', { exact: true }).click();
    await expect(who).toHaveValue('keeper of the gate');
    await who.fill('Bo the ferryman');
    await who.blur();
    await expect.poll(first).toEqual(expect.objectContaining({ role: 'quotation', by: 'Bo the ferryman' }));
    await expect.poll(() => drawn(page)).not.toBe(named);
    await saved(page);
    const { plan } = await view(page);
    expect(plan.scenes.map(({ id }: { id: string }) => id)).toContain('credits-1');
    await page.keyboard.press('Control+z');
    await expect.poll(first).toEqual(expect.objectContaining({ role: 'quotation', by: 'keeper of the gate' }));
    await role.getByText('A fact', { exact: true }).click();
    await expect(who).toHaveCount(0);
    // What is still being written does not take back what it is for.
    await page.getByLabel('Caption on slide 2').fill('Nobody asks the sea');
    await role.getByText('A quotation', { exact: true }).click();
    await expect.poll(first).toEqual(expect.objectContaining({ role: 'quotation', text: 'Nobody asks the sea' }));
    await saved(page);
    expect(await first()).toEqual(expect.objectContaining({ role: 'quotation' }));
    await role.getByText('A fact', { exact: true }).click();
    await expect.poll(first).toEqual(expect.objectContaining({ role: 'caption' }));
    await page.reload();
    await page.getByRole('button', { name: 'The next slide' }).click();
    await group(page, 'Words').click();
    await expect(role.getByRole('radio', { name: 'A fact' })).toBeChecked();
  },
);
