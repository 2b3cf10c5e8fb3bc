import AxeBuilder from '@axe-core/playwright';
import { make } from './support/files';
import { group, middle, press, pull, swipe } from './support/oneSlide';
import { choose, chooseFrom, close, draw, panel, rows, saved, whole } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';
import type { Locator } from '@playwright/test';
import type { IconLayer } from '../../web/api/types';

const icons = async (page: Page) =>
  (await slide(page, 1)).layers.filter((layer): layer is IconLayer => layer.kind === 'icon');
const icon = async (page: Page) => (await icons(page))[0];
const one = (page: Page, n = 1) => panel(page).getByRole('group', { name: `Icon ${n}` });
const found = (of: Locator, name: string) =>
  of.getByRole('radio', { name, exact: true }).locator('xpath=ancestor::label[1]');
test('an icon is found by words, coloured, sized, turned, comes when it should, lies behind another, and is credited', async ({
  page,
}) => {
  await begin(page, 'pim', 'Icons');
  await choose(page, 1);
  await panel(page).getByRole('button', { name: 'Add an icon' }).click();
  await expect(rows(page).nth(1).locator('.composed img[src*="/api/icons/sun.svg"]')).toBeVisible();
  await one(page).getByRole('button', { name: 'Choose what it shows' }).click();
  await one(page).getByLabel('Find an icon').fill('boat');
  await found(one(page), 'sailboat').click();
  await expect.poll(() => icon(page)).toMatchObject({ name: 'sailboat', colour: 'own' });
  await one(page).getByLabel('Find an icon').fill('qqqqq');
  await expect(one(page).getByText('Nothing was found for “qqqqq”. Try another word.')).toBeVisible();
  await one(page).getByLabel('Find an icon').fill('');
  // A sign of one colour has the style's.
  await found(one(page), 'Arrow').click();
  await expect.poll(() => icon(page)).toMatchObject({ name: 'arrow', colour: 'style' });
  await one(page).getByLabel('Find an icon').fill('owl');
  await found(one(page), 'owl').click();
  await expect.poll(() => icon(page)).toMatchObject({ name: 'owl', colour: 'own' });
  await chooseFrom(one(page), 'Colour', 'The style’s colours');
  await chooseFrom(one(page), 'Where', 'Left');
  await one(page).getByRole('slider', { name: 'How large' }).focus();
  await press(page, 'ArrowRight', 20);
  await one(page).getByRole('slider', { name: 'Turned' }).focus();
  await press(page, 'ArrowLeft', 6);
  await chooseFrom(one(page), 'It comes', 'At a second');
  await one(page).getByLabel('Comes at second').fill('1.5');
  await one(page).getByLabel('Comes at second').blur();
  await expect
    .poll(() => icon(page))
    .toMatchObject({ name: 'owl', colour: 'style', place: 'left', size: 0.4, turn: -30, comes: 1.5, goes: null });
  const { plan } = await view(page);
  expect(plan.credits.join()).toContain('Icons by OpenMoji · openmoji.org · CC BY-SA 4.0');
  expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);

  // Two, of which one lies behind the other.
  await panel(page).getByRole('button', { name: 'Add an icon' }).click();
  await expect(one(page, 2)).toBeVisible();
  await one(page, 2).getByRole('button', { name: 'More to the back' }).click();
  await expect.poll(async () => (await icons(page)).map(({ name }) => name)).toEqual(['sun', 'owl']);
  await one(page, 1).getByRole('button', { name: 'More to the front' }).click();
  await expect.poll(async () => (await icons(page)).map(({ name }) => name)).toEqual(['owl', 'sun']);
  await one(page, 2).getByRole('button', { name: 'Take it off' }).click();
  await expect.poll(async () => (await icons(page)).length).toBe(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await icons(page)).length).toBe(2);
});

