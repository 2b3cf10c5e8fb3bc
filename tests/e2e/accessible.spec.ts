import { finds } from './axe';
import { expect, test } from './test';
import { close, draw } from './own';
import { signIn } from './helpers';

test('axe finds nothing on the sign-in page', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.getByText('I have a card').click();
  expect(await finds(page)).toEqual([]);
  await page.getByText('Pictures', { exact: true }).click();
  await page.getByRole('button', { name: 'Snail' }).click();
  expect(await finds(page)).toEqual([]);
  await page.goto('/join');
  await expect(page.getByRole('button', { name: 'Join the class' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
});

test("axe finds nothing on an administrator's places, nor where one is invited", async ({ page }) => {
  await signIn(page, 'edda');
  await page.getByRole('link', { name: 'The school' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Orrinhythe School' })).toBeVisible();
  await page.getByRole('button', { name: 'Invite an administrator' }).click();
  expect(await finds(page)).toEqual([]);
  const link = await page.getByLabel('Link', { exact: true }).inputValue();
  await page.getByRole('link', { name: 'Class 6' }).click();
  await page.getByRole('button', { name: 'Show a code' }).click();
  await page.getByRole('button', { name: 'New card for “Wren”' }).click();
  await expect(page.getByRole('link', { name: 'See the cards' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.getByRole('link', { name: 'See the cards' }).click();
  await expect(page.getByRole('button', { name: 'Print the cards' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Make your account' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
});

test('axe finds nothing where one keeps one’s account', async ({ page }) => {
  await signIn(page, 'edda');
  await page.getByRole('link', { name: 'My account' }).click();
  await page.getByRole('button', { name: 'Turn it on' }).click();
  await expect(page.getByLabel('Six digits of your device')).toBeVisible();
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
  await page.getByRole('link', { name: 'Set a task' }).first().click();
  await expect(page.getByRole('button', { name: 'Set the task' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.goto('/');
  const sample = page.getByRole('region', { name: 'Class 6' });
  await sample.getByRole('link', { name: /for your answer|See the hand-ins/ }).click();
  await expect(page.getByRole('heading', { name: 'Everybody' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  const list = page.url();
  await page.getByRole('listitem').getByRole('link', { name: 'The Mill That Borrowed the Moon', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Your answer' })).toBeVisible();
  await page.getByRole('button', { name: 'Leave a remark at this moment' }).click();
  expect(await finds(page)).toEqual([]);
  await page.goto(`${list}/rubric`);
  await expect(page.getByRole('button', { name: 'Save the rubric' })).toBeVisible();
  expect(await finds(page)).toEqual([]);
  await page.goto(`${list}/screening`);
  await expect(page.getByRole('button', { name: 'Draw lots for the order' })).toBeVisible();
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
