import { probe } from './support/files';
import { restartDatabase, signal } from './support/services';
import { type APIRequestContext, expect, test } from './support/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

async function signedIn(request: APIRequestContext, name: string) {
  const answer = await request.post('/api/session/begin', {
    data: { name, password: 'tide-mill' },
    headers: { 'X-Rhapsode': '1' },
  });
  expect(answer.ok()).toBe(true);
}

/** Whatever dies while a film is made, the film is made, whole, and nothing half-made is ever seen. */
test('a film survives killed workers and restarted services', { tag: '@deep' }, async ({ request }) => {
  test.setTimeout(660_000);
  await signedIn(request, 'tilda');
  // Films of the sample that are still being made come first.
  const waits = async () =>
    ((await (await request.get('/api/health')).json()) as { queueSeconds: number }).queueSeconds;
  await expect.poll(waits, { timeout: 300_000, intervals: [2000] }).toBe(0);
  const desk = await (await request.get('/api/desk')).json();
  const story = (desk.stories as { id: string; title: string }[]).find((s) => s.title.startsWith('The Mill'));
  const view = await (await request.get(`/api/stories/${story?.id}`)).json();
  const asked = await request.post(`/api/stories/${story?.id}/films`, {
    data: { size: '540' },
    headers: { 'X-Rhapsode': '1' },
  });
  const film = (await asked.json()) as { id: string };
  const look = async () => {
    const answer = await request.get(`/api/films/${film.id}`).catch(() => null);
    return answer?.ok() ? ((await answer.json()) as { state: string; framesDone: number; problem: string }) : null;
  };
  const begun = async (frames: number) =>
    expect
      .poll(async () => ((await look())?.framesDone ?? 0) >= frames || (await look())?.state === 'done', {
        timeout: 180_000,
        intervals: [300],
      })
      .toBe(true);
  const half = async () => {
    if ((await look())?.state === 'done') return;
    expect([404, 502]).toContain((await request.get(`/api/films/${film.id}/film.mp4`)).status());
  };

  await begun(30);
  signal('worker-1', 'KILL');
  await half();
  await begun(200);
  signal('worker-2', 'KILL');
  signal('fpm', 'TERM');
  await begun(300);
  restartDatabase();
  await begun(500);
  signal('nginx', 'TERM');
  signal('worker-1', 'KILL');
  await begun(700);
  await half();
  await expect.poll(async () => (await look())?.state, { timeout: 240_000, intervals: [1000] }).toBe('done');

  const path = join(mkdtempSync(join(tmpdir(), 'survived-')), 'film.mp4');
  writeFileSync(path, await (await request.get(`/api/films/${film.id}/film.mp4`)).body());
  const entries = probe(path);
  expect(Number(entries['streams.stream.0.nb_read_frames'])).toBe(view.plan.frames);
  // Every frame can be read: ffmpeg says nothing.
  expect(
    execFileSync('ffmpeg', ['-v', 'error', '-i', path, '-f', 'null', '-'], {
      stdio: ['ignore', 'pipe', 'pipe'],
    }).toString(),
  ).toBe('');
  const health = await (await request.get('/api/health')).json();
  expect(health.database && health.store).toBe(true);
});
