import AxeBuilder from '@axe-core/playwright';
import { signIn } from './support/people';
import { saved } from './support/sheet';
import { begin, view } from './support/story';
import { type Page, expect, test } from './support/test';

const script = (page: Page) => page.getByRole('region', { name: 'Script' });
const present = (page: Page) => script(page).locator('[aria-current]');
const shown = (page: Page) => page.locator('.picture .stage').evaluate((stage) => stage.innerHTML);

async function written(page: Page, title: string) {
  await begin(page, 'juno', title);
  await page
    .getByLabel('Script of slide 2')
    .fill('It rose. Then the whole village went up to the mill and looked at it.');
  await page.getByLabel('Script of slide 2').blur();
  await saved(page);
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByRole('button', { name: 'Next slide' }).click();
  await expect(page.getByText('slide 2 of 4')).toBeVisible();
}

test(
  'who rehearses sees the picture move, hears no film, and knows how long the script takes',
  { tag: '@deep' },
  async ({ page }) => {
    await written(page, 'Rehearsed');
    await expect(page.getByText(/^About [\d.]+ s at a calm pace, 130 words a minute\.$/)).toBeVisible();
    await expect(present(page)).toHaveCount(0);
    const still = await shown(page);
    await page.getByRole('button', { name: 'Rehearse' }).click();
    await expect(page.getByRole('status').getByText(/^0:0\d of about 0:0\d$/)).toBeVisible();
    await expect(present(page)).toHaveText('It rose. ');
    await expect(present(page)).toHaveText('Then the whole village went up to the mill and looked at it.');
    await expect.poll(() => shown(page)).not.toBe(still);
    expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
    await page.getByRole('button', { name: 'Stop rehearsing' }).click();
    await expect(present(page)).toHaveCount(0);

    // By a key, without a connection; another slide ends it.
    await page.context().setOffline(true);
    await page.keyboard.press('r');
    await expect(page.getByRole('button', { name: 'Stop rehearsing' })).toBeVisible();
    await expect(present(page)).toHaveText('It rose. ');
    await page.keyboard.press('n');
    await expect(page.getByText('slide 3 of 4')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Rehearse', exact: true })).toBeVisible();
    await expect(script(page).getByText('No script for this slide yet.', { exact: false })).toBeVisible();
    await page.context().setOffline(false);
    // Nothing of it is in the story.
    expect((await view(page)).story.slides.every(({ voice }: { voice: unknown[] }) => voice.length === 0)).toBe(true);
  },
);

test('the script is as large as one likes, in plain letters, and so it stays; on a phone too', async ({ page }) => {
  await written(page, 'Read from afar');
  const size = () => script(page).evaluate((text) => Number.parseFloat(getComputedStyle(text).fontSize));
  const usual = await size();
  const sizes = page.getByRole('radiogroup', { name: 'Size of the script' });
  await sizes.getByText('A+', { exact: true }).click();
  expect(await size()).toBeGreaterThan(usual * 1.2);
  await sizes.getByText('A', { exact: true }).click();
  expect(await size()).toBe(usual);
  await sizes.getByText('A++', { exact: true }).click();
  const largest = await size();
  expect(largest).toBeGreaterThan(usual * 1.4);
  await page.keyboard.press('ArrowLeft');
  expect(await size()).toBeLessThan(largest);
  await page.keyboard.press('ArrowRight');
  await page.getByText('Plain letters, more room').click();
  await expect(script(page)).toHaveCSS('font-family', /Atkinson/);
  await page.reload();
  await expect.poll(size).toBe(largest);
  await expect(script(page)).toHaveCSS('font-family', /Atkinson/);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await size()).toBeGreaterThan(25);
  const [record, rehearse] = [
    page.getByRole('button', { name: 'Record' }),
    page.getByRole('button', { name: 'Rehearse' }),
  ];
  await rehearse.click();
  await expect(present(page)).toHaveText('It rose. ');
  await expect(record).toBeInViewport();
  expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
});

test('what was spoken tells how fast somebody speaks, and whether the film is as long as was asked for', async ({
  page,
}) => {
  await signIn(page, 'tilda');
  await page
    .getByRole('link', { name: /Borrowed the Moon/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Booth' }).click();
  await expect(
    page.getByText(/^About [\d.]+ s at your pace, \d+ words a minute\. The film will be about .+ long[:.].*$/),
  ).toBeVisible();
});
