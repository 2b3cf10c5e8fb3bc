import { expect, type Locator, type Page } from '@playwright/test';

export const rows = (page: Page) => page.getByRole('row');

/** The order of the sheet, by the pictures' names. */
export async function order(page: Page): Promise<string[]> {
  const names = await rows(page).evaluateAll((all) =>
    all.map((row) =>
      /, title$/.test(row.getAttribute('aria-label') ?? '')
        ? 'title'
        : (row.querySelector('img')?.getAttribute('alt') ?? ''),
    ),
  );
  return names;
}

export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

/** Chooses from a list of choices, by its label: an option by its name, or by its place. */
export async function chooseFrom(within: Page | Locator, label: string, option: string | number) {
  await within.getByRole('button', { name: new RegExp(`${label}$`) }).click();
  const page = 'page' in within ? within.page() : within;
  const options = page.getByRole('option');
  await (
    typeof option === 'number' ? options.nth(option) : page.getByRole('option', { name: option, exact: true })
  ).click();
}

export const choose = (page: Page, n: number) =>
  rows(page)
    .nth(n)
    .getByText(String(n + 1), { exact: true })
    .first()
    .click();
export const panel = (page: Page) => page.getByRole('region', { name: 'The chosen slides' });
export const whole = (page: Page) => page.getByRole('region', { name: 'The story' });
export const proof = (page: Page) => page.getByRole('region', { name: 'Proof' });
/** Opens a sheet that is drawn over the page: the story's own, or Proof's. */
export async function draw(page: Page, sheet: 'The story' | RegExp) {
  await page.getByRole('button', { name: sheet, exact: typeof sheet === 'string' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
}
export async function close(page: Page) {
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
}
