import AxeBuilder from '@axe-core/playwright';
import { at, make, voice } from './support/files';
import { group, middle, pull, swipe } from './support/oneSlide';
import { choose, rows, saved } from './support/sheet';
import { begin, pictureOf, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';
import type { Layer } from '../../web/api/types';

const third = () => make('4 coast.jpg', '-i', 'mandelbrot=s=1500x1000:start_scale=0.4', '-frames:v', '1');
const card = (page: Page, name: string) =>
  page
    .getByRole('radiogroup', { name: 'How it is laid out' })
    .getByRole('radio', { name, exact: true })
    .locator('xpath=ancestor::label[1]');
const come = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'They come' }).getByText(name, { exact: true });
const place = (page: Page, n: number, what: string | RegExp = '') =>
  page.getByRole('button', { name: what instanceof RegExp ? what : `Place ${n}: ${what}` });
async function beside(page: Page, file: string) {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Add a picture beside' }).click(),
  ]);
  await chooser.setFiles(file);
}
/** What lies in each cell of a slide, by the server. */
const lies = async (page: Page, n: number) => {
  const { layers } = await slide(page, n);
  const files = (await view(page)).story.assets as Record<string, { file: string }>;
  return layers
    .filter((layer: Layer) => layer.cell !== undefined)
    .toSorted((a: Layer, b: Layer) => (a.cell ?? 0) - (b.cell ?? 0))
    .map((layer: Layer) => (layer.kind === 'picture' ? files[layer.asset]?.file : layer.kind));
};
const layout = async (page: Page, n: number) => (await slide(page, n)).layout;

test(
  'one picture becomes two beside each other, then four; they change places and are taken off',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'juno', 'Side by side');
    await choose(page, 1);
    await page.keyboard.press('Alt+o');
    await group(page, 'Layout').click();
    await expect(card(page, 'One, all of the slide')).toHaveAttribute('data-selected', 'true');
    await beside(page, third());
    await expect(place(page, 2, '4 coast.jpg')).toBeVisible({ timeout: 60_000 });
    expect(await layout(page, 1)).toBe('beside');
    expect(await lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg']);

    // Undone, it is alone again; done again, there are two.
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => layout(page, 1)).toBe('full');
    await page.getByRole('button', { name: 'Do again' }).click();
    await expect(place(page, 2, '4 coast.jpg')).toBeVisible();

    await card(page, 'Four').click();
    await expect(page.getByText('Place 3 is empty')).toBeVisible();
    // Quicker than the first is answered.
    await page.evaluate(() => {
      for (const name of ['Put words there', 'Put an icon there'])
        [...document.querySelectorAll('button')].find((button) => button.textContent === name)?.click();
    });
    await expect.poll(() => lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg', 'words', 'icon']);
    await expect(page.getByRole('button', { name: 'Add a picture beside' })).toBeHidden();
    // One by one it is the same.
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg', 'words']);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg']);
    await page.getByRole('button', { name: 'Put words there' }).click();
    await expect.poll(() => lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg', 'words']);
    await page.getByRole('button', { name: 'Put an icon there' }).press('Enter');
    await expect.poll(() => lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg', 'words', 'icon']);

    // By mouse to the other side, by keys back, by keys below.
    const box = await page.locator('.stage[data-frame]').boundingBox();
    await pull(page, 'Place 1: 1 fern.jpg', (box?.width ?? 0) / 2, 0);
    await expect.poll(() => lies(page, 1)).toEqual(['4 coast.jpg', '1 fern.jpg', 'words', 'icon']);
    await place(page, 2, '1 fern.jpg').focus();
    await page.keyboard.press('ArrowLeft');
    await expect.poll(() => lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg', 'words', 'icon']);
    await place(page, 1, '1 fern.jpg').focus();
    await page.keyboard.press('ArrowDown');
    await expect.poll(() => lies(page, 1)).toEqual(['words', '4 coast.jpg', '1 fern.jpg', 'icon']);

    // Another picture in one of the places: the others stay.
    const [taken] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Another picture in place 3' }).click(),
    ]);
    await taken.setFiles(make('5 stamp.png', '-i', 'rgbtestsrc=s=900x700', '-frames:v', '1'));
    await expect
      .poll(() => lies(page, 1), { timeout: 60_000 })
      .toEqual(['words', '4 coast.jpg', '5 stamp.png', 'icon']);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => lies(page, 1)).toEqual(['words', '4 coast.jpg', '1 fern.jpg', 'icon']);

    // Taken off by a key, by its button, and had back.
    await place(page, 4, 'icon').focus();
    await page.keyboard.press('Delete');
    await expect.poll(() => lies(page, 1)).toEqual(['words', '4 coast.jpg', '1 fern.jpg']);
    await page.getByRole('button', { name: 'Take off what is in place 2' }).click();
    await expect.poll(() => lies(page, 1)).toEqual(['words', '1 fern.jpg']);
    expect(await layout(page, 1)).toBe('beside');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => lies(page, 1)).toEqual(['words', '4 coast.jpg', '1 fern.jpg']);
    // What was read out of a button that is gone stays in the announcer for some seconds.
    const found = await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze();
    expect(found.violations).toEqual([]);

    // Pressed, words are written and a picture is framed: that one, and no other.
    await place(page, 1, 'words').click({ position: { x: 20, y: 20 } });
    await expect(page.getByRole('radio', { name: 'Words', exact: true })).toBeChecked();
    await group(page, 'Layout').click();
    await place(page, 2, '4 coast.jpg').click({ position: { x: 20, y: 20 } });
    await expect(page.getByRole('radio', { name: 'Picture 1: 4 coast.jpg' })).toBeChecked();
    await page.getByRole('radio', { name: 'Picture 2: 1 fern.jpg' }).locator('xpath=ancestor::label[1]').click();
    await page.getByRole('button', { name: 'Turn right' }).click();
    await saved(page);
    const turns = (await slide(page, 1)).layers.flatMap((layer) =>
      layer.kind === 'picture' ? [[layer.cell, layer.recipe?.turn ?? 0]] : [],
    );
    expect(turns.toSorted((a, b) => (a[0] ?? 0) - (b[0] ?? 0))).toEqual([
      [1, 0],
      [2, 90],
    ]);
  },
);

