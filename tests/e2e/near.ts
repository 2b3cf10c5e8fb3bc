import type { Page } from './test';

/** A slide from near: its groups of settings, and what is pulled and pressed on its picture. */
export const group = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'What is set' }).getByText(name, { exact: true });
export async function press(page: Page, key: string, times: number) {
  for (let i = 0; i < times; i += 1) await page.keyboard.press(key);
}

/** Pulls something by its middle, as a mouse does: not by its very middle, which would be a screen reader's press. */
export async function pull(page: Page, name: string, dx: number, dy: number, role: 'button' | 'slider' = 'button') {
  const box = await page.getByRole(role, { name, exact: true }).boundingBox();
  if (!box) throw new Error(`${name} is not there`);
  const [x, y] = [box.x + box.width / 2 - 3, box.y + box.height / 2 - 3];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx, y + dy, { steps: 5 });
  await page.mouse.up();
}
