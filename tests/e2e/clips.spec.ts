import AxeBuilder from '@axe-core/playwright';
import type { PlannedPicture } from '../../web/api/types';
import { make, voice } from './support/files';
import { counted, numberOn } from './support/numberedClip';
import { group, middle, press, swipe } from './support/oneSlide';
import { choose, saved } from './support/sheet';
import { begin as own, pictureOf, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';

const hand = (page: Page, name: 'begins' | 'ends' | 'frame') =>
  page.getByRole('slider', {
    name: {
      begins: 'Where the slide begins in the clip',
      ends: 'Where the slide ends in the clip',
      frame: 'The frame that is shown',
    }[name],
  });
const stage = (page: Page) => page.getByRole('img', { name: /^The clip waves\.mp4, frame/ });
const part = async (page: Page, n = 1) => pictureOf(await slide(page, n)).part;
const planned = async (page: Page, n = 1) => (await view(page)).plan.scenes[n].layers[0] as PlannedPicture;

/** A story of one's own with a clip of four seconds, brought in as anything is. */
async function begin(page: Page, name: string, title: string) {
  await own(page, name, title, [
    counted('waves.mp4', 4),
    make('shore.jpg', '-i', 'mandelbrot=s=1200x900', '-frames:v', '1'),
  ]);
  // By their names the picture comes before the clip.
  await choose(page, 2);
  await page.keyboard.press('Alt+o');
  await expect(group(page, 'Clip')).toBeChecked();
}

test('a clip comes in, is trimmed by mouse and keys to the very frame, undone and heard as it should be', async ({
  page,
}) => {
  await begin(page, 'oskar', 'By the weir');
  expect(await part(page, 2)).toBeUndefined();
  await expect(stage(page)).toBeVisible();
  const video = stage(page).locator('video');

  // The beginning by the mouse, to a quarter; what is under the hand is shown.
  const strip = page.getByRole('group', { name: 'The clip, from its beginning to its end' });
  const box = await strip.boundingBox();
  if (!box) throw new Error('the strip is not there');
  await page.mouse.move(box.x, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 4, box.y + 20, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => (await part(page, 2))?.from ?? 0).toBeGreaterThan(25);
  const from = (await part(page, 2))?.from ?? 0;
  expect(from).toBeLessThan(36);
  await expect.poll(() => numberOn(video)).toBe(from);

  // The end by keys: Shift goes by seconds, an arrow by frames.
  await hand(page, 'ends').focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await press(page, 'ArrowLeft', 3);
  await expect.poll(async () => (await part(page, 2))?.to).toBe(120 - 33);
  await expect.poll(() => numberOn(video)).toBe(120 - 34);
  await saved(page);
  expect((await planned(page, 2)).clip).toMatchObject({ from, to: 87, frames: 120 });

  // Presses that follow each other quickly are one change; on a busy machine they are several.
  const end = async () => (await part(page, 2))?.to ?? null;
  const pressed = async (name: string) => {
    const before = await end();
    await page.getByRole('button', { name }).click();
    await expect.poll(end).not.toBe(before);
  };
  while ((await end()) !== null) await pressed('Undo');
  while ((await end()) !== 87) await pressed('Do again');

  // Told in seconds; neither end passes the other.
  await page.getByLabel('Begins at (seconds)').fill('1.5');
  await page.keyboard.press('Tab');
  await expect.poll(async () => (await part(page, 2))?.from).toBe(45);
  await page.getByLabel('Ends at (seconds)').fill('0.2');
  await page.keyboard.press('Tab');
  await expect.poll(async () => (await part(page, 2))?.to).toBe(46);
  await hand(page, 'ends').focus();
  await page.keyboard.press('End');
  await expect.poll(async () => (await part(page, 2))?.to ?? null).toBeNull();

  // Where one looks becomes where it begins and ends.
  await hand(page, 'frame').focus();
  await page.keyboard.press('Home');
  await press(page, 'ArrowRight', 12);
  await expect.poll(() => numberOn(video)).toBe(12);
  await page.getByRole('button', { name: 'Begin here' }).click();
  await expect.poll(async () => (await part(page, 2))?.from).toBe(12);
  await strip.click({ position: { x: box.width * 0.75, y: 30 } });
  await page.getByRole('button', { name: 'End here' }).click();
  await expect.poll(async () => (await part(page, 2))?.to ?? 0).toBeGreaterThan(85);

  // How it is heard.
  const plays = async () => (await view(page)).plan.plays as { bus: string; gains: { gain: number }[] }[];
  const loudest = async () =>
    Math.max(...((await plays()).find((play) => play.bus === 'clip')?.gains ?? []).map(({ gain }) => gain));
  await saved(page);
  const loud = await loudest();
  await page.getByRole('slider', { name: 'How loud it is' }).focus();
  await press(page, 'ArrowLeft', 6);
  await expect.poll(async () => (await part(page, 2))?.level).toBe(-6);
  await saved(page);
  expect((await loudest()) / loud).toBeCloseTo(10 ** (-6 / 20), 2);
  await page.getByRole('switch', { name: 'Its sound is heard' }).press('Space');
  await expect.poll(async () => (await part(page, 2))?.muted).toBe(true);
  await saved(page);
  expect(await plays()).toEqual([]);
});

test(
  'a frame of it becomes a picture, it is cut in two, and a voice over it says how long it stays',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'oskar', 'Cut and taken');
    await hand(page, 'frame').focus();
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    await page.getByRole('button', { name: 'Make this frame a picture' }).click();
    await expect(page.getByText('The frame is a picture now, on a slide of its own after this one.')).toBeVisible({
      timeout: 30_000,
    });
    await expect.poll(async () => (await view(page)).story.slides.length).toBe(4);
    const { story } = await view(page);
    expect(story.assets[pictureOf(story.slides[3]).asset].file).toBe('waves 0060.png');
    // Once more, it is there already, and is shown again.
    await page.getByRole('button', { name: 'Make this frame a picture' }).click();
    await expect.poll(async () => (await view(page)).story.slides.length, { timeout: 30_000 }).toBe(5);

    await page.getByRole('button', { name: 'Cut in two here' }).click();
    await expect(page.getByText('The slide was cut in two.')).toBeVisible();
    expect([await part(page, 2), await part(page, 3)]).toMatchObject([
      { from: 0, to: 60 },
      { from: 60, to: null },
    ]);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await view(page)).story.slides.length).toBe(5);

    // A voice of a little over four seconds is longer than nothing of the clip, and shorter than none.
    await page.keyboard.press('Alt+o');
    await page.getByText('Script', { exact: true }).first().click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring in a sound for slide 3' }).click(),
    ]);
    await chooser.setFiles(voice());
    await expect(page.getByRole('img', { name: /^Voice, / }).first()).toBeVisible({ timeout: 60_000 });
    await choose(page, 2);
    await page.keyboard.press('Alt+o');
    await hand(page, 'ends').focus();
    await press(page, 'ArrowLeft', 2);
    const seconds = async () => {
      await saved(page);
      const [, , scene] = (await view(page)).plan.scenes;
      return (scene.end + scene.transition.frames - scene.start) / 30;
    };
    const whole = await seconds();
    await hand(page, 'ends').focus();
    await page.keyboard.press('Home');
    await expect.poll(async () => (await part(page, 2))?.to).toBe(1);
    const spoken = await seconds();
    await page.getByText('As long as the voice').click();
    await expect.poll(async () => (await part(page, 2))?.lasts).toBe('voice');
    expect(await seconds()).toBe(spoken);
    await page.getByText('Until the clip and the voice are over').click();
    await expect.poll(async () => (await part(page, 2))?.lasts).toBe('clip');
    expect(whole).toBeGreaterThanOrEqual(spoken);
  },
);

