import AxeBuilder from '@axe-core/playwright';
import { choose, chooseFrom, close, draw, panel, rows, saved, whole } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';
import type { WordsLayer } from '../../web/api/types';

/** Slides of words alone: a title with its maker's first name, parts, and who did what. */
const text = async (page: Page, n: number, role: WordsLayer['role']) =>
  (await slide(page, n)).layers.find((layer): layer is WordsLayer => layer.kind === 'words' && layer.role === role)
    ?.text;
const kind = (page: Page, name: string) =>
  panel(page).getByRole('radiogroup', { name: 'What it is' }).getByText(name, { exact: true });

test('a title tells whose it is, in the language of the story, at one press', async ({ page }) => {
  await begin(page, 'pim', 'Whose it is');
  await rows(page).nth(0).getByRole('button', { name: 'Write “By Pim”' }).click();
  await expect.poll(() => text(page, 0, 'subtitle')).toBe('By Pim');
  await expect(
    rows(page)
      .nth(0)
      .getByRole('button', { name: /^Write/ }),
  ).toBeHidden();
  await expect(page.getByLabel('Subtitle on slide 1')).toHaveValue('By Pim');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => text(page, 0, 'subtitle')).toBeFalsy();
  await draw(page, 'The story');
  await chooseFrom(whole(page), 'Language', 'Deutsch');
  await close(page);
  await page.getByRole('button', { name: 'Write “Von Pim”' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(() => text(page, 0, 'subtitle')).toBe('Von Pim');
});

test('parts begin on a ground of their own, and the last slide says who did what', async ({ page, context }) => {
  await begin(page, 'oskar', 'In parts');
  await choose(page, 1);
  await page.getByRole('button', { name: 'Add a title' }).click();
  await expect.poll(async () => (await slide(page, 2)).layout).toBe('part');
  const ground = async (n: number) => (await view(page)).plan.scenes[n].ground;
  expect(await ground(2)).not.toBe(await ground(0));
  // It is a chapter of the film, by its name.
  await page.getByRole('textbox', { name: 'Title on slide 3', exact: true }).fill('At low water');
  await page.getByRole('textbox', { name: 'Title on slide 3', exact: true }).blur();
  await expect.poll(async () => (await view(page)).plan.scenes[2].name).toBe('At low water');
  await kind(page, 'Title').click();
  await expect.poll(async () => (await slide(page, 2)).layout).toBe('title');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await slide(page, 2)).layout).toBe('part');
  await kind(page, 'Made by').click();
  await expect.poll(async () => (await slide(page, 2)).layout).toBe('closing');
  await kind(page, 'A part begins').click();
  await expect.poll(async () => (await slide(page, 2)).layout).toBe('part');

  await choose(page, 4);
  await page.getByRole('button', { name: 'Add a title' }).click();
  await expect(rows(page)).toHaveCount(6);
  await kind(page, 'Made by').click();
  await expect.poll(async () => (await slide(page, 5)).layout).toBe('closing');
  // What it was called as a part is no heading of it: that is the film's own.
  await expect(page.getByRole('textbox', { name: 'Title on slide 6', exact: true })).toHaveAttribute(
    'placeholder',
    'Made by',
  );
  expect(await text(page, 5, 'title')).toBe('');
  await saved(page);
  await context.setOffline(true);
  await page.getByLabel('Subtitle on slide 6').fill('Oskar: voice\nPim: pictures\nWren: the music');
  await page.getByLabel('Subtitle on slide 6').blur();
  await expect(page.getByText('Not saved yet: no connection. It will be sent.').first()).toBeVisible();
  await context.setOffline(false);
  await expect
    .poll(() => text(page, 5, 'subtitle'), { timeout: 20_000 })
    .toBe('Oskar: voice\nPim: pictures\nWren: the music');
  await expect(
    rows(page)
      .nth(5)
      .getByAltText(/Oskar: voice/),
  ).toBeVisible();
  expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
  await page.setViewportSize({ width: 390, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
