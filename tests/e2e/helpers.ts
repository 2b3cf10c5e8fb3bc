import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export async function signIn(page: Page, name: string) {
  await page.goto('/');
  // The browser remembers how somebody came in last.
  await page.getByText('I have an account').click();
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('tide-mill');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('desk');
}

/** A folder of pictures as people have them: numbered, one of them twice, one of them broken, one a phone's upright HEIC. */
export function folder() {
  const at = mkdtempSync(join(tmpdir(), 'pictures-'));
  const put = (from: string, name: string) => {
    copyFileSync(`demo/pictures/${from}.jpg`, join(at, name));
    return join(at, name);
  };
  const files = [
    put('the-great-wheel', '10 wheel.jpg'),
    put('dawn-over-the-wend', '1 dawn.jpg'),
    put('low-water', '2 low water.jpg'),
  ];
  const png = join(at, 'h.png');
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-i',
    'demo/pictures/heron-in-the-reeds.jpg',
    '-vf',
    'scale=450:-2,format=rgb24',
    png,
  ]);
  const heic = join(at, '11 heron.heic');
  execFileSync('heif-enc', ['-q', '60', '-o', heic, png]);
  const twin = put('low-water', 'copy of low water.jpg');
  const broken = join(at, 'broken.jpg');
  writeFileSync(broken, Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]));
  return { files: [...files, heic], twin, broken };
}

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

export function probe(path: string): Record<string, string> {
  const out = execFileSync('ffprobe', [
    '-v',
    'error',
    '-count_frames',
    '-show_streams',
    '-show_format',
    '-of',
    'flat',
    path,
  ]).toString();
  return Object.fromEntries(
    out
      .trim()
      .split('\n')
      .map((line) =>
        line
          .split(/=(.*)/s)
          .slice(0, 2)
          .map((part) => part.replace(/^"|"$/g, '')),
      ),
  ) as Record<string, string>;
}

/** Chooses from a list of choices, by its label: an option by its name, or by its place. */
export async function chooseFrom(within: Page | Locator, label: string, option: string | number) {
  await within.getByRole('button', { name: new RegExp(`${label}$`) }).click();
  const page = 'page' in within ? within.page() : within;
  const options = page.getByRole('option');
  await (
    typeof option === 'number' ? options.nth(option) : page.getByRole('option', { name: option, exact: true })
  ).click();
}

const own = { 'X-Rhapsode': '1' };
export interface Came {
  id: string;
  state: string;
  problem: string | null;
  same: string | null;
}

/** Sends a file in as the page does, and waits until it is made ready. */
export async function bringIn(
  request: APIRequestContext,
  story: string,
  buffer: Buffer,
  { kind = 'picture', file = 'p.jpg', slide = crypto.randomUUID() as string, after = [] as string[] } = {},
): Promise<Came> {
  const data = { kind, file, slide, after };
  const begun = (await (await request.post(`/api/stories/${story}/assets`, { data, headers: own })).json()) as Came;
  const headers = { ...own, 'Content-Type': 'application/octet-stream' };
  expect((await request.put(`/api/assets/${begun.id}/parts/0`, { data: buffer, headers })).status()).toBe(204);
  await request.post(`/api/assets/${begun.id}/finish`, { data: { parts: 1 }, headers: own });
  let came = begun;
  await expect
    .poll(
      async () => {
        came = (await (await request.get(`/api/assets/${begun.id}`)).json()) as Came;
        return came.state;
      },
      { timeout: 60_000, intervals: [200] },
    )
    .toMatch(/ready|refused/);
  return came;
}

/** Speaks on until the recorder's clock has come to so many seconds. A second may pass between two looks at it. */
export const spokenFor = (page: Page, seconds: number) =>
  expect
    .poll(async () => {
      const shown = await page
        .getByRole('status')
        .filter({ hasText: /^\d:\d\d$/ })
        .allInnerTexts();
      return Math.max(-1, ...shown.map((text) => Number(text.split(':')[0]) * 60 + Number(text.split(':')[1])));
    })
    .toBeGreaterThanOrEqual(seconds);