test(
  'in the preview every frame is the one that the plan tells, mended or not, and it is watched in place',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'oskar', 'Frame by frame');
    await hand(page, 'begins').focus();
    await press(page, 'ArrowRight', 9);
    await expect.poll(async () => (await part(page, 2))?.from).toBe(9);
    const preview = page.getByRole('figure', { name: 'Preview' });
    const exact = async (clip: ReturnType<Page['locator']>) => {
      const { plan } = await view(page);
      const scene = plan.scenes[2];
      const { from, to } = (scene.layers[0] as PlannedPicture).clip ?? { from: 0, to: 1 };
      const seek = preview.getByRole('slider');
      await seek.focus();
      for (let n = 0; n < 20; n += 1) {
        await page.keyboard.press(n % 4 === 3 ? 'ArrowLeft' : 'ArrowRight');
        await expect
          .poll(async () => {
            const frame = Number(await preview.locator('[data-frame]').getAttribute('data-frame'));
            return (await numberOn(clip)) - Math.max(from, Math.min(to - 1, from + frame - scene.start));
          })
          .toBe(0);
      }
    };
    // The story's own preview, from the slide on: at the words, the whole slide is on the stage.
    await group(page, 'Words').click();
    const shown = preview.locator('video').filter({ visible: true });
    await expect(shown).toHaveCount(1);
    await exact(shown);

    await group(page, 'Look').click();
    await page.getByText('Brown', { exact: true }).click();
    await group(page, 'Words').click();
    const mended = preview.locator('canvas').filter({ visible: true });
    await expect(mended).toHaveCount(1);
    await exact(mended);

    await group(page, 'Clip').click();
    await page.getByRole('button', { name: 'Watch it' }).click();
    await expect(page.getByRole('button', { name: 'Back to the clip' })).toBeVisible();
    await expect
      .poll(() =>
        preview
          .locator('video')
          .first()
          .evaluate((v) => !(v as HTMLVideoElement).paused),
      )
      .toBe(true);
    await page.getByRole('button', { name: 'Back to the clip' }).click();
    await expect(stage(page)).toBeVisible();
    await page.keyboard.press('Alt+p');
    await expect(page.getByRole('button', { name: 'Back to the clip' })).toBeVisible();
    await page.keyboard.press('Alt+p');
    await expect(stage(page)).toBeVisible();

    // What is done to it is seen at once, on the very frame that it stands on.
    await page.getByText('Script', { exact: true }).first().click();
    await choose(page, 1);
    await choose(page, 2);
    await expect(mended).toHaveCount(1);
    await page.getByRole('button', { name: 'Turn right' }).click();
    await expect
      .poll(() => mended.evaluate((c) => (c as HTMLCanvasElement).width < (c as HTMLCanvasElement).height))
      .toBe(true);
  },
);

