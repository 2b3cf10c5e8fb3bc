import { expect, test, type Page } from './test';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bringIn, signIn } from './helpers';

type Planned = { start: number; end: number; comesIn: number };
type Play = { bus: string; start: number; end: number };

/** The made film of a story of Pim's, and its plan. */
async function filmOf(page: Page, title: string) {
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

/** Decibels of a stretch of a film, seconds. */
function levelOf(path: string, from: number, to: number): number {
  const part = ['-ss', String(from), '-t', String(to - from), '-i', path];
  const said = spawnSync('ffmpeg', [
    ...part,
    '-af',
    'astats=measure_perchannel=none',
    '-f',
    'null',
    '-',
  ]).stderr.toString();
  return Number(/RMS level dB: (-?[\d.]+)/.exec(said)?.[1]);
}

/** What is heard is what you get: the preview's mix, tapped where it goes to the loudspeakers, against the film's. */
test('the preview and the film sound alike', async ({ page }) => {
  test.setTimeout(420_000);
  await page.addInitScript(() => {
    const heard: { frame: number; power: number }[] = [];
    Object.assign(window, { heard });
    const connect = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode) => AudioNode;
    let tap: ScriptProcessorNode | null = null;
    AudioNode.prototype.connect = function (this: AudioNode, to: AudioNode) {
      if (to instanceof AudioDestinationNode) {
        if (!tap) {
          tap = (this.context as AudioContext).createScriptProcessor(2048, 2, 1);
          tap.onaudioprocess = ({ inputBuffer }) => {
            const [left, right] = [inputBuffer.getChannelData(0), inputBuffer.getChannelData(1)];
            let power = 0;
            for (let i = 0; i < left.length; i += 1) power += ((left[i] ?? 0) ** 2 + (right[i] ?? 0) ** 2) / 2;
            const frame = Number(document.querySelector<HTMLElement>('.stage')?.dataset.frame ?? 0);
            heard.push({ frame, power: power / left.length });
          };
          connect.call(tap, to);
        }
        connect.call(this, tap);
      }
      return connect.call(this, to);
    } as typeof AudioNode.prototype.connect;
  });
  const { path, plan } = await filmOf(page, 'Lantern Night');
  expect(plan.plays.filter(({ bus }) => bus === 'bed').length, 'there is a bed').toBeGreaterThan(0);
  // From its first third on: there are voices enough, and the music's end.
  const begun = Math.floor(plan.frames * 0.3);
  await page.getByRole('figure', { name: 'Preview' }).getByRole('slider').fill(String(begun));
  await page.getByRole('button', { name: 'Play', exact: true }).first().click();
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { heard: { frame: number }[] }).heard.at(-1)?.frame ?? 0), {
      timeout: 300_000,
      intervals: [1000],
    })
    .toBeGreaterThanOrEqual(plan.frames - 20);
  const heard = await page.evaluate(() => (window as unknown as { heard: { frame: number; power: number }[] }).heard);
  // In the middle of each voice; and after the last one, where the bed is alone.
  const voices = plan.plays.filter(({ bus }) => bus === 'voice');
  const last = voices.at(-1)?.end ?? 0;
  const moments = [
    ...voices
      .filter(({ start }) => start > begun / plan.fps)
      .map(({ start, end }) => [start + 0.2, end - 0.2] as const),
    ...[1.6, 2.6, 3.6].map((after) => [last + after, last + after + 1] as const),
  ];
  expect(moments.length).toBeGreaterThanOrEqual(6);
  for (const [from, to] of moments) {
    const blocks = heard.filter(({ frame }) => frame / plan.fps >= from && frame / plan.fps < to);
    const ours = 10 * Math.log10(blocks.reduce((sum, { power }) => sum + power, 0) / blocks.length);
    // What is drawn says to a tenth of a second or so when a block was heard: where the music fades, as much is allowed.
    const film = [-0.12, 0, 0.12].map((late) => levelOf(path, from + late, to + late));
    const about = `${from.toFixed(1)} s: ${ours.toFixed(1)} and ${film.join(', ')} dB`;
    expect(ours, about).toBeLessThanOrEqual(Math.max(...film) + 1);
    expect(ours, about).toBeGreaterThanOrEqual(Math.min(...film) - 1);
  }
});

/** What you see is what you get: the preview against the film at twelve moments, by ffmpeg's SSIM. */
test('the preview and the film are two performances of one plan', async ({ page }) => {
  const { path: film, folder, plan } = await filmOf(page, 'Lantern Night');

  // Of each of four slides: in its join, as it comes to stand alone, and late in its move.
  const slides = plan.scenes.slice(1, 5);
  const moments = slides.flatMap((s) => [s.start + Math.floor(s.comesIn / 2), s.start + s.comesIn + 2, s.end - 12]);
  expect(moments).toHaveLength(12);
  for (const moment of moments) {
    const shown = await shownAt(page, moment, folder);
    const ssim = Number(/Y:([\d.]+)/.exec(ssimOf(shown, film, moment))?.[1] ?? 0);
    expect(ssim, `at frame ${moment}`).toBeGreaterThanOrEqual(0.97);
  }
});

