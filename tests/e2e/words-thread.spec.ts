import AxeBuilder from '@axe-core/playwright';
import { press, pull } from './support/oneSlide';
import { choose } from './support/sheet';
import { begin, slide } from './support/story';
import { type Page, expect, test } from './support/test';
import type { WordsLayer } from '../../web/api/types';

/** When words come and go, on the slide's own thread: by mouse, by keys, by a finger. */
const words = async (page: Page) =>
  (await slide(page, 1)).layers.find((layer): layer is WordsLayer => layer.kind === 'words');
const knot = (page: Page, name: 'They come' | 'They go') =>
  page.getByRole('group', { name: /^The slide’s thread/ }).getByRole('slider', { name });
async function written(page: Page, who: string) {
  await begin(page, who, 'Come and go');
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await page.getByRole('radiogroup', { name: 'What is set' }).getByText('Words', { exact: true }).click();
  // Before there are any, there is nothing to come.
  await expect(knot(page, 'They come')).toBeHidden();
  await page.getByLabel('Caption on slide 2').fill('The fern unrolls');
  await page.getByLabel('Caption on slide 2').blur();
  await expect(knot(page, 'They come')).toBeVisible();
}

test(
  'words come and go where their knots lie, tied to nothing they come from the start and stay',
  { tag: '@deep' },
  async ({ page }) => {
    await written(page, 'tilda');
    expect(await words(page)).toMatchObject({ comes: null, goes: null });
    await pull(page, 'They come', 160, 0, 'slider');
    await expect.poll(async () => (await words(page))?.comes ?? 0).toBeGreaterThan(0.5);
    // By keys a tenth of a second, with Shift a second.
    const before = Number((await words(page))?.comes);
    await knot(page, 'They come').focus();
    await press(page, 'ArrowRight', 3);
    await expect.poll(async () => Number((await words(page))?.comes)).toBeCloseTo(before + 0.3, 1);
    await knot(page, 'They go').focus();
    await page.keyboard.press('Shift+ArrowLeft');
    await expect.poll(async () => Number((await words(page))?.goes)).toBeGreaterThan(before + 0.7);
    // They never go before they have come.
    await press(page, 'Shift+ArrowLeft', 6);
    await expect(knot(page, 'They go')).toHaveAttribute('aria-valuetext', /at \d/);
    await expect
      .poll(async () => Number((await words(page))?.goes) - Number((await words(page))?.comes))
      .toBeGreaterThanOrEqual(0.5);
    expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
    await knot(page, 'They come').focus();
    await page.keyboard.press('Delete');
    await expect.poll(async () => (await words(page))?.comes).toBeNull();
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await words(page))?.comes).not.toBeNull();
  },
);

test('at 390 px, where there is no connection, it is kept and sent', async ({ page, context }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await written(page, 'pim');
  await context.setOffline(true);
  await knot(page, 'They come').focus();
  await press(page, 'Shift+ArrowRight', 2);
  await expect(page.getByText('Not saved yet: no connection. It will be sent.').first()).toBeVisible();
  await context.setOffline(false);
  await expect.poll(async () => (await words(page))?.comes, { timeout: 20_000 }).toBe(2);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
