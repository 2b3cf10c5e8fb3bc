import { type Planned, filmOf } from './support/madeFilm';
import { signIn } from './support/people';
import { bringIn } from './support/story';
import { type Page, expect, test } from './support/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What you see is what you get: the preview against the film at twelve moments, by ffmpeg's SSIM. */
test('the preview and the film are two performances of one plan', { tag: '@deep' }, async ({ page }) => {
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

/** As fine as most screens are: a small picture is drawn with what a browser has at hand, and several lie on one slide. */
test.use({ deviceScaleFactor: 2 });

/** In every shape, on a story of its own: pictures that fit and that do not, words at each place, several transitions, weather. */
for (const [shape, width, height, style, drift] of [
  ['16:9', 384, 216, 'thread', 'snow'],
  ['4:3', 320, 240, 'tin', 'rain'],
  ['1:1', 270, 270, 'lantern', 'motes'],
  ['9:16', 216, 384, 'clay', 'mist'],
] as const) {
  test(`the preview and the film are the same in ${shape}, in ${style}`, { tag: '@deep' }, async ({ page }) => {
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
    const assetOf = (slide: string) =>
      view.story.slides.find(({ id: one }: { id: string }) => one === slide).layers[0].asset;
    const caption = (slide: string, changes: object) => ({
      do: 'set layer',
      slide,
      layer: 'caption',
      kind: 'words',
      changes: { role: 'caption', ...changes },
    });
    const label = (slide: string, changes: object) => ({
      do: 'set layer',
      slide,
      layer: 'label',
      kind: 'words',
      changes: { role: 'label', ...changes },
    });
    await edit(
      {
        do: 'add slide',
        after: 'p2',
        slide: {
          id: 'cells',
          layout: 'large-and-two',
          sequence: 'evenly',
          stay: 4.5,
          layers: ['p0', 'p1', 'p2'].map((slide, cell) => ({
            id: slide,
            kind: 'picture',
            asset: assetOf(slide),
            cell,
          })),
        },
      },
      { do: 'set shape', shape },
      { do: 'set style', name: style, own: { credits: 'roll' } },
      ...['p0', 'p1', 'p2'].map((slide) => ({
        do: 'set source',
        assets: [assetOf(slide)],
        source: { title: `By the river, ${slide}`, author: 'Ann Ash', link: 'example.org/wend', licence: 'CC BY 4.0' },
      })),
      { do: 'set stay', slides: [title.id, 'p0', 'p1', 'p2'], stay: 3 },
      caption('p0', { text: 'The tide comes in, and nobody asked it to', place: 'top', comes: 1.5 }),
      caption('p1', { text: 'Up we go, and up again', place: 'middle', entrance: 'written', comes: 1.2 }),
      caption('p2', { text: 'A heron', place: 'bottom', entrance: 'rise', comes: 1.5 }),
      label('p0', { text: 'The mill', target: { x: 0.6, y: 0.5 }, at: { x: 0.25, y: 0.4 } }),
      { do: 'set layers', slides: ['p1'], kind: 'picture', changes: { fit: 'whole', recipe: { turn: 90 } } },
      { do: 'set layer', slide: 'p2', layer: 'mark', kind: 'icon', changes: { name: 'arrow', place: 'left', goes: 3 } },
      { do: 'set drift', slides: ['p0', 'p1'], drift: { kind: drift, strength: 'much' } },
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
    await expect(page.getByRole('row')).toHaveCount(5);
    const slides = view.plan.scenes as Planned[];
    // The title; each picture alone, several in their cells; in the middle of the sweep and of the dark; credits as they roll.
    const { start: rolls = 0, end = 0 } = slides.at(-1) ?? {};
    expect(end - rolls, 'they roll for a while').toBeGreaterThan(120);
    const alone = [30, ...slides.slice(1, 5).map((s) => s.end - 25)];
    const rolling = [rolls + 70, end - 20];
    const between = slides.slice(2, 4).map((s) => s.start + Math.floor(s.comesIn / 2));
    // While words are written, while they come up, and while the second of three comes.
    const [third = 0, fourth = 0, fifth = 0] = slides.slice(2, 5).map(({ start, comesIn }) => start + comesIn);
    const coming = [third + 15, fourth + 20, fifth + 41];
    for (const moment of [...alone, ...coming, ...between, ...rolling]) {
      const shown = await shownAt(page, moment, folder);
      const ssim = Number(/Y:([\d.]+)/.exec(ssimOf(shown, film, moment, width, height))?.[1] ?? 0);
      // Where all changes in every frame, the coder is a little behind.
      // Nor do cells end on whole pixels of both, or do lines that roll lie on them.
      const least = moment >= fifth || between.includes(moment) || coming.includes(moment) ? 0.96 : 0.97;
      expect(ssim, `${shape}, at frame ${moment}`).toBeGreaterThanOrEqual(least);
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
