import AxeBuilder from '@axe-core/playwright';
import type { WordsLayer } from '../../web/api/types';
import { group, swipe } from './support/oneSlide';
import { choose, saved } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';

const look = (page: Page) => page.getByRole('region', { name: 'How the words look' });
const tab = (page: Page, name: string) =>
  look(page).getByRole('radiogroup', { name: 'What to set' }).getByText(name, { exact: true }).click();
const chosen = async (page: Page, label: string, name: string) => {
  await look(page).getByRole('button', { name: label }).click();
  await page.getByRole('option', { name, exact: true }).click();
};
const all = async (page: Page, n = 1) =>
  (await slide(page, n)).layers.filter((layer): layer is WordsLayer => layer.kind === 'words');
const held = (page: Page, n: number) => page.getByRole('button', { name: `Words ${n} on the stage` });
const middle = async (page: Page, n: number) => {
  await expect(held(page, n)).toBeVisible();
  const box = await held(page, n).boundingBox();
  if (!box) throw new Error('they are not on the stage');
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};
const stage = async (page: Page) => {
  const box = await page.getByRole('figure', { name: 'Preview' }).locator('.stage').boundingBox();
  if (!box) throw new Error('there is no stage');
  return box;
};

/** At the words of one slide of a story of one's own. */
async function written(page: Page, name: string, title: string) {
  await begin(page, name, title);
  await page.getByLabel('Caption on slide 2').fill('The mill turns twice a day');
  await page.getByLabel('Script of slide 2').fill('Here is the mill. It turns twice a day, and nobody asks it to.');
  await page.getByLabel('Script of slide 2').blur();
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await group(page, 'Words').click();
  await saved(page);
  await expect(held(page, 1)).toBeVisible();
}

