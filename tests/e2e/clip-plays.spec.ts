import { counted, numberOn } from './support/numberedClip';
import { choose } from './support/sheet';
import { begin, view } from './support/story';
import { expect, test } from './support/test';

/** Alone: what is measured here is time. */
test(
  'while it plays, the frame on the stage is never more than two away from the plan’s',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'ivo', 'It plays', [counted('waves.mp4', 8)]);
    await choose(page, 1);
    await page.keyboard.press('Alt+p');
    const { plan } = await view(page);
    const scene = plan.scenes[1];
    const preview = page.getByRole('figure', { name: 'Preview' });
    const video = preview.locator('video').filter({ visible: true });
    await expect.poll(() => video.evaluate((v) => !(v as HTMLVideoElement).paused)).toBe(true);
    // A moment to get under way.
    await page.waitForTimeout(600);
    const away: number[] = [];
    for (let n = 0; n < 20; n += 1) {
      await page.waitForTimeout(170);
      const frame = async () => Number(await preview.locator('[data-frame]').getAttribute('data-frame')) - scene.start;
      // Between two looks at the clock: the frame on the stage is to be one of those, or hardly another.
      const before = await frame();
      const shown = await numberOn(video);
      const after = await frame();
      away.push(Math.max(0, before - shown, shown - after));
    }
    expect(Math.max(...away), `frames away: ${away.join(' ')}`).toBeLessThanOrEqual(2);
  },
);
