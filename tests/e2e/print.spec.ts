import AxeBuilder from '@axe-core/playwright';
import { draw, saved, whole } from './support/sheet';
import { begin, view } from './support/story';
import { expect, test } from './support/test';

test('the whole story is looked at on one page, and printed', async ({ page }) => {
  await begin(page, 'juno', 'On paper');
  await page.getByLabel('Caption on slide 2').fill('The mill turns twice a day');
  await page.getByLabel('Script of slide 2').fill('Here is the mill. Nobody asks it to turn.');
  // A word without an end makes no slide wider than the others.
  await page.getByLabel('Script of slide 3').fill('x'.repeat(400));
  await page.getByLabel('Script of slide 3').blur();
  await saved(page);
  await draw(page, 'The story');
  await whole(page).getByRole('link', { name: 'Print the story' }).click();
  await expect(page.getByRole('heading', { name: 'On paper' })).toBeVisible();
  const slides = page.locator('main li');
  const { plan } = await view(page);
  await expect(slides).toHaveCount(plan.scenes.length);
  await expect(slides.nth(1)).toContainText('Here is the mill. Nobody asks it to turn.');
  await expect(slides.nth(1)).toContainText('0:05');
  await expect(slides.nth(1).locator('img[src*="/words/"]')).toBeVisible();
  const wide = await slides.evaluateAll((all) => all.map((one) => Math.round(one.getBoundingClientRect().width)));
  expect(new Set(wide).size).toBe(1);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  // To read from: one below the other, large, with what is written and how long it takes; credits are not spoken.
  const what = page.getByRole('radiogroup', { name: 'What it is for' });
  await what.getByText('To read aloud from').click();
  await expect(slides).toHaveCount(4);
  await expect(slides.nth(1)).toContainText('The mill turns twice a day');
  await expect(slides.nth(1)).toContainText(/About [\d.]+ s to say\./);
  const size = (n: number) =>
    slides
      .nth(n)
      .locator('p')
      .last()
      .evaluate((one) => Number.parseFloat(getComputedStyle(one).fontSize));
  expect(await size(1)).toBeGreaterThanOrEqual(20);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.reload();
  await expect(slides).toHaveCount(4);
  await what.getByText('To look at').click();
  await expect(slides).toHaveCount(plan.scenes.length);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  // The browser's own dialog is not opened in a test; that it is asked for is.
  await page.evaluate(() => {
    window.print = () => {
      document.title = 'printed';
    };
  });
  await page.getByRole('button', { name: 'Print', exact: true }).click();
  await expect(page).toHaveTitle('printed');
  // On paper there is nothing to press, and every picture is there.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button')).toHaveCount(0);
  for (let n = 0; n < plan.scenes.length; n += 1) await slides.nth(n).scrollIntoViewIfNeeded();
  await expect
    .poll(() =>
      slides.locator('img').evaluateAll((all) => all.every((one) => (one as HTMLImageElement).naturalWidth > 0)),
    )
    .toBe(true);
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(20_000);
});
