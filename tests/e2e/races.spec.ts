import { PASSWORD, signInName } from './support/people';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Film } from '../../web/api/types';
import { bringIn } from './support/story';
import { type APIRequestContext, expect, test } from './support/test';

/** Every act twice at once: one truth, nothing that was acknowledged is lost, and no answer of 500. */
const own = { 'X-Rhapsode': '1' };
async function as(request: APIRequestContext, name: string) {
  const answer = await request.post('/api/session/begin', {
    data: { name: signInName(name), password: PASSWORD },
    headers: own,
  });
  expect(answer.ok()).toBe(true);
}
const picture = (n: number) => {
  const path = join(mkdtempSync(join(tmpdir(), 'race-')), `${n}.jpg`);
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-f',
    'lavfi',
    '-i',
    `testsrc2=s=1280x720:d=1`,
    '-vf',
    `hue=h=${n}`,
    '-frames:v',
    '1',
    path,
  ]);
  return readFileSync(path);
};
async function begun(request: APIRequestContext, title: string, assignment?: string) {
  const view = await (await request.post('/api/stories', { data: { title, assignment }, headers: own })).json();
  return view as { id: string; revision: number; story: { slides: { id: string }[] } };
}
const bring = (request: APIRequestContext, story: string, buffer: Buffer) => bringIn(request, story, buffer);
const times = <T>(n: number, act: (i: number) => Promise<T>) =>
  Promise.all(Array.from({ length: n }, (_, i) => act(i)));
const slides = async (request: APIRequestContext, story: string) =>
  ((await (await request.get(`/api/stories/${story}`)).json()) as { story: { slides: unknown[] } }).story.slides;

test('the same picture sent five times at once comes in once', async ({ request }) => {
  await as(request, 'oskar');
  const story = await begun(request, 'Five at once');
  const one = picture(1);
  const came = await times(5, () => bring(request, story.id, one));
  expect(came.map(({ state }) => state)).toEqual(Array(5).fill('ready'));
  const [first] = came.filter(({ same }) => same === null);
  expect(came.filter(({ same }) => same === first?.id)).toHaveLength(4);
  expect(await slides(request, story.id)).toHaveLength(2);
  expect((await bring(request, story.id, one)).same).toBe(first?.id);
});

test(
  'many pictures at once: they are made ready one after another, and the pages are answered meanwhile',
  { tag: '@deep' },
  async ({ request }) => {
    await as(request, 'oskar');
    const story = await begun(request, 'Many at once');
    const done = times(8, (i) => bring(request, story.id, picture(10 + i)));
    // With the same cookie: no request waits for another's session.
    const health = await times(5, async () => (await request.get('/api/desk')).status());
    expect(health).toEqual([200, 200, 200, 200, 200]);
    expect((await done).map(({ state, same }) => [state, same])).toEqual(Array(8).fill(['ready', null]));
    expect(await slides(request, story.id)).toHaveLength(9);
  },
);

test('pictures sent side by side stand in their order, whichever is ready first', async ({ request }) => {
  await as(request, 'oskar');
  for (let round = 0; round < 4; round += 1) {
    const story = await begun(request, `Side by side ${round}`);
    const title = story.story.slides[0]?.id ?? '';
    const ids = ['a', 'b'];
    await times(2, (i) =>
      bringIn(request, story.id, picture(70 + round * 2 + i), {
        slide: ids[i] ?? '',
        after: [...ids.slice(0, i).reverse(), title],
      }),
    );
    expect(((await slides(request, story.id)) as { id: string }[]).map((s) => s.id)).toEqual([title, 'a', 'b']);
  }
});

test('two parts of one number at once: the one that was acknowledged is the one that is kept', async ({ request }) => {
  await as(request, 'oskar');
  const story = await begun(request, 'Parts at once');
  for (let round = 0; round < 25; round += 1) {
    const take = await (
      await request.post(`/api/stories/${story.id}/assets`, { data: { kind: 'voice' }, headers: own })
    ).json();
    const put = (text: string) =>
      request.put(`/api/assets/${take.id}/parts/0`, {
        data: text,
        headers: { ...own, 'Content-Type': 'application/octet-stream' },
      });
    const texts = [`round ${round}, what was said`, `round ${round}, something else`];
    const answers = await Promise.all(texts.map(put));
    expect(answers.map((a) => a.status()).sort()).toEqual([204, 409]);
    const kept = texts[answers.findIndex((a) => a.status() === 204)] ?? '';
    expect((await put(kept)).status(), 'sent again, it is the same').toBe(204);
    for (const other of texts.filter((t) => t !== kept)) expect((await put(other)).status()).toBe(409);
  }
});

