import { spokenFor } from './support/microphone';
import { choose, panel, rows, saved } from './support/sheet';
import { begin, slide, view } from './support/story';
import { expect, test } from './support/test';

/** The desk and the whole page by mouse, by keyboard and by thumb, each on a story of one's own. */
test('the desk: a story is begun or not, deleted and brought back; the keys are shown', async ({ page }) => {
  await begin(page, 'wren', 'To be deleted');
  await page.getByRole('button', { name: 'The keys' }).click();
  await expect(page.getByRole('dialog')).toContainText('move the chosen slides');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Rhapsode, to the desk' }).click();
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByRole('button', { name: 'Not now' }).click();
  await page.getByRole('button', { name: 'Delete “To be deleted”' }).click();
  await expect(page.getByRole('link', { name: 'To be deleted', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('link', { name: 'To be deleted', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByLabel('Password')).toBeVisible();
});

test(
  'preview and captions, and a film of one’s own in another size, stopped and made',
  { tag: '@deep' },
  async ({ page }) => {
    test.setTimeout(150_000);
    await begin(page, 'wren', 'Small film');
    await page.getByRole('button', { name: 'Show the captions' }).click();
    await page.getByRole('button', { name: 'Hide the captions' }).click();
    await page.getByRole('button', { name: 'Full screen' }).click();
    await page.getByRole('button', { name: 'Full screen' }).click();
    await page.getByRole('link', { name: 'Film', exact: true }).click();
    for (const label of [
      '540',
      '1080, for a big screen',
      '720, the usual',
      'WebM, free formats',
      'MP4, plays everywhere',
      'Small, for slow networks',
    ])
      await page.getByText(label, { exact: true }).click();
    await page.getByRole('button', { name: 'Make the film' }).click();
    await page.getByRole('button', { name: 'Stop making it' }).click();
    await expect(page.getByRole('button', { name: 'Make the film' })).toBeVisible();
    await page.getByText('Small, for slow networks', { exact: true }).click();
    await page.getByText('WebM, free formats', { exact: true }).click();
    await page.getByRole('button', { name: 'Make the film' }).click();
    await expect(page.getByRole('link', { name: /Download the film/ })).toBeVisible({ timeout: 120_000 });
    for (const name of [/^Download the film/, 'SubRip', 'Transcript']) {
      const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()]);
      expect(download.suggestedFilename()).toMatch(/\.(webm|srt|txt)$/);
    }
  },
);

test('all by keyboard, on a new story', async ({ page }) => {
  await begin(page, 'wren', 'By keyboard');
  await rows(page).nth(1).focus();
  await page.keyboard.press('Space');
  await expect(panel(page).getByRole('heading', { name: 'Slide 2' })).toBeVisible();
  await page.keyboard.press('Shift+ArrowDown');
  await expect(panel(page).getByRole('heading', { name: '2 slides' })).toBeVisible();
  const before = (await view(page)).story.slides.map((s: { id: string }) => s.id);
  await page.keyboard.press('Alt+ArrowDown');
  await expect
    .poll(async () => (await view(page)).story.slides.map((s: { id: string }) => s.id))
    .toEqual([before[0], before[3], before[1], before[2]]);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await view(page)).story.slides.map((s: { id: string }) => s.id)).toEqual(before);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(async () => (await slide(page, 1)).id).toBe(before[3]);
  await page.keyboard.press('Alt+c');
  await expect(rows(page)).toHaveCount(6);
  await page.keyboard.press('Delete');
  await expect(rows(page)).toHaveCount(4);
  await rows(page).nth(1).focus();
  await page.keyboard.press('Space');
  await expect(panel(page)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Choose a slide to set how long it stays')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  // A slide by its handle: Enter takes it up, the arrows carry it, Enter puts it down.
  await page.getByRole('button', { name: 'Drag slide 3' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await saved(page);
});

test('on a phone: settings are drawn up, the booth is under the thumb, no letters of a keyboard', async ({
  browser,
}) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    permissions: ['microphone'],
  });
  const page = await context.newPage();
  await begin(page, 'wren', 'On a phone');
  const header = await page.getByRole('banner').boundingBox();
  expect(header?.height ?? 999, 'two rows of header at most').toBeLessThanOrEqual(100);
  await page.getByRole('button', { name: 'The story' }).tap();
  await page.getByRole('dialog').getByText('Square').tap();
  await expect.poll(async () => (await view(page)).story.shape).toBe('1:1');
  await page.getByRole('button', { name: 'Close', exact: true }).tap();
  await choose(page, 1);
  await page.getByRole('button', { name: 'Slide 2', exact: true }).tap();
  await page.getByRole('dialog').getByText('Sweep', { exact: true }).tap();
  await expect.poll(async () => (await slide(page, 1)).transition?.kind).toBe('sweep');
  await page.getByRole('button', { name: 'Close', exact: true }).tap();
  await rows(page)
    .nth(2)
    .getByText('3', { exact: true })
    .first()
    .click({ modifiers: ['Control'] });
  await page.getByRole('button', { name: '2 slides', exact: true }).tap();
  await page.getByRole('dialog').getByText('Cut', { exact: true }).tap();
  await expect
    .poll(async () => [(await slide(page, 1)).transition?.kind, (await slide(page, 2)).transition?.kind])
    .toEqual(['cut', 'cut']);
  await page.getByRole('button', { name: 'Close', exact: true }).tap();
  await page.getByRole('link', { name: 'Booth' }).tap();
  const control = page.getByRole('button', { name: 'Record' });
  await expect(control).toBeVisible();
  const box = await control.boundingBox();
  expect(box?.y ?? 0, 'in the lower half').toBeGreaterThan(500);
  expect((box?.y ?? 999) + (box?.height ?? 0), 'and on the screen').toBeLessThanOrEqual(844);
  expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBeLessThanOrEqual(0);
  for (const key of await page.locator('kbd, .key').all()) await expect(key).toBeHidden();
  await page.getByText('Count in').tap();
  await control.tap();
  await spokenFor(page, 2);
  await page.getByRole('button', { name: 'Stop' }).tap();
  await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 30_000 });
  await context.close();
});
