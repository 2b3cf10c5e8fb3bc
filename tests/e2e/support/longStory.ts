import { readFileSync } from 'node:fs';
import { bringIn } from './story';
import type { Page } from './test';

interface View {
  id: string;
  revision: number;
  story: { slides: { id: string }[] };
}

const headers = { 'X-Rhapsode': '1' };

/** A story of many slides, of one picture. */
export async function many(page: Page, title: string, count: number): Promise<{ id: string; slides: string[] }> {
  const { request } = page;
  const { id } = (await (await request.post('/api/stories', { data: { title }, headers })).json()) as View;
  await bringIn(request, id, readFileSync('demo/pictures/low-water.jpg'));
  for (;;) {
    const view = (await (await request.get(`/api/stories/${id}`)).json()) as View;
    const missing = count - view.story.slides.length;
    if (missing <= 0) return { id, slides: view.story.slides.map((slide) => slide.id) };
    const slides = view.story.slides.slice(1, 1 + missing).map((slide) => slide.id);
    const edits = [{ do: 'duplicate slides', slides, copies: slides.map(() => crypto.randomUUID()) }];
    await request.post(`/api/stories/${id}/edits`, {
      data: { edits },
      headers: { ...headers, 'If-Match': `"${view.revision}"` },
    });
  }
}

/** The order of a story's slides, as the server has it. */
export const orderOf = async (page: Page, id: string): Promise<string[]> =>
  ((await (await page.request.get(`/api/stories/${id}`)).json()) as View).story.slides.map((slide) => slide.id);
