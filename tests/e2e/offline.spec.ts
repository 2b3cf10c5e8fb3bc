import { spokenFor } from './support/microphone';
import { saved } from './support/sheet';
import { begin, view } from './support/story';
import { type Page, expect, test } from './support/test';

const kept = (page: Page) =>
  page.evaluate(async () => {
    const names = (await caches.keys()).filter((name) => name.startsWith('kept '));
    const all = await Promise.all(
      names.map(async (name) => (await (await caches.open(name)).keys()).map(({ url }) => url)),
    );
    return all.flat();
  });

test('a Booth that is opened without a connection: the story is told, and sent when there is one again', async ({
  page,
  context,
}) => {
  await begin(page, 'juno', 'On the train');
  await page.getByLabel('Script of slide 2').fill('The line ends behind the hill.');
  await page.getByLabel('Script of slide 2').blur();
  await saved(page);
  await page.getByRole('link', { name: 'Booth' }).click();
  const story = (await view(page)).id as string;
  await expect(page.getByText('works without a connection')).toBeVisible({ timeout: 30_000 });
  await page.close();

  await context.setOffline(true);
  const opened = await context.newPage();
  await opened.goto(`/stories/${story}/booth`);
  await opened.getByRole('button', { name: 'Next slide' }).click();
  await expect(opened.getByRole('region', { name: 'Script' })).toContainText('The line ends behind the hill.');
  await expect
    .poll(() =>
      opened
        .locator('.picture img')
        .evaluateAll((all) => all.some((one) => (one as HTMLImageElement).naturalWidth > 0)),
    )
    .toBe(true);
  await opened.getByText('Count in').click();
  await opened.getByRole('button', { name: 'Record' }).click();
  await spokenFor(opened, 3);
  await opened.getByRole('button', { name: 'Stop' }).click();
  await expect(opened.getByText('No connection. Your recording is kept here and will be sent.')).toBeVisible();
  await context.setOffline(false);
  await expect(opened.getByText(/^Spoken: /)).toBeVisible({ timeout: 40_000 });

  // The next one at this computer finds nothing of it.
  await opened.getByRole('link', { name: 'Back to the script' }).click();
  await opened.getByRole('button', { name: 'Sign out' }).click();
  await expect(opened.getByRole('button', { name: 'Sign in' })).toBeVisible();
  expect(await kept(opened)).toEqual([]);
  await context.setOffline(true);
  await expect(opened.goto(`/stories/${story}/booth`)).rejects.toThrow();
  await context.setOffline(false);
});

test('what a closed browser has left is nobody’s', async ({ page, context }) => {
  await begin(page, 'juno', 'Left open');
  await page.getByRole('link', { name: 'Booth' }).click();
  await expect.poll(async () => (await kept(page)).length, { timeout: 30_000 }).toBeGreaterThan(5);
  // A browser that ends forgets what is for its session only.
  await context.clearCookies();
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  expect(await kept(page)).toEqual([]);
});