test(
  'a picture and words; one after another as it is spoken; for several slides at once',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'wren', 'Told beside');
    const script = 'Here is the fern. And there is the coast.';
    await page.getByLabel('Script of slide 2').fill(script);
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring in a sound for slide 2' }).click(),
    ]);
    await chooser.setFiles(voice());
    await expect(page.getByRole('img', { name: /^Voice, / }).first()).toBeVisible({ timeout: 60_000 });
    await choose(page, 1);
    // In the script it is laid out beside the sheet.
    await card(page, 'A picture and words').click();
    await expect.poll(() => lies(page, 1)).toEqual(['1 fern.jpg', 'words']);
    await come(page, 'as I speak').click();
    await expect.poll(async () => (await slide(page, 1)).sequence).toBe('spoken');
    await page.keyboard.press('Alt+o');
    await group(page, 'Layout').click();
    await expect(page.getByText('Press here to write')).toBeVisible();
    await place(page, 2, 'words').click({ position: { x: 20, y: 20 } });
    await page.getByLabel('Caption on slide 2').fill('Three hundred years of flour.');
    await page.keyboard.press('Tab');
    await expect
      .poll(async () => (await view(page)).plan.scenes[1].layers.some((l: Layer) => l.kind === 'words'))
      .toBe(true);
    const { plan } = await view(page);
    const scene = plan.scenes[1];
    const words = scene.layers.find(({ kind }: { kind: string }) => kind === 'words');
    const cell = plan.layouts['with-words'][1];
    expect(words.box.x).toBeGreaterThanOrEqual(cell.x - 0.01);
    expect(words.opacity[0].value, 'they come with the second sentence').toBe(0);
    expect(words.opacity[0].frame).toBeGreaterThan(30);
    // Where they stand is their cell's.
    await page.getByRole('radiogroup', { name: 'What to set' }).getByText('Place', { exact: true }).click();
    await expect(page.getByText('They have a place of their own beside the picture.')).toBeVisible();

    await group(page, 'Layout').click();
    for (const [name, value] of [
      ['one by one', 'evenly'],
      ['all at once', undefined],
    ] as const) {
      await come(page, name).click();
      await expect.poll(async () => (await slide(page, 1)).sequence).toBe(value);
    }
    for (const name of ['Two over each other', 'Three', 'One large with two small', 'Two beside each other']) {
      await card(page, name).click();
      await expect(card(page, name)).toHaveAttribute('data-selected', 'true');
    }
    await card(page, 'One, all of the slide').click();
    await expect.poll(() => layout(page, 1)).toBe('full');
    // The words lie on the picture again.
    expect((await slide(page, 1)).layers.map(({ kind, cell: lies_ }) => [kind, lies_])).toEqual([
      ['picture', undefined],
      ['words', undefined],
    ]);

    // Two slides at once.
    await page.keyboard.press('Alt+s');
    await choose(page, 2);
    await rows(page)
      .nth(3)
      .getByText('4', { exact: true })
      .first()
      .click({ modifiers: ['Shift'] });
    await card(page, 'Two beside each other').click();
    await expect.poll(() => layout(page, 3)).toBe('beside');
    expect(await layout(page, 2)).toBe('beside');
  },
);

