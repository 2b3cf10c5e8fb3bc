import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { at, make } from './support/files';
import { difference, group, mended, press, pull, recipe } from './support/oneSlide';
import { choose, rows, saved } from './support/sheet';
import { begin, choosing } from './support/story';
import { type Page, expect, test } from './support/test';

/** Two red pupils on skin, at 300 and 500 of 800 across, and half way down. */
function flash() {
  const eye = (x: number) => `lt(hypot(X-${x},Y-300),14)`;
  const either = `${eye(300)}+${eye(500)}`;
  const colours = `format=rgb24,geq=r='if(${either},205,208)':g='if(${either},38,160)':b='if(${either},40,128)'`;
  return make('red.png', '-i', 'color=c=0xd0a080:s=800x600', '-vf', colours, '-frames:v', '1');
}
async function bring(page: Page, picture: string) {
  await choosing(page, [picture]);
  await expect(rows(page)).toHaveCount(5, { timeout: 60_000 });
}

test(
  'red eyes are mended at a tap, by keys, and nothing else is; what is seen is what is made',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'juno', 'By flash');
    await bring(page, flash());
    await choose(page, 4);
    await page.keyboard.press('Alt+o');
    await group(page, 'Light').click();
    const reddest = () =>
      mended(page).evaluate((element) => {
        const canvas = element as HTMLCanvasElement;
        const pixels = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? [];
        let most = 0;
        for (let i = 0; i < pixels.length; i += 4) most = Math.max(most, (pixels[i] ?? 0) - (pixels[i + 1] ?? 0));
        return most;
      });
    await expect.poll(reddest).toBeGreaterThan(140);
    await page.getByText('Red eyes', { exact: true }).click();
    const picture = await mended(page).boundingBox();
    if (!picture) throw new Error('there is no picture');
    await page.mouse.click(picture.x + (picture.width * 300) / 800, picture.y + picture.height / 2);
    await expect.poll(async () => (await recipe(page, 4)).eyes?.length).toBe(1);
    await expect.poll(reddest, 'the other is still red').toBeGreaterThan(140);

    // The other by keys: put down, moved over it, made larger and smaller, and by its buttons.
    await page.getByRole('button', { name: 'Add a mark' }).click();
    const mark = page.getByRole('button', { name: 'Red eye 2', exact: true });
    await mark.focus();
    await press(page, 'ArrowRight', 12);
    await press(page, '+', 3);
    await press(page, '-', 1);
    await page.getByRole('button', { name: 'Larger' }).click();
    await page.getByRole('button', { name: 'Smaller' }).click();
    await expect.poll(reddest).toBeLessThan(110);
    await saved(page);
    await page.getByText('Red eyes', { exact: true }).click();
    expect(await difference(page, 4)).toBeLessThan(2);
    await group(page, 'Frame').click();
    await page.getByRole('button', { name: 'Turn right' }).click();
    expect(await difference(page, 4)).toBeLessThan(2);
    await group(page, 'Light').click();
    await page.getByText('Red eyes', { exact: true }).click();
    await mark.focus();
    await page.keyboard.press('Delete');
    await expect.poll(async () => (await recipe(page, 4)).eyes?.length).toBe(1);
    await pull(page, 'Red eye 1', 60, 40);
    await expect.poll(reddest).toBeGreaterThan(140);
    await page.getByRole('button', { name: 'Take this mark away' }).click();
    await expect.poll(async () => (await recipe(page, 4)).eyes ?? []).toEqual([]);
  },
);

test('eyes are looked for in the faces that were found', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'juno', 'Somebody');
  const face = join(at, 'somebody.png');
  execFileSync('rsvg-convert', ['--format', 'png', '--output', face, 'tests/fixtures/a-face.svg']);
  await bring(page, face);
  await choose(page, 4);
  await page.keyboard.press('Alt+o');
  await group(page, 'Light').click();
  await page.getByText('Red eyes', { exact: true }).click();
  await page.getByRole('button', { name: 'Look for them in faces' }).click();
  await expect.poll(async () => (await recipe(page, 4)).eyes?.length).toBe(2);
  // Drawn at 1087 and 1213, 522 of 1600 x 1200.
  const eyes = (await recipe(page, 4)).eyes ?? [];
  for (const [i, x] of [1087 / 1600, 1213 / 1600].entries()) {
    const eye = eyes[i];
    expect(Math.abs((eye?.x ?? 0) + (eye?.width ?? 0) / 2 - x)).toBeLessThan((eye?.width ?? 0) / 2);
    expect(Math.abs((eye?.y ?? 0) + (eye?.height ?? 0) / 2 - 522 / 1200)).toBeLessThan((eye?.height ?? 0) / 2);
  }
});

test('at 390, with a finger: a red eye is tapped, its mark sized and taken away', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await begin(page, 'tilda', 'By flash, in the hand');
  await bring(page, flash());
  await page.getByText('One slide').tap();
  for (let i = 0; i < 4; i += 1) await page.getByRole('button', { name: 'The next slide' }).tap();
  await group(page, 'Light').tap();
  await page.getByText('Red eyes', { exact: true }).tap();
  await mended(page).scrollIntoViewIfNeeded();
  const picture = await mended(page).boundingBox();
  if (!picture) throw new Error('there is no picture');
  await page.touchscreen.tap(picture.x + (picture.width * 500) / 800, picture.y + picture.height / 2);
  await expect.poll(async () => (await recipe(page, 4)).eyes?.length).toBe(1);
  const [eye] = (await recipe(page, 4)).eyes ?? [];
  expect((eye?.x ?? 0) + (eye?.width ?? 0) / 2).toBeCloseTo(500 / 800, 1);
  await page.getByRole('button', { name: 'Larger' }).tap();
  await expect.poll(async () => (await recipe(page, 4)).eyes?.[0]?.width).toBeGreaterThan(eye?.width ?? 1);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('button', { name: 'Take this mark away' }).tap();
  await expect.poll(async () => (await recipe(page, 4)).eyes ?? []).toEqual([]);
});

test(
  'two mark one picture at once, one of them without a connection: what was said last stands for both',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'juno', 'Four hands, one flash');
    await bring(page, flash());
    await choose(page, 4);
    await page.keyboard.press('Alt+o');
    const other = await context.newPage();
    await other.goto(page.url());
    for (let i = 0; i < 4; i += 1) await other.getByRole('button', { name: 'The next slide' }).click();
    for (const one of [page, other]) {
      await group(one, 'Light').click();
      await one.getByText('Red eyes', { exact: true }).click();
    }
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Add a mark' }).click();
    await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => (await recipe(page, 4)).eyes?.length, { timeout: 30_000 }).toBe(1);
    const [first] = (await recipe(page, 4)).eyes ?? [];
    await other.getByRole('button', { name: 'Add a mark' }).click();
    await other
      .getByRole('button', { name: /^Red eye/ })
      .last()
      .focus();
    await press(other, 'ArrowRight', 12);
    await expect.poll(async () => (await recipe(page, 4)).eyes?.at(-1)?.x).toBeGreaterThan((first?.x ?? 1) + 0.1);
    await saved(other);
    // What the one said meanwhile can be had back by the other.
    // Presses that were far enough apart are more than one change.
    for (let n = 0; n < 4 && JSON.stringify((await recipe(page, 4)).eyes) !== JSON.stringify([first]); n += 1) {
      await other.getByRole('button', { name: 'Undo' }).click();
      await saved(other);
    }
    expect((await recipe(page, 4)).eyes).toEqual([first]);
  },
);
