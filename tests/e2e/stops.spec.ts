import { voice } from './support/files';
import { group, press, pull } from './support/oneSlide';
import { choose, saved } from './support/sheet';
import { begin, pictureOf, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';
import type { PlannedPicture } from '../../web/api/types';

const SCRIPT = 'Here is the fern. And there, at the very edge, grows another.';
const stops = async (page: Page) => pictureOf(await slide(page, 1)).framing.stops ?? [];
const knot = (page: Page, n: number) => page.getByRole('slider', { name: `When the look is at stop ${n}` });
const onTop = (page: Page) => page.getByRole('radiogroup', { name: 'Which frame lies on top' });
const said = (page: Page) => page.getByRole('listbox', { name: 'The look is there as this word is said' });
const add = (page: Page) => page.getByRole('button', { name: 'Add a stop' });

async function spoken(page: Page, title: string) {
  await begin(page, 'pim', title);
  await page.getByLabel('Script of slide 2').fill(SCRIPT);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in a sound for slide 2' }).click(),
  ]);
  await chooser.setFiles(voice());
  await expect(page.getByRole('img', { name: /^Voice, / }).first()).toBeVisible({ timeout: 60_000 });
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await group(page, 'Move').click();
}

/** What is seen at a word of the script, by the plan. */
async function seenAt(page: Page, word: number) {
  await saved(page);
  const { plan } = await view(page);
  const { id } = await slide(page, 1);
  const times = await (
    await page.request.get(`${page.url().replace(/.*(\/stories\/[^/?]+).*/, '/api$1')}/slides/${id}/spoken.json`)
  ).json();
  const scene = plan.scenes[1];
  const seconds = (scene.end + scene.transition.frames - scene.start) / plan.fps;
  const { path } = scene.layers[0] as PlannedPicture;
  const near = path.toSorted(
    (a, b) => Math.abs(a.at - times.words[word].at / seconds) - Math.abs(b.at - times.words[word].at / seconds),
  )[0];
  if (!near) throw new Error('it is seen from somewhere');
  expect(near.at * seconds).toBeCloseTo(times.words[word].at, 1);
  return near.frame;
}

test(
  'the look comes to what is talked about: stops by mouse, tied to words, watched, taken away',
  { tag: '@deep' },
  async ({ page }) => {
    // When the words are said is told late, and no stop is set before.
    await page.route('**/spoken.json', async (route) => {
      await page.waitForTimeout(2500);
      await route.continue();
    });
    await spoken(page, 'Here and there');
    await add(page).click();
    await expect(knot(page, 1)).toBeVisible();
    await expect(knot(page, 1)).toHaveAttribute('aria-valuetext', /as “.+” is said$/);
    await add(page).click();
    await expect.poll(async () => (await stops(page)).length).toBe(2);

    // A word is chosen, and the frame is put on what it tells of: on the way there the plan is seen to come to it.
    await onTop(page).getByText('2', { exact: true }).click();
    await said(page).getByText('edge,', { exact: true }).click();
    await expect(knot(page, 2)).toHaveAttribute('aria-valuetext', /as “edge,” is said$/);
    for (const corner of ['Top left', 'Bottom right', 'Top right', 'Bottom left'] as const)
      await pull(
        page,
        `Stop 2: ${corner} corner`,
        corner.endsWith('left') ? 30 : -30,
        corner.startsWith('Top') ? 20 : -20,
      );
    await pull(page, 'Stop 2', 160, 60);
    await saved(page);
    const [, second] = await stops(page);
    expect(second?.word).toBe(9);
    const frame = await seenAt(page, 9);
    expect(frame.x + frame.width / 2).toBeCloseTo((second?.frame.x ?? 0) + (second?.frame.width ?? 0) / 2, 3);

    // The script is written anew, and the stop stays with its word.
    await group(page, 'Words').click();
    await page.getByLabel('Script of slide 2').fill(SCRIPT.replace('Here', 'Now, here'));
    await saved(page);
    await group(page, 'Move').click();
    await expect(knot(page, 2)).toHaveAttribute('aria-valuetext', /as “edge,” is said$/);
    await expect.poll(async () => (await stops(page)).map(({ word }) => word)).toContain(10);

    // Pulled along the thread it is tied to the words that it comes near to.
    const before = await knot(page, 1).getAttribute('aria-valuenow');
    await pull(page, 'When the look is at stop 1', 60, 0, 'slider');
    await expect(knot(page, 1)).not.toHaveAttribute('aria-valuenow', before ?? '');
    await saved(page);

    await page.keyboard.press('Alt+p');
    await expect(page.locator('.stage[data-frame]')).toBeVisible();
    await page.keyboard.press('Alt+p');
    await expect(page.getByRole('button', { name: 'Stop 1', exact: true })).toBeVisible();

    await onTop(page).getByText('1', { exact: true }).click();
    await page.getByRole('button', { name: 'Take this stop away' }).click();
    await expect.poll(async () => (await stops(page)).length).toBe(1);
    await expect(knot(page, 2)).toBeHidden();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await stops(page)).length).toBe(2);

    // Turned, the picture is framed where it was.
    await group(page, 'Frame').click();
    const [first] = await stops(page);
    await page.getByRole('button', { name: 'Turn right' }).click();
    await expect.poll(async () => (await stops(page))[0]?.frame.y).toBeCloseTo(first?.frame.x ?? NaN, 4);
  },
);