test('a picture that is dropped on a slide goes beside what that shows, and asks nothing', async ({ page }) => {
  await begin(page, 'ivo', 'Dropped');
  const file = third();
  await page.evaluate(() => undefined);
  const composed = rows(page).nth(1).locator('.composed');
  const box = await composed.boundingBox();
  const session = await page.context().newCDPSession(page);
  const point = { x: (box?.x ?? 0) + 40, y: (box?.y ?? 0) + (box?.height ?? 0) / 2 };
  const data = { items: [], files: [file], dragOperationsMask: 1 };
  for (const type of ['dragEnter', 'dragOver', 'dragOver', 'drop'] as const)
    await session.send('Input.dispatchDragEvent', { type, ...point, data });
  await expect.poll(() => layout(page, 1), { timeout: 60_000 }).toBe('beside');
  expect(await lies(page, 1)).toEqual(['1 fern.jpg', '4 coast.jpg']);
  await expect(rows(page)).toHaveCount(4);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => layout(page, 1)).toBe('full');
  expect(pictureOf(await slide(page, 1)).cell).toBeUndefined();
});

test.describe('by a finger', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('two pictures change places at 390 px', async ({ page }) => {
    await begin(page, 'oskar', 'By a finger', [make('1 fern.jpg', '-i', 'mandelbrot=s=1600x1200', '-frames:v', '1')]);
    await choose(page, 1);
    await page.keyboard.press('Alt+o');
    await group(page, 'Layout').click();
    await beside(page, third());
    await expect(place(page, 2, '4 coast.jpg')).toBeVisible({ timeout: 60_000 });
    const box = await page.locator('.stage[data-frame]').boundingBox();
    await swipe(page, await middle(page, 'Place 1: 1 fern.jpg'), (box?.width ?? 0) / 2, 0);
    await expect.poll(() => lies(page, 1)).toEqual(['4 coast.jpg', '1 fern.jpg']);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});

test('two pages at once, and a cut network: what is laid out is one truth', async ({ page, context }) => {
  await begin(page, 'tilda', 'Two at once');
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await group(page, 'Layout').click();
  await beside(page, third());
  await expect(place(page, 2, '4 coast.jpg')).toBeVisible({ timeout: 60_000 });
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'The next slide' }).click();
  await group(other, 'Layout').click();
  // Both change places at the same time: each is done, and both pages end with the same.
  await Promise.all([
    page.getByRole('button', { name: 'Place 1: 1 fern.jpg' }).press('ArrowRight'),
    other.getByRole('radio', { name: 'Two over each other' }).locator('xpath=ancestor::label[1]').click(),
  ]);
  await expect.poll(() => layout(page, 1)).toBe('over');
  await expect.poll(() => lies(page, 1)).toEqual(['4 coast.jpg', '1 fern.jpg']);
  await other.close();
  await context.setOffline(true);
  await card(page, 'Four').click();
  await expect(page.getByText('Not saved yet: no connection. It will be sent.').first()).toBeVisible();
  await context.setOffline(false);
  await expect.poll(() => layout(page, 1), { timeout: 20_000 }).toBe('four');
  expect(at).not.toBe('');
});
