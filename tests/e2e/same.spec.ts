import { expect, test, type Page } from './test';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { signIn } from './helpers';

type Planned = { start: number; end: number; joinIn: number; voice: { start: number; end: number } | null };

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
  return { path, folder, plan: plan as { fps: number; frames: number; slides: Planned[]; beds: unknown[] } };
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
  expect(plan.beds.length, 'there is a bed').toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Play', exact: true }).first().click();
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { heard: { frame: number }[] }).heard.at(-1)?.frame ?? 0), {
      timeout: 300_000,
      intervals: [1000],
    })
    .toBeGreaterThanOrEqual(plan.frames - 20);
  const heard = await page.evaluate(() => (window as unknown as { heard: { frame: number; power: number }[] }).heard);
  // In the middle of each voice; and after the last one, where the bed is alone.
  const voices = plan.slides.flatMap(({ voice }) => (voice ? [voice] : []));
  const last = voices.at(-1)?.end ?? 0;
  const moments = [
    ...voices.map(({ start, end }) => [start + 0.2, end - 0.2] as const),
    ...[1.6, 2.6, 3.6].map((after) => [last + after, last + after + 1] as const),
  ];
  expect(moments.length).toBeGreaterThanOrEqual(10);
  for (const [from, to] of moments) {
    const blocks = heard.filter(({ frame }) => frame / plan.fps >= from && frame / plan.fps < to);
    const ours = 10 * Math.log10(blocks.reduce((sum, { power }) => sum + power, 0) / blocks.length);
    const said = spawnSync('ffmpeg', [
      '-i',
      path,
      '-af',
      `atrim=${from}:${to},astats=measure_perchannel=none`,
      '-f',
      'null',
      '-',
    ]).stderr.toString();
    const film = Number(/RMS level dB: (-?[\d.]+)/.exec(said)?.[1]);
    expect(Math.abs(ours - film), `${from.toFixed(1)} s: ${ours.toFixed(1)} and ${film} dB`).toBeLessThanOrEqual(1);
  }
});

/** What you see is what you get: the preview against the film at twelve moments, by ffmpeg's SSIM. */
test('the preview and the film are two performances of one plan', async ({ page }) => {
  const { path: film, folder, plan } = await filmOf(page, 'Lantern Night');

  // Of each of four slides: in its join, as it comes to stand alone, and late in its move.
  const slides = plan.slides.slice(1, 5);
  const moments = slides.flatMap((s) => [s.start + Math.floor(s.joinIn / 2), s.start + s.joinIn + 2, s.end - 12]);
  expect(moments).toHaveLength(12);
  const screen = page.locator('.screen');
  const bar = page.getByRole('slider', { name: 'Position in the film' });
  for (const moment of moments) {
    await bar.fill(String(moment));
    await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLImageElement>('.stage img')].every(
        (image) => image.style.display === 'none' || (image.complete && image.naturalWidth > 0),
      ),
    );
    await page.waitForTimeout(250);
    const shown = join(folder, `${moment}.png`);
    writeFileSync(shown, await screen.screenshot());
    const ssim = Number(/Y:([\d.]+)/.exec(ssimOf(shown, film, moment))?.[1] ?? 0);
    expect(ssim, `at frame ${moment}`).toBeGreaterThanOrEqual(0.97);
  }
});

function ssimOf(shown: string, film: string, frame: number): string {
  const stats = `${shown}.log`;
  const filter = `[1:v]select=eq(n\\,${frame}),scale=392:220:flags=area,setpts=0[f];[0:v]scale=392:220:flags=area:out_color_matrix=bt709:out_range=tv,format=yuv420p,setpts=0[p];[f][p]ssim=stats_file=${stats}`;
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
