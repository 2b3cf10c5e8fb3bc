import { signIn } from './support/people';
import { chooseFrom, close, draw, saved } from './support/sheet';
import { type Page, expect, test } from './support/test';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const view = async (page: Page) =>
  (await page.request.get(page.url().replace(/.*stories\/([^/]+).*/, '/api/stories/$1'))).json();

test.setTimeout(90_000);

/** Music, captions, shape and joins, all through the page. */
test('music is laid under a story, captions are brought in, joins and shape are chosen', async ({ page }) => {
  await signIn(page, 'juno');
  await page.getByRole('link', { name: 'Who Turns the Wheel?', exact: true }).click();
  await expect(page.getByRole('row').first()).toBeVisible();

  await draw(page, 'The story');
  const [music] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in music' }).click(),
  ]);
  await music.setFiles('demo/music/low-water-waltz.ogg');
  const bed = page.getByRole('region', { name: 'Bed: low-water-waltz.ogg' });
  await expect(bed).toBeVisible();
  await bed.getByText('Fades, start and source').click();
  await bed.getByRole('button', { name: 'I made it myself' }).click();
  await expect
    .poll(async () => (await view(page)).proof.some(({ rule }: { rule: string }) => rule === 'no-music-source'))
    .toBe(false);
  await bed.getByRole('slider').focus();
  await page.keyboard.press('ArrowRight');
  await chooseFrom(bed, 'From', 2);
  await bed.getByText('It gives way to the voice').click();
  await expect.poll(async () => (await view(page)).story.beds[0]).toMatchObject({ under: 15, ducks: false });
  expect((await view(page)).story.beds[0].from).toBe((await view(page)).story.slides[1].id);

  const srt = join(mkdtempSync(join(tmpdir(), 'captions-')), 'mine.srt');
  // As old programs write: not in UTF-8.
  writeFileSync(srt, Buffer.from('1\r\n00:00:00,500 --> 00:00:02,000\r\nMühle\r\n', 'latin1'));
  const [captions] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in captions' }).click(),
  ]);
  await captions.setFiles(srt);
  await expect(page.getByText('1 caption from a file is shown')).toBeVisible();
  expect((await view(page)).plan.cues).toMatchObject([{ start: 0.5, end: 2, text: 'Mühle' }]);
  await page.getByRole('button', { name: 'Make them from the scripts again' }).click();
  await expect(page.getByText('Made from the scripts and timed to the voices.')).toBeVisible();

  await page.getByText('Upright 9:16').click();
  await expect(page.locator('.screen')).toHaveCSS('aspect-ratio', /^0\.56/);
  await page.getByText('Wide 16:9').click();
  await close(page);

  // A sweep, half way: the next slide is masked along its edge.
  await page
    .getByRole('row')
    .nth(1)
    .click({ position: { x: 20, y: 20 } });
  await page.getByText('Sweep', { exact: true }).click();
  await saved(page);
  await expect.poll(async () => (await view(page)).story.slides[1].transition?.kind).toBe('sweep');
  const { plan } = await view(page);
  const next = plan.scenes[2] as { start: number; comesIn: number };
  await page
    .getByRole('slider', { name: 'Position in the film' })
    .fill(String(next.start + Math.floor(next.comesIn / 2)));
  const masks = await page
    .locator('.stage > div')
    .evaluateAll((layers) => layers.map((layer) => getComputedStyle(layer).maskImage));
  expect(masks.some((mask) => mask.startsWith('linear-gradient(to right'))).toBe(true);
});
