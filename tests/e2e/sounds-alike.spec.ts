import { spawnSync } from 'node:child_process';
import { filmOf } from './support/madeFilm';
import { expect, test } from './support/test';

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
test('the preview and the film sound alike', { tag: '@deep' }, async ({ page }) => {
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
