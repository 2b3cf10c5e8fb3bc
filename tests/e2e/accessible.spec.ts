import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from './test';
import { close, draw } from './own';
import { signIn } from './helpers';

/** WCAG 2.2 AA as far as axe can tell, on each main view. */
async function finds(page: Page) {
  await page.waitForTimeout(600);
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return violations.map(
    (v) =>
      `${v.id}: ${v.nodes
        .map((n) => n.target.join(' '))
        .slice(0, 3)
        .join(' | ')}`,
  );
}

test('axe finds nothing on the sign-in page', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
});

test("axe finds nothing on a student's places", async ({ page }) => {
  await signIn(page, 'tilda');
  expect(await finds(page)).toEqual([]);
  await page.getByRole('link', { name: 'The Mill That Borrowed the Moon', exact: true }).click();
  await expect(page.getByRole('row').first()).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.getByRole('row').nth(1).getByText('2', { exact: true }).first().click();
  await expect(page.getByRole('region', { name: 'The chosen slides' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  for (const name of [/^Proof:/, 'The story']) {
    await draw(page, name as 'The story');
    expect(await finds(page)).toEqual([]);
    await close(page);
  }
  await page.getByText('All slides', { exact: true }).click();
  await expect(page.getByRole('group', { name: 'What is done with the chosen slides' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.getByText('One slide', { exact: true }).click();
  for (const group of ['Frame', 'Light', 'Look', 'Move', 'Words', 'Slide']) {
    await page.getByRole('radiogroup', { name: 'What is set' }).getByText(group, { exact: true }).click();
    if (group === 'Frame') await page.getByText('Crop', { exact: true }).click();
    expect(await finds(page), group).toEqual([]);
  }
  await page.getByRole('link', { name: 'Film', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Proof' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.getByRole('link', { name: 'Booth', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Record' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
});

test("axe finds nothing on a teacher's places", async ({ page }) => {
  await signIn(page, 'maren');
  expect(await finds(page)).toEqual([]);
  await page.getByRole('link', { name: /for your answer|See the hand-ins/ }).click();
  await expect(page.getByRole('heading', { name: 'Nothing handed in yet' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.getByRole('link', { name: 'The Mill That Borrowed the Moon', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Your answer' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
});

test('no page needs to be scrolled sideways, from a phone on', async ({ page }) => {
  await signIn(page, 'tilda');
  for (const width of [360, 768, 1024, 1920]) {
    await page.setViewportSize({ width, height: 800 });
    for (const place of ['/', '']) {
      if (place === '/') await page.goto('/');
      else await page.getByRole('link', { name: 'The Mill That Borrowed the Moon', exact: true }).click();
      await page.waitForTimeout(500);
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
        `${place} at ${width}`,
      ).toBeLessThanOrEqual(0);
    }
  }
});