test(
  'it is searched in the language of the story, and moved on the stage by mouse and keys',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'oskar', 'Ikonen');
    await draw(page, 'The story');
    await chooseFrom(whole(page), 'Language', 'Deutsch');
    await close(page);
    await choose(page, 1);
    await page.keyboard.press('Alt+o');
    await group(page, 'Over').click();
    await panel(page).getByRole('button', { name: 'Add an icon' }).click();
    await one(page).getByRole('button', { name: 'Choose what it shows' }).click();
    await one(page).getByLabel('Find an icon').fill('Segelboot');
    await found(one(page), 'Segelboot').click();
    await expect.poll(() => icon(page)).toMatchObject({ name: 'sailboat' });
    await pull(page, 'Icon 1 on the stage', -120, 90);
    await expect.poll(async () => (await icon(page))?.at?.x ?? 1).toBeLessThan(0.8);
    const { x = 0, y = 0 } = (await icon(page))?.at ?? {};
    await page.getByRole('button', { name: 'Icon 1 on the stage' }).focus();
    for (const key of ['ArrowLeft', 'ArrowLeft', 'ArrowDown']) await page.keyboard.press(key);
    await expect.poll(async () => (await icon(page))?.at?.x).toBeCloseTo(x - 0.02, 3);
    expect((await icon(page))?.at?.y).toBeCloseTo(y + 0.01, 3);
    await expect(one(page).getByRole('button', { name: /Where you put it/ })).toBeVisible();
    // At a place of its own again.
    await chooseFrom(one(page), 'Where', 'Top right');
    await expect.poll(async () => (await icon(page))?.at).toBeUndefined();
    await page.getByRole('button', { name: 'Icon 1 on the stage' }).focus();
    await page.keyboard.press('Delete');
    await expect.poll(() => icon(page)).toBeUndefined();
  },
);

test(
  'a picture of one\u2019s own is shown with what is behind it, is credited, and gives way to a drawing',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'juno', 'Own icon');
    await choose(page, 1);
    await panel(page).getByRole('button', { name: 'Add an icon' }).click();
    await expect(one(page)).toBeVisible();
    const ring = make(
      'ring.png',
      '-i',
      'color=red:s=300x600,format=rgba,geq=r=200:g=40:b=40:a=255*lt(hypot(X-150\\,Y-300)\\,140)',
      '-frames:v',
      '1',
    );
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      one(page).getByRole('button', { name: 'A picture of your own' }).click(),
    ]);
    await chooser.setFiles(ring);
    await expect.poll(async () => (await icon(page))?.asset, { timeout: 30_000 }).toBeTruthy();
    await expect(rows(page).nth(1).locator('.composed img[src$="/cutout.png"]')).toBeVisible();
    await expect(one(page).getByLabel('Colour')).toBeHidden();
    // As tall as it is told, and half as wide.
    const shown = async () => rows(page).nth(1).locator('.composed img[src$="/cutout.png"]').boundingBox();
    const { width = 1, height = 1 } = (await shown()) ?? {};
    expect(width / height).toBeCloseTo(0.5, 1);
    // Its source is asked for with those of the slide.
    const asset = (await icon(page))?.asset;
    await panel(page).getByRole('button', { name: 'I made them myself' }).click();
    await expect.poll(async () => (await view(page)).story.assets[asset ?? ''].source.author).toBe('Juno');
    // What is seen behind it: nothing of it lies at its corners.
    const file = await page.request.get(
      `${page.url().replace(/.*stories\/([^/?]+).*/, '/api/stories/$1')}/assets/${asset}/cutout.png`,
    );
    expect(file.headers()['content-type']).toBe('image/png');
    await one(page).getByRole('button', { name: 'Choose what it shows' }).click();
    await one(page).getByLabel('Find an icon').fill('owl');
    await found(one(page), 'owl').click();
    await expect.poll(() => icon(page)).toMatchObject({ name: 'owl' });
    expect((await icon(page))?.asset).toBeUndefined();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await icon(page))?.asset).toBe(asset);
  },
);

test.describe('by a finger', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('an icon is moved at 390 px, also where there is no connection', async ({ page, context }) => {
    await begin(page, 'wren', 'By a finger', [make('1 fern.jpg', '-i', 'mandelbrot=s=1600x1200', '-frames:v', '1')]);
    await choose(page, 1);
    await page.keyboard.press('Alt+o');
    await group(page, 'Over').click();
    await panel(page).getByRole('button', { name: 'Add an icon' }).click();
    await expect(page.getByRole('button', { name: 'Icon 1 on the stage' })).toBeVisible();
    await saved(page);
    await context.setOffline(true);
    await swipe(page, await middle(page, 'Icon 1 on the stage'), -150, 40);
    await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => (await icon(page))?.at?.x ?? 1, { timeout: 30_000 }).toBeLessThan(0.6);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});
