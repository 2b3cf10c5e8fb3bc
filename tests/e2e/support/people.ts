import { expect, type Page } from '@playwright/test';

const headers = { 'X-Rhapsode': '1' };
/** The tests' sample is a school for each worker, its people by the same first names; the demo's is one for all. */
const OWN = process.env.SCHOOLS ? `-${Number(process.env.TEST_PARALLEL_INDEX ?? 0) + 1}` : '';
/** What somebody of the sample school types to sign in. */
export const signInName = (name: string) => `${name}${OWN}`;
export const PASSWORD = 'tide-mill';

/** What a signed-in person's browser holds: each signs in once for each worker. */
const sessions = new Map<string, Awaited<ReturnType<ReturnType<Page['context']>['cookies']>>>();

/** The browser is somebody's of the sample school, without the form (which account.spec fills in). */
export async function become(page: Page, name: string) {
  const context = page.context();
  const kept = sessions.get(name);
  if (kept) {
    await context.addCookies(kept);
    // Whoever signed out in an earlier test is no longer in.
    if ((await (await page.request.get('/api/session')).json()) !== null) return;
    await context.clearCookies();
  }
  const data = { name: signInName(name), password: PASSWORD };
  const answer = await page.request.post('/api/session/begin', { data, headers });
  expect(answer.status(), `${name} signs in`).toBe(200);
  sessions.set(name, await context.cookies());
}

/** Somebody of the sample school comes to their desk. */
export async function signIn(page: Page, name: string) {
  await become(page, name);
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('desk');
}