test(
  'a film ordered three times at once is one film, and handed in twice at once one hand-in',
  { tag: '@deep' },
  async ({ request }) => {
    test.setTimeout(200_000);
    await as(request, 'oskar');
    const desk = await (await request.get('/api/desk')).json();
    const assignment = desk.assignments[0].id as string;
    const story = await begun(request, 'Ordered at once', assignment);
    await bring(request, story.id, picture(30));
    const orders = await times(3, () =>
      request.post(`/api/stories/${story.id}/films`, { data: { size: 'small' }, headers: own }),
    );
    const films = new Set(await Promise.all(orders.map(async (o) => ((await o.json()) as { id: string }).id)));
    expect(orders.map((o) => o.status()).sort()).toEqual([200, 200, 202]);
    expect(films.size).toBe(1);
    const [film] = films;
    const made = async () => {
      const { state, problems } = (await (await request.get(`/api/films/${film}`)).json()) as Film;
      return { state, problems };
    };
    // Made, and played through.
    await expect.poll(made, { timeout: 180_000, intervals: [500] }).toEqual({ state: 'done', problems: [] });

    const handIns = await times(3, () =>
      request.post(`/api/assignments/${assignment}/handins`, { data: { film }, headers: own }),
    );
    expect(handIns.map((h) => h.status()).sort()).toEqual([201, 409, 409]);
    const view = await (await request.get(`/api/stories/${story.id}`)).json();
    expect(view.handIns.map((h: { number: number }) => h.number)).toEqual([1]);

    // Two answers at once: one stands, whoever gave it.
    const handIn = view.handIns[0].id as string;
    await as(request, 'maren');
    const answers = await Promise.all([
      request.post(`/api/handins/${handIn}/answer`, { data: { state: 'accepted' }, headers: own }),
      request.post(`/api/handins/${handIn}/answer`, { data: { state: 'returned', answer: 'Mend it.' }, headers: own }),
      request.post(`/api/handins/${handIn}/remarks`, { data: { seconds: 1, text: 'Late?' }, headers: own }),
    ]);
    expect(
      answers
        .slice(0, 2)
        .map((a) => a.status())
        .sort(),
    ).toEqual([200, 409]);
    const stands = answers[0]?.ok() ? 'accepted' : 'returned';
    expect((await (await request.get(`/api/handins/${handIn}`)).json()).state).toBe(stands);
  },
);

test('stopping a film while it ends leaves it stopped or made, never both', { tag: '@deep' }, async ({ request }) => {
  test.setTimeout(240_000);
  await as(request, 'oskar');
  const outcomes = new Set<string>();
  for (let round = 0; round < 6; round += 1) {
    const story = await begun(request, `Stopped ${round}`);
    await bring(request, story.id, picture(40 + round));
    const film = (
      await (await request.post(`/api/stories/${story.id}/films`, { data: { size: 'small' }, headers: own })).json()
    ).id as string;
    const look = async () =>
      (await (await request.get(`/api/films/${film}`)).json()) as { state: string; framesDone: number };
    // At another moment each time, the last ones while the pieces are joined.
    await expect
      .poll(
        async () => {
          const { state, framesDone } = await look();
          return ['joining', 'done'].includes(state) || framesDone >= round * 60;
        },
        { timeout: 60_000, intervals: [20] },
      )
      .toBe(true);
    const cancelled = (await request.post(`/api/films/${film}/cancel`, { headers: own })).status();
    expect([200, 409]).toContain(cancelled);
    const truth = cancelled === 200 ? 'cancelled' : 'done';
    await new Promise((wake) => setTimeout(wake, 1500));
    expect((await look()).state, `round ${round}`).toBe(truth);
    expect((await request.get(`/api/films/${film}/film.mp4`)).status()).toBe(truth === 'done' ? 200 : 404);
    outcomes.add(truth);
  }
  expect(outcomes.has('cancelled')).toBe(true);
});

test('slides pasted from another story three times at once come in once, with one copy of their picture', async ({
  request,
}) => {
  await as(request, 'oskar');
  const from = await begun(request, 'Copied from');
  await bring(request, from.id, picture(77));
  const [, slide] = await slides(request, from.id);
  const into = await begun(request, 'Pasted into');
  const paste = (revision: number) =>
    request.post(`/api/stories/${into.id}/slides`, {
      data: { from: from.id, slides: [slide], ids: [crypto.randomUUID()], after: null },
      headers: { ...own, 'If-Match': `"${revision}"` },
    });
  const answers = await times(3, () => paste(into.revision));
  expect(answers.map((a) => a.status()).sort()).toEqual([200, 412, 412]);
  expect(await slides(request, into.id)).toHaveLength(2);
  expect((await paste(into.revision + 1)).status()).toBe(200);
  const view = (await (await request.get(`/api/stories/${into.id}`)).json()) as { story: { assets: object } };
  expect(Object.keys(view.story.assets)).toHaveLength(1);
});

test('two edits on one revision at once: one is done, the other is told', async ({ request }) => {
  await as(request, 'oskar');
  const story = await begun(request, 'Edited at once');
  const rename = (title: string) =>
    request.post(`/api/stories/${story.id}/edits`, {
      data: { edits: [{ do: 'rename', title }] },
      headers: { ...own, 'If-Match': `"${story.revision}"` },
    });
  const answers = await Promise.all(['One', 'Two', 'Three'].map(rename));
  expect(answers.map((a) => a.status()).sort()).toEqual([200, 412, 412]);
});

test('what is deleted is not served, and a foreign name of the host is not answered', async ({ request, baseURL }) => {
  await as(request, 'oskar');
  const story = await begun(request, 'Deleted');
  const added = await bring(request, story.id, picture(60));
  const address = `/api/stories/${story.id}/assets/${added.id}/thumb.jpg`;
  const seen = await request.get(address);
  expect(seen.status()).toBe(200);
  expect(seen.headers()['cache-control']).toContain('no-cache');
  expect((await request.get(address, { headers: { 'If-None-Match': seen.headers().etag ?? '' } })).status()).toBe(304);
  await request.delete(`/api/stories/${story.id}`, { headers: own });
  expect((await request.get(address, { headers: { 'If-None-Match': seen.headers().etag ?? '' } })).status()).toBe(404);
  expect(
    execFileSync('curl', [
      '-s',
      '-o',
      '/dev/null',
      '-w',
      '%{http_code}',
      '-H',
      'Host: elsewhere.example',
      `${baseURL}/`,
    ]).toString(),
  ).toBe('421');
});