test(
  'two trim one clip at once, one of them without a connection; on a phone; and axe finds nothing',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'oskar', 'Two at a clip');
    await saved(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await other.getByRole('button', { name: 'The next slide' }).click();
    await other.getByRole('button', { name: 'The next slide' }).click();
    await expect(hand(other, 'begins')).toBeVisible();
    await context.setOffline(true);
    await hand(page, 'begins').focus();
    await press(page, 'ArrowRight', 10);
    await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => (await part(page, 2))?.from, { timeout: 30_000 }).toBe(10);
    // What the other changes of it leaves that as it is.
    await hand(other, 'ends').focus();
    await press(other, 'ArrowLeft', 5);
    await expect.poll(async () => (await part(page, 2))?.to, { timeout: 30_000 }).toBe(115);
    expect((await part(page, 2))?.from).toBe(10);
    await other.close();
    await page.reload();
    for (let n = 0; n < 2; n += 1) await page.getByRole('button', { name: 'The next slide' }).click();
    await expect(hand(page, 'ends')).toHaveAttribute('aria-valuenow', '115');

    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await page.setViewportSize({ width: 390, height: 844 });
    await expect(page.getByRole('button', { name: 'Cut in two here' })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await hand(page, 'ends').focus();
    await press(page, 'ArrowLeft', 5);
    await expect.poll(async () => (await part(page, 2))?.to).toBe(110);
    // By a finger, over a quarter of the strip: 30 of its 120 frames.
    const strip = await page.getByRole('group', { name: 'The clip, from its beginning to its end' }).boundingBox();
    await swipe(page, await middle(page, 'Where the slide ends in the clip', 'slider'), -(strip?.width ?? 0) / 4, 12);
    await expect.poll(async () => Math.abs(((await part(page, 2))?.to ?? 0) - 80)).toBeLessThanOrEqual(3);
  },
);
