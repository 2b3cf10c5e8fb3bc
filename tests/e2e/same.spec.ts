import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { signIn } from './helpers';

/** What you see is what you get: the preview against the film at twelve moments, by ffmpeg's SSIM. */
test('the preview and the film are two performances of one plan', async ({ page }) => {
  await signIn(page, 'pim');
  await page.getByRole('link', { name: 'Lantern Night', exact: true }).click();
  await expect(page.getByRole('row').first()).toBeVisible();
  const address = page.url().replace(/.*stories\//, '/api/stories/');
  await expect
    .poll(async () => (await (await page.request.get(address)).json()).film.state, {
      timeout: 200_000,
      intervals: [2000],
    })
    .toBe('done');
  const view = await (await page.request.get(address)).json();
  const folder = mkdtempSync(join(tmpdir(), 'same-'));
  const film = join(folder, 'film.mp4');
  writeFileSync(film, await (await page.request.get(`/api/films/${view.film.id}/film.mp4`)).body());

  // Of each of four slides: in its join, as it comes to stand alone, and late in its move.
  type Planned = { start: number; end: number; joinIn: number };
  const slides = (view.plan.slides as Planned[]).slice(1, 5);
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
