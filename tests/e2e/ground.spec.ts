import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { at, make } from './support/files';
import { group } from './support/oneSlide';
import { choose, panel, rows, saved } from './support/sheet';
import { begin, choosing, pictureOf, slide, view } from './support/story';
import { expect, test } from './support/test';
import type { PlannedPicture } from '../../web/api/types';

test('a picture that is shown whole lies on itself, on paper, on a colour; two choose at once', async ({
  page,
  context,
}) => {
  await begin(page, 'tilda', 'On what ground');
  await choose(page, 2);
  const ground = async () => pictureOf(await slide(page, 2)).ground;
  const shown = async () => ((await view(page)).plan.scenes[2].layers[0] as PlannedPicture).rendition.name;
  const picks = panel(page).getByRole('radiogroup', { name: 'On what it lies where it is shown whole' });
  await expect.poll(shown).toBe('whole');
  await picks.getByText('Paper').click();
  await expect.poll(shown).toMatch(/^whole-g[0-9a-f]{6}$/);
  await expect(page.getByRole('img', { name: /tower/ }).first()).toHaveAttribute(
    'src',
    /whole-thumb-g[0-9a-f]{6}\.jpg/,
  );
  // Chosen by keys: the next of the three.
  await picks.getByRole('radio', { name: 'Paper' }).focus();
  await page.keyboard.press('ArrowRight');
  const colour = panel(page).getByLabel('The colour');
  await expect(colour).toBeVisible();
  await colour.fill('#804020');
  await colour.fill('#804021');
  await expect.poll(ground).toBe('#804021');
  await saved(page);

  // Another says something else of it without a connection: what was said last stands, for both.
  const other = await context.newPage();
  await other.goto(page.url());
  await choose(other, 2);
  await context.setOffline(true);
  await panel(other).getByText('Itself, blurred').click();
  await expect(other.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
  await context.setOffline(false);
  await expect.poll(shown, { timeout: 30_000 }).toBe('whole');
  await page.reload();
  await choose(page, 2);
  await expect(colour).toBeHidden();
  await picks.getByText('A colour').click();
  await expect(colour).toBeVisible();
  await panel(page).getByText('Fill the slide').click();
  await expect(picks).toBeHidden();
});

test(
  'a picture that lies on its side is pointed out as it comes in, and turned at a press',
  { tag: '@deep' },
  async ({ page }) => {
    const upright = join(at, 'portrait.png');
    execFileSync('rsvg-convert', ['--format', 'png', '--output', upright, 'tests/fixtures/a-face.svg']);
    const lies = join(at, 'portrait on its side.png');
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', upright, '-vf', 'transpose=cclock', lies]);
    await begin(page, 'tilda', 'On its side');
    await choosing(page, [lies]);
    await expect(page.getByText('1 file came in.', { exact: true })).toBeVisible({ timeout: 60_000 });
    await expect(page.getByText('One of them is small, soft, bordered or on its side.')).toBeVisible();
    await page.getByRole('button', { name: 'Show', exact: true }).click();
    await expect(panel(page).getByRole('heading', { name: 'Slide 5' })).toBeVisible();
    await expect(panel(page).getByText('The picture of slide 5 seems to lie on its side.')).toBeVisible();
    await page.getByRole('button', { name: /^Proof:/ }).click();
    await page.getByRole('button', { name: 'Turn it upright' }).click();
    await expect.poll(async () => pictureOf(await slide(page, 4)).recipe.turn).toBe(90);
    await expect(page.getByRole('button', { name: 'Turn it upright' })).toBeHidden();
  },
);

test(
  'black borders are pointed out and cut off at a press, and so is a picture in which nothing is sharp',
  { tag: '@deep' },
  async ({ page }) => {
    const scan = make('scan.png', '-i', 'testsrc2=s=900x700', '-vf', 'pad=1200:1000:120:180', '-frames:v', '1');
    const soft = make('soft.jpg', '-i', 'mandelbrot=s=1600x1000', '-vf', 'gblur=sigma=24', '-frames:v', '1');
    await begin(page, 'tilda', 'Scanned');
    await choosing(page, [scan, soft]);
    await expect(rows(page)).toHaveCount(6, { timeout: 60_000 });
    const told = async (slide?: string) =>
      ((await view(page)).proof as { rule: string; slides: { id: string }[] }[])
        .filter(({ slides }) => slide === undefined || slides.some(({ id }) => id === slide))
        .map(({ rule }) => rule);
    await expect.poll(() => told()).toEqual(expect.arrayContaining(['black-borders', 'soft-picture']));
    await page.getByRole('button', { name: /^Proof:/ }).click();
    await expect(page.getByRole('dialog').getByText(/ha(s|ve) black borders/)).toBeVisible();
    await page.keyboard.press('Escape');
    const number =
      (await rows(page).evaluateAll((all) => all.findIndex((row) => row.querySelector('img[alt*=scan]')))) ?? 0;
    await choose(page, number);
    await page.keyboard.press('Alt+o');
    await group(page, 'Frame').click();
    await page.getByRole('button', { name: 'Cut off the borders' }).click();
    await expect(page.getByRole('button', { name: 'Cut off the borders' })).toBeHidden();
    const { id } = await slide(page, number);
    await expect.poll(() => told(id)).not.toContain('black-borders');
    const { crop } = pictureOf(await slide(page, number)).recipe;
    expect(crop?.x).toBeCloseTo(0.1, 1);
    expect(crop?.width).toBeCloseTo(0.75, 1);
    expect(crop?.height).toBeCloseTo(0.7, 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: 'Cut off the borders' })).toBeVisible();
  },
);