test(
  'words are dragged, brought in line, made wider, written in place; all of it undone',
  { tag: '@deep' },
  async ({ page }) => {
    await written(page, 'tilda', 'Put by hand');
    const [from, whole] = [await middle(page, 1), await stage(page)];
    // Near the middle of the slide, but not there: they are brought to it.
    const to = { x: whole.x + whole.width / 2 + 5, y: whole.y + whole.height / 2 + 4 };
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x - 30, to.y - 30, { steps: 8 });
    await page.mouse.move(to.x, to.y, { steps: 4 });
    await expect(page.locator('.guide')).toHaveCount(2);
    await page.mouse.up();
    await expect(page.locator('.guide')).toHaveCount(0);
    await expect.poll(async () => (await all(page))[0]?.at).toEqual({ x: 0.5, y: 0.5 });
    await expect(page.getByRole('button', { name: 'Play' }), 'nothing has begun to play').toBeVisible();
    // As the server has planned it, the words stand there.
    await expect.poll(async () => Math.abs((await middle(page, 1)).y - (whole.y + whole.height / 2))).toBeLessThan(2);

    const edge = page.getByRole('button', { name: 'Right edge of words 1' });
    const hold = await edge.boundingBox();
    await page.mouse.move((hold?.x ?? 0) + 20, (hold?.y ?? 0) + 20);
    await page.mouse.down();
    await page.mouse.move((hold?.x ?? 0) - 100, (hold?.y ?? 0) + 20, { steps: 6 });
    await page.mouse.up();
    await expect.poll(async () => (await all(page))[0]?.width).toBeLessThan(0.5);
    const narrow = (await all(page))[0]?.width ?? 0;
    await page.getByRole('button', { name: 'Left edge of words 1' }).focus();
    await page.keyboard.press('ArrowRight');
    await expect.poll(async () => (await all(page))[0]?.width).toBeLessThan(narrow);
    await edge.focus();
    await page.keyboard.press('ArrowLeft');
    await expect.poll(async () => (await all(page))[0]?.width).toBeLessThan(narrow - 0.015);
    await tab(page, 'Place');
    await expect(look(page).getByRole('radio', { name: 'Middle', exact: true })).not.toBeChecked();
    await look(page).getByRole('button', { name: 'As wide as usual' }).click();
    await expect.poll(async () => (await all(page))[0]?.width).toBeUndefined();
    await expect(look(page).getByRole('button', { name: 'As wide as usual' })).toHaveCount(0);

    // By keys, in small steps and large ones; and pressed twice, to write.
    const before = (await all(page))[0]?.at ?? { x: 0, y: 0 };
    await held(page, 1).focus();
    await page.keyboard.press('ArrowUp');
    await expect.poll(async () => (await all(page))[0]?.at?.y).toBeCloseTo(before.y - 0.01, 3);
    await page.keyboard.press('Shift+ArrowLeft');
    await expect.poll(async () => (await all(page))[0]?.at?.x).toBeCloseTo(before.x - 0.05, 3);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await all(page))[0]?.at?.x).toBeCloseTo(before.x, 3);
    // Pressed faster than the server answers, no step is lost, and all of them are one to undo.
    for (let n = 0; n < 6; n += 1) await page.keyboard.press('ArrowDown');
    await expect.poll(async () => (await all(page))[0]?.at?.y).toBeCloseTo(before.y + 0.05, 3);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await all(page))[0]?.at?.y).toBeCloseTo(before.y - 0.01, 3);
    await held(page, 1).click();
    const field = page.getByLabel('Write words 1 here');
    await field.fill('It turns by itself');
    await page.keyboard.press('Escape');
    await expect(field).toHaveCount(0);
    await expect.poll(async () => (await all(page))[0]?.text).toBe('It turns by itself');
    await expect(page.getByLabel('Caption on slide 2'), 'beside the stage stands the same').toHaveValue(
      'It turns by itself',
    );
    await held(page, 1).focus();
    await page.keyboard.press('Enter');
    await field.fill('It turns, unasked');
    await page.getByLabel('Caption on slide 2').click();
    await expect.poll(async () => (await all(page))[0]?.text).toBe('It turns, unasked');
    await page.keyboard.press('Control+z');

    // A spot ends what was put by hand.
    await look(page).getByRole('radio', { name: 'Top', exact: true }).locator('xpath=ancestor::label[1]').click();
    await expect.poll(async () => [(await all(page))[0]?.at, (await all(page))[0]?.place]).toEqual([undefined, 'top']);
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await held(page, 1).focus();
    await page.keyboard.press('Delete');
    await expect.poll(async () => (await all(page)).length).toBe(0);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await all(page)).length).toBe(1);
  },
);

test('a title is written on the stage, and stands where it does', async ({ page }) => {
  await begin(page, 'pim', 'The first page');
  await choose(page, 0);
  await page.keyboard.press('Alt+o');
  await group(page, 'Words').click();
  const before = await middle(page, 1);
  await page.mouse.move(before.x, before.y);
  await page.mouse.down();
  await page.mouse.move(before.x + 80, before.y + 60, { steps: 5 });
  await page.mouse.up();
  expect((await middle(page, 1)).x).toBeCloseTo(before.x, 0);
  await held(page, 1).press('F2');
  await page.getByLabel('Write words 1 here').fill('A page of its own');
  await page.keyboard.press('Control+Enter');
  await expect.poll(async () => (await all(page, 0))[0]?.text).toBe('A page of its own');
  // Empty it is the story's own.
  await held(page, 1).press('Enter');
  await page.getByLabel('Write words 1 here').fill('');
  await page.keyboard.press('Escape');
  await expect.poll(async () => (await all(page, 0))[0]?.text).toBe('');
  await expect(held(page, 1)).toBeVisible();
});

