import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { signIn } from './people';
import { type Page, expect } from './test';

export type Planned = { start: number; end: number; comesIn: number };
type Play = { bus: string; start: number; end: number };

/** The made film of a story of Pim's, and its plan. */
export async function filmOf(page: Page, title: string) {
  await signIn(page, 'pim');
  await page.getByRole('link', { name: title, exact: true }).click();
  await expect(page.getByRole('row').first()).toBeVisible();
  const address = page.url().replace(/.*stories\//, '/api/stories/');
  await expect
    .poll(async () => (await (await page.request.get(address)).json()).film.state, {
      timeout: 200_000,
      intervals: [2000],
    })
    .toBe('done');
  const { film, plan } = await (await page.request.get(address)).json();
  const folder = mkdtempSync(join(tmpdir(), 'same-'));
  const path = join(folder, 'film.mp4');
  writeFileSync(path, await (await page.request.get(`/api/films/${film.id}/film.mp4`)).body());
  return { path, folder, plan: plan as { fps: number; frames: number; scenes: Planned[]; plays: Play[] } };
}
