import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { pictures } from './files';
import { become } from './people';
import { rows } from './sheet';
import { type APIRequestContext, type Page, expect } from './test';
import type { Slide } from '../../../web/api/types';

/** Files, as they are chosen from a folder. */
export async function choosing(page: Page, files: string[]) {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in pictures' }).click(),
  ]);
  await chooser.setFiles(files);
}

/**
 * Somebody's own new story, begun and filled by the very requests that a page makes, and opened. What files do in a page is
 * looked at by gather.spec and path.spec.
 * @param files that it is made of; pictures of three shapes where none are named
 */
export async function begin(page: Page, name: string, title: string, files = pictures()) {
  await become(page, name);
  const begun = await (await page.request.post('/api/stories', { data: { title }, headers: own })).json();
  const after = (begun.story.slides as Slide[]).map(({ id }) => id);
  for (const path of files.toSorted((a, b) => basename(a).localeCompare(basename(b), 'en', { numeric: true }))) {
    const slide = crypto.randomUUID();
    const kind = /\.(mp4|mov|webm)$/.test(path) ? 'clip' : 'picture';
    await bringIn(page.request, begun.id, readFileSync(path), { kind, file: basename(path), slide, after: [...after] });
    after.unshift(slide);
  }
  await page.goto(`/stories/${begun.id}`);
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