test(
  'a label points at something, words come as they are said, lines light up; on a phone, by two',
  { tag: '@deep' },
  async ({ page, context }) => {
    await written(page, 'oskar', 'Pointing');
    await look(page).getByText('A label', { exact: true }).click();
    const point = page.getByRole('button', { name: 'What words 1 point at' });
    await expect(point).toBeVisible();
    const box = await point.boundingBox();
    await page.mouse.move((box?.x ?? 0) + 20, (box?.y ?? 0) + 20);
    await page.mouse.down();
    await page.mouse.move((box?.x ?? 0) + 120, (box?.y ?? 0) - 40, { steps: 6 });
    await page.mouse.up();
    await expect.poll(async () => (await all(page))[0]?.target?.x).toBeGreaterThan(0.55);
    const target = (await all(page))[0]?.target ?? { x: 0, y: 0 };
    await point.focus();
    await page.keyboard.press('ArrowDown');
    await expect.poll(async () => (await all(page))[0]?.target?.y).toBeGreaterThan(target.y);
    const kinds = async () => (await view(page)).plan.scenes[1].layers.map(({ kind }: { kind: string }) => kind);
    expect(await kinds()).toEqual(['picture', 'pointer', 'words']);

    await tab(page, 'Time');
    await chosen(page, 'They come', 'When I say …');
    await look(page).getByText('turns', { exact: true }).click();
    await expect.poll(async () => (await all(page))[0]?.comes).toEqual({ word: 5 });
    await chosen(page, 'They go', 'When I say …');
    await look(page).getByRole('radiogroup', { name: 'Go when I say' }).getByText('nobody', { exact: true }).click();
    await expect.poll(async () => (await all(page))[0]?.goes).toEqual({ word: 10 });
    // The word stays the same when something is written before it.
    await page
      .getByLabel('Script of slide 2')
      .fill('Look: here is the mill. It turns twice a day, and nobody asks it to.');
    await page.getByLabel('Script of slide 2').blur();
    await expect.poll(async () => (await all(page))[0]?.comes).toEqual({ word: 6 });
    for (const [name, entrance] of [
      ['From below', 'rise'],
      ['Written line by line', 'written'],
      ['At once', 'at-once'],
      ['Softly', 'fade'],
    ] as const) {
      await chosen(page, 'In which way', name);
      await expect.poll(async () => (await all(page))[0]?.entrance ?? 'fade').toBe(entrance);
    }
    await chosen(page, 'They come', 'From the start');
    await chosen(page, 'They go', 'To the end');
    await tab(page, 'Look');
    await look(page).getByText('A fact', { exact: true }).click();
    await expect(point).toHaveCount(0);
    await page.getByLabel('Caption on slide 2').fill('It turns twice a day,\nand nobody asks it to');
    await page.getByLabel('Caption on slide 2').blur();
    await tab(page, 'Time');
    await look(page).getByText('Each line lights up as it is said').click();
    await expect.poll(async () => (await all(page))[0]?.spoken).toBe(true);
    await expect.poll(kinds).toEqual(['picture', 'words', 'words', 'words']);

    // Two put the same words somewhere, one of them without a connection: one truth, and none of it lost.
    const other = await context.newPage();
    await other.goto(page.url());
    await other.getByRole('button', { name: 'The next slide' }).click();
    await group(other, 'Words').click();
    await context.setOffline(true);
    await held(page, 1).focus();
    await page.keyboard.press('Shift+ArrowUp');
    await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => (await all(page))[0]?.at, { timeout: 30_000 }).toBeDefined();
    await held(other, 1).focus();
    await other.keyboard.press('Shift+ArrowRight');
    await expect.poll(async () => (await all(page))[0]?.at?.x).toBeCloseTo(0.55, 1);
    await other.close();

    await page.setViewportSize({ width: 390, height: 844 });
    await expect(held(page, 1)).toBeVisible();
    await held(page, 1).click();
    await page.getByLabel('Write words 1 here').fill('On a phone');
    await page.keyboard.press('Escape');
    await expect.poll(async () => (await all(page))[0]?.text).toBe('On a phone');
    // By a finger.
    const before = (await all(page))[0]?.at?.y ?? 0;
    await swipe(page, await middle(page, 1), 0, -60);
    await expect.poll(async () => (await all(page))[0]?.at?.y).toBeLessThan(before - 0.1);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  },
);
