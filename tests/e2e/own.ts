import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { rows, signIn } from './helpers';
import type { Slide } from '../../web/api/types';
import { expect, type Page } from './test';

/** A story of one's own, with pictures and voices that are not the sample's. */
export const at = mkdtempSync(join(tmpdir(), 'own-'));
/** How each was made that is there: what many tests use is made once. */
const made = new Map<string, string>();
export const make = (name: string, ...how: string[]) => {
  const told = JSON.stringify(how);
  if (made.get(name) !== told) execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', ...how, join(at, name)]);
  made.set(name, told);
  return join(at, name);
};
const pictures = () => [
  make('1 fern.jpg', '-i', 'mandelbrot=s=1600x1200', '-frames:v', '1'),
  make('2 tower.png', '-i', 'testsrc2=s=700x1300', '-frames:v', '1'),
  make('3 stamp.jpg', '-i', 'rgbtestsrc=s=400x225', '-frames:v', '1'),
];
export const voice = () => make('said.wav', '-i', 'sine=220:d=3', '-af', 'adelay=700:all=1,apad=pad_dur=0.7');

/** Files, as they are chosen from a folder. */
export async function choosing(page: Page, files: string[]) {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in pictures' }).click(),
  ]);
  await chooser.setFiles(files);
}

/** @param files that it is made of; pictures of three shapes where none are named */
export async function begin(page: Page, name: string, title: string, files = pictures()) {
  await signIn(page, name);
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByLabel('What is it called?').fill(title);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(rows(page)).toHaveCount(1);
  await choosing(page, files);
  const came = files.length === 1 ? '1 file came in.' : `${files.length} files came in.`;
  await expect(page.getByText(came, { exact: true })).toBeVisible({ timeout: 90_000 });
  await expect(rows(page)).toHaveCount(1 + files.length);
}
export const view = async (page: Page) =>
  (await page.request.get(page.url().replace(/.*stories\/([^/?]+).*/, '/api/stories/$1'))).json();
export const slide = async (page: Page, n: number) => (await view(page)).story.slides[n] as Slide;
export const pictureOf = (s: Slide) => {
  const [picture] = s.layers;
  if (picture?.kind !== 'picture') throw new Error('it shows no picture');
  return picture;
};
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