test('by keys: as many stops as there may be, moved in time and over the picture, and taken away', async ({ page }) => {
  await spoken(page, 'All by keys');
  for (let n = 1; n <= 6; n += 1) {
    await expect(add(page)).toBeEnabled();
    await add(page).focus();
    await page.keyboard.press('Enter');
    await expect(knot(page, n)).toBeVisible();
  }
  await expect(add(page)).toBeDisabled();
  await saved(page);
  await knot(page, 6).focus();
  await press(page, 'ArrowRight', 3);
  await page.keyboard.press('Shift+ArrowRight');
  await expect(knot(page, 6)).toHaveAttribute('aria-valuetext', /seconds$/);
  await saved(page);
  const late = Number(await knot(page, 6).getAttribute('aria-valuenow'));
  await press(page, 'ArrowLeft', 4);
  await expect.poll(async () => Number(await knot(page, 6).getAttribute('aria-valuenow'))).toBeCloseTo(late - 0.4, 1);

  await knot(page, 3).focus();
  const tied = (await stops(page)).map(({ word }) => word);
  const free = [2, 3, 4, 5, 6, 7, 8].find((word) => !tied.includes(word)) ?? 0;
  await said(page).getByRole('option').first().focus();
  await press(page, 'ArrowRight', free);
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await stops(page)).map(({ word }) => word)).toContain(free);

  await page.getByRole('button', { name: 'Stop 6', exact: true }).focus();
  const was = await page.getByRole('button', { name: 'Stop 6', exact: true }).boundingBox();
  await press(page, '-', 5);
  await press(page, 'ArrowRight', 5);
  await expect
    .poll(async () => (await page.getByRole('button', { name: 'Stop 6', exact: true }).boundingBox())?.width)
    .toBeLessThan(was?.width ?? 0);
  await saved(page);
  await knot(page, 6).focus();
  await page.keyboard.press('Delete');
  await expect.poll(async () => (await stops(page)).length).toBe(5);
  await expect(knot(page, 6)).toBeHidden();
});

test(
  'two set stops at once, one of them without a connection, with a finger at 390',
  { tag: '@deep' },
  async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    const page = await context.newPage();
    await spoken(page, 'Four eyes');
    await page.getByText('As I say').tap();
    await add(page).tap();
    await saved(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await other.getByRole('button', { name: 'The next slide' }).tap();
    await group(other, 'Words').tap();
    await context.setOffline(true);
    await add(page).tap();
    await expect(knot(page, 2)).toBeVisible();
    await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
    await context.setOffline(false);
    await other.getByLabel('Script of slide 2').fill(`So. ${SCRIPT}`);
    await expect.poll(async () => (await stops(page)).length, { timeout: 30_000 }).toBe(2);
    await expect.poll(async () => (await slide(page, 1)).script, { timeout: 30_000 }).toBe(`So. ${SCRIPT}`);
    await saved(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.reload();
    await page.getByRole('button', { name: 'The next slide' }).tap();
    await group(page, 'Move').tap();
    await expect(knot(page, 2)).toBeVisible();
  },
);
