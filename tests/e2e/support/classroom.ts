import type { Browser, Page } from '@playwright/test';
import { expect } from './test';

/** Names that no run before this one gave, where the database is not a fresh one. */
export const RUN = Date.now().toString(36);

/** A class of one's own, by a name that no other test gives. */
export async function ownClass(page: Page, name: string) {
  await page.getByRole('button', { name: 'New class' }).click();
  await page.getByLabel('What is the class called?').fill(name);
  await page.getByRole('button', { name: 'Make the class' }).dblclick();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await expect(page.getByText('Paste a list of first names to begin.')).toBeVisible();
}
export const add = async (page: Page, list: string, said: string) => {
  await page.getByLabel('First names').fill(list);
  await page.getByRole('button', { name: 'Add to the class' }).dblclick();
  await expect(page.getByText(said)).toBeVisible();
};
export const names = (page: Page) => page.getByRole('region', { name: /student/ }).locator('li .name');
/** What stands on each card, by the name on it. */
export async function cards(page: Page) {
  await expect(page.getByRole('button', { name: 'Print the cards' })).toBeVisible();
  const found: Record<string, { word: string; words: string; address: string }> = {};
  for (const card of await page.locator('main li').all()) {
    const [word = '', text = ''] = await card.locator('dd').allTextContents();
    const pictures = card.locator('dd img');
    const words = text || (await pictures.evaluateAll((all) => all.map((one) => one.getAttribute('alt')).join(' ')));
    found[(await card.getByRole('heading').textContent()) ?? ''] = { word, words, address: await seen(card) };
  }
  return found;
}
/** What a camera reads on it: the browser draws the code, and a reader of another maker takes it up. */
export async function seen(card: ReturnType<Page['locator']>): Promise<string> {
  const { default: jsQR } = await import('jsqr');
  const { PNG } = await import('pngjs');
  const picture = PNG.sync.read(await card.locator('svg[role=img]').screenshot());
  return jsQR(new Uint8ClampedArray(picture.data), picture.width, picture.height)?.data ?? '';
}
export const nobody = async (browser: Browser, size = { width: 390, height: 844 }) =>
  (await browser.newContext({ viewport: size, hasTouch: true, isMobile: true })).newPage();
export const desk = (page: Page, name: string) =>
  page.getByRole('heading', { level: 1, name: new RegExp(`^${name}’s desk`) });
/** A child joins by the code on the board, and is on their desk. */
export async function joins(browser: Browser, code: string, name: string): Promise<Page> {
  const child = await nobody(browser);
  await child.goto('/join');
  await child.getByLabel('Code on the board').fill(code);
  await child.getByLabel('First name').fill(name);
  await child.getByRole('button', { name: 'Join the class' }).tap();
  await child.getByRole('button', { name: 'I have written it down' }).tap();
  await expect(desk(child, name)).toBeVisible();
  return child;
}
/** A child of the class who tells a story of their own and hands its film in. */
export async function handsIn(browser: Browser, code: string, name: string, picture: string): Promise<Page> {
  const child = await joins(browser, code, name);
  await tells(child, name, picture);
  return child;
}
/** Begins the story of the one task on the desk, with a picture, and hands its film in. */
export async function tells(child: Page, name: string, picture: string) {
  await child.getByRole('button', { name: 'Begin this story' }).tap();
  await child.getByLabel('What is it called?').fill(`By ${name}`);
  await child.getByRole('button', { name: 'Begin', exact: true }).tap();
  await child.locator('input[type=file]').first().setInputFiles([picture]);
  await expect(child.getByText('1 file came in.', { exact: true })).toBeVisible({ timeout: 60_000 });
  await child.getByRole('link', { name: 'Film', exact: true }).tap();
  await child.getByRole('button', { name: 'Make the film' }).tap();
  await child.getByRole('button', { name: 'Hand in', exact: true }).tap({ timeout: 180_000 });
  await expect(child.getByText('This film is handed in and waits for an answer.')).toBeVisible();
}
/** A new class of one's own with a code on its board. */
export async function openClass(page: Page, name: string): Promise<string> {
  await ownClass(page, name);
  await page.getByRole('button', { name: 'Show a code' }).click();
  return (await page.getByLabel('Code to join the class').textContent()) ?? '';
}
/** To the form of a new task for a class, its title and its least length told. */
export async function newTask(page: Page, classroom: string, title: string) {
  await page.goto('/');
  await page.getByRole('region', { name: classroom, exact: true }).getByRole('link', { name: 'Set a task' }).click();
  await page.getByLabel('Title of the task').fill(title);
  await page.getByLabel('Shortest film').fill('0');
}
