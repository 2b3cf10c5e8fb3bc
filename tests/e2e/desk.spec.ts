import { signIn } from './support/people';
import { expect, test } from './support/test';

test('a deleted story is brought back, also by somebody whose network was gone just then', async ({ page }) => {
  await signIn(page, 'ivo');
  const made = await page.request.post('/api/stories', {
    data: { title: 'Once deleted' },
    headers: { 'X-Rhapsode': '1' },
  });
  const { id } = await made.json();
  await page.reload();
  await page.getByRole('button', { name: 'Delete “Once deleted”' }).click();
  await expect(page.getByRole('link', { name: 'Once deleted', exact: true })).toBeHidden();
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByText('There is no connection at the moment.')).toBeVisible();
  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Bring it back' }).last().click();
  await expect(page.getByRole('link', { name: 'Once deleted', exact: true })).toBeVisible();
  expect((await page.request.get(`/api/stories/${id}`)).status()).toBe(200);
});
