import { readFileSync } from 'node:fs';
import { finds } from './support/axe';
import { spokenFor } from './support/microphone';
import { signIn } from './support/people';
import { chooseFrom } from './support/sheet';
import { begin, view } from './support/story';
import { type Page, expect, test } from './support/test';

/** What was spoken goes in two cases only: the server has it ready, or its maker deletes it. */
async function speaks(page: Page, title: string) {
  await begin(page, 'wren', title);
  await page.goto(`${page.url()}/booth`);
  await page.getByRole('button', { name: 'Turn the microphone on' }).click();
  await page.getByText('Count in').click();
  await page.getByRole('button', { name: 'Record' }).click();
  await spokenFor(page, 2);
  await page.getByRole('button', { name: 'Stop' }).click();
}
const here = (page: Page) => page.getByRole('region', { name: 'Kept in this browser only' });
const refuses = (page: Page, address: string, status: number, code: string) =>
  page.context().route(address, (route) => route.fulfill({ status, json: { code } }));
const voices = async (page: Page, n: number) => (await view(page)).story.slides[n].voice.length as number;

test('a recording that the server would not have is told, heard, saved as a file, and had when it is tried again', async ({
  page,
}) => {
  await refuses(page, '**/api/assets/*/finish', 413, 'problem.too-large');
  await speaks(page, 'Too much for it');
  const story = page.url().replace(/\/booth.*/, '');
  await page.getByRole('button', { name: 'See what to do' }).click();
  await expect(here(page)).toContainText('A recording could not be saved. It is kept in this browser only.');
  // At the next visit too.
  await page.reload();
  await here(page).getByRole('button', { name: 'See what to do' }).click();
  const sheet = page.getByRole('dialog');
  expect(await finds(page)).toEqual([]);
  await sheet.getByRole('button', { name: /^Hear what was spoken/ }).click();
  await expect(sheet.getByRole('button', { name: /^Hear what was spoken/ })).toHaveAttribute('aria-pressed', 'true');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('link', { name: 'Save as a sound file' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^recording-[\d-]+\.webm$/);
  expect(readFileSync(await file.path()).length).toBeGreaterThan(5000);
  await sheet.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('That file is too large.')).toHaveCount(2);
  await expect(sheet.getByRole('button', { name: 'Try again' })).toBeEnabled();
  await page.context().unroute('**/api/assets/*/finish');
  await sheet.getByRole('button', { name: 'Try again' }).dblclick();
  await expect(page.getByText('The recording is safe, and its slide speaks with it.')).toBeVisible();
  await expect(here(page)).toHaveCount(0);
  await page.goto(story);
  expect(await voices(page, 0)).toBe(1);
});

test('at 390, by keyboard: a recording that nobody may put there goes on another slide, or is deleted and brought back', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await refuses(page, '**/api/stories/*/assets', 403, 'problem.not-found');
  await speaks(page, 'Somewhere else');
  const story = page.url().replace(/\/booth.*/, '');
  await expect(page.getByRole('button', { name: 'See what to do' })).toBeVisible();
  await page.goto('/');
  await expect(here(page)).toBeVisible();
  const press = async (name: string) => {
    await page.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
  };
  await press('See what to do');
  await press('Delete it');
  await expect(here(page)).toHaveCount(0);
  await press('Bring it back');
  await expect(here(page)).toBeVisible();
  await page.context().unroute('**/api/stories/*/assets');
  await press('See what to do');
  const sheet = page.getByRole('dialog');
  await press('Put it on another slide');
  await chooseFrom(sheet, 'Story', 'Somewhere else');
  await chooseFrom(sheet, 'Slide', '3');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await press('Put it there');
  await expect(page.getByText('The recording is safe, and its slide speaks with it.')).toBeVisible();
  await page.goto(story);
  expect([await voices(page, 0), await voices(page, 2)]).toEqual([0, 1]);
});

test('a session that ended while somebody spoke: the recording is sent when they are back', async ({ page }) => {
  await refuses(page, '**/api/assets/*/finish', 401, 'account.sign-in-first');
  await speaks(page, 'Signed out meanwhile');
  const story = page.url().replace(/\/booth.*/, '');
  await expect.poll(async () => page.getByRole('alert').allInnerTexts()).not.toEqual([]);
  await page.context().unroute('**/api/assets/*/finish');
  await signIn(page, 'wren');
  await expect(page.getByText('The recording is safe, and its slide speaks with it.')).toBeVisible();
  await page.goto(story);
  expect(await voices(page, 0)).toBe(1);
});