/** In every shape, on a story of its own: pictures that fit and that do not, words at each place, several transitions. */
for (const [shape, width, height] of [
  ['16:9', 384, 216],
  ['4:3', 320, 240],
  ['1:1', 270, 270],
  ['9:16', 216, 384],
] as const) {
  test(`the preview and the film are the same in ${shape}`, async ({ page }) => {
    test.setTimeout(240_000);
    await signIn(page, 'pim');
    const own = { 'X-Rhapsode': '1' };
    let view = await (
      await page.request.post('/api/stories', { data: { title: `Same in ${shape}` }, headers: own })
    ).json();
    const edit = async (...edits: object[]) => {
      const headers = { ...own, 'If-Match': `"${view.revision}"` };
      await page.request.post(`/api/stories/${view.id}/edits`, { data: { edits }, headers });
      view = await (await page.request.get(`/api/stories/${view.id}`)).json();
    };
    for (const [i, name] of ['dawn-over-the-wend', 'the-millers-stair', 'heron-in-the-reeds'].entries()) {
      const buffer = readFileSync(`demo/pictures/${name}.jpg`);
      await bringIn(page.request, view.id, buffer, { file: `${name}.jpg`, slide: `p${i}` });
    }
    view = await (await page.request.get(`/api/stories/${view.id}`)).json();
    const [title] = view.story.slides;
    const caption = (slide: string, changes: object) => ({
      do: 'set layer',
      slide,
      layer: 'caption',
      kind: 'words',
      changes: { role: 'caption', ...changes },
    });
    await edit(
      { do: 'set shape', shape },
      { do: 'set stay', slides: [title.id, 'p0', 'p1', 'p2'], stay: 3 },
      caption('p0', { text: 'The tide comes in, and nobody asked it to', place: 'top', comes: 1.5 }),
      caption('p1', { text: 'Up we go', place: 'middle' }),
      caption('p2', { text: 'A heron', place: 'bottom' }),
      { do: 'set layers', slides: ['p1'], kind: 'picture', changes: { fit: 'whole', recipe: { turn: 90 } } },
      { do: 'set layer', slide: 'p2', layer: 'mark', kind: 'icon', changes: { name: 'arrow', place: 'left', goes: 3 } },
      { do: 'set transition', slides: ['p0'], transition: { kind: 'sweep', seconds: 1 } },
      { do: 'set transition', slides: ['p1'], transition: { kind: 'through-dark', seconds: 1 } },
    );
    const { id } = await (
      await page.request.post(`/api/stories/${view.id}/films`, { data: { size: '540' }, headers: own })
    ).json();
    const state = async () => (await (await page.request.get(`/api/films/${id}`)).json()).state as string;
    await expect.poll(state, { timeout: 200_000, intervals: [1000] }).toBe('done');
    const folder = mkdtempSync(join(tmpdir(), 'shape-'));
    const film = join(folder, 'film.mp4');
    writeFileSync(film, await (await page.request.get(`/api/films/${id}/film.mp4`)).body());

    await page.goto(`/stories/${view.id}`);
    await expect(page.getByRole('row')).toHaveCount(4);
    const slides = view.plan.scenes as Planned[];
    // The title; each picture alone; in the middle of the sweep and of the dark.
    const alone = [30, ...slides.slice(1, 4).map((s) => s.end - 25)];
    const between = slides.slice(2, 4).map((s) => s.start + Math.floor(s.comesIn / 2));
    for (const moment of [...alone, ...between]) {
      const shown = await shownAt(page, moment, folder);
      const ssim = Number(/Y:([\d.]+)/.exec(ssimOf(shown, film, moment, width, height))?.[1] ?? 0);
      // Where every pixel changes in every frame, the coder is a little behind.
      expect(ssim, `${shape}, at frame ${moment}`).toBeGreaterThanOrEqual(between.includes(moment) ? 0.96 : 0.97);
    }
  });
}

/** A picture of the preview at a moment. */
async function shownAt(page: Page, moment: number, folder: string): Promise<string> {
  await page.getByRole('slider', { name: 'Position in the film' }).fill(String(moment));
  await page.waitForFunction(() =>
    [...document.querySelectorAll<HTMLImageElement>('.stage img')].every(
      (image) => image.style.display === 'none' || image.src === '' || (image.complete && image.naturalWidth > 0),
    ),
  );
  await page.waitForTimeout(250);
  const shown = join(folder, `${moment}.png`);
  writeFileSync(shown, await page.locator('.screen').screenshot());
  return shown;
}

function ssimOf(shown: string, film: string, frame: number, width = 392, height = 220): string {
  const stats = `${shown}.log`;
  const filter = `[1:v]select=eq(n\\,${frame}),scale=${width}:${height}:flags=area,setpts=0[f];[0:v]scale=${width}:${height}:flags=area:out_color_matrix=bt709:out_range=tv,format=yuv420p,setpts=0[p];[f][p]ssim=stats_file=${stats}`;
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-i',
    shown,
    '-i',
    film,
    '-filter_complex',
    filter,
    '-frames:v',
    '1',
    '-f',
    'null',
    '-',
  ]);
  return readFileSync(stats, 'utf8');
}
