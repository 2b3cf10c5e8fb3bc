import type { PlannedPicture } from '../../../web/api/types';
import { saved } from './sheet';
import { pictureOf, slide, view } from './story';
import type { Page } from './test';

/** A slide from near: its groups of settings, and what is pulled and pressed on its picture. */
export const group = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'What is set' }).getByText(name, { exact: true });
export async function press(page: Page, key: string, times: number) {
  for (let i = 0; i < times; i += 1) await page.keyboard.press(key);
}

/** Pulls something by its middle, as a mouse does: not by its very middle, which would be a screen reader's press. */
export async function pull(page: Page, name: string, dx: number, dy: number, role: 'button' | 'slider' = 'button') {
  const box = await page.getByRole(role, { name, exact: true }).boundingBox();
  if (!box) throw new Error(`${name} is not there`);
  const [x, y] = [box.x + box.width / 2 - 3, box.y + box.height / 2 - 3];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx, y + dy, { steps: 5 });
  await page.mouse.up();
}

/** Drags from a place of the window by as much, as a finger does. */
export async function swipe(page: Page, { x, y }: { x: number; y: number }, dx: number, dy: number) {
  const browser = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', share: number) =>
    browser.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x: x + dx * share, y: y + dy * share }],
    });
  await touch('touchStart', 0);
  for (let step = 1; step <= 8; step += 1) await touch('touchMove', step / 8);
  await touch('touchEnd', 1);
  await browser.detach();
}
/** The middle of what is pulled or pressed on a picture. */
export async function middle(page: Page, name: string, role: 'button' | 'slider' = 'button') {
  const one = page.getByRole(role, { name, exact: true });
  await one.scrollIntoViewIfNeeded();
  const box = await one.boundingBox();
  if (!box) throw new Error(`${name} is not there`);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

export const recipe = async (page: Page, n: number) => pictureOf(await slide(page, n)).recipe;
export const mended = (page: Page) => page.getByRole('img', { name: /as it is mended$/ });

/** Mean difference, of 255, between what the page draws and the rendition that the server makes of the slide's picture. */
export async function difference(page: Page, n: number): Promise<number> {
  await saved(page);
  const { plan, story } = await view(page);
  const { asset, name } = (plan.scenes[n].layers[0] as PlannedPicture).rendition;
  const url = `/api/stories/${story.id ?? page.url().match(/stories\/([^/?]+)/)?.[1]}/assets/${asset}/${name.replace('whole', 'full')}.jpg`;
  return mended(page).evaluate(async (element, from) => {
    const canvas = element as HTMLCanvasElement;
    const answer = await fetch(from);
    if (!answer.ok) throw new Error(`${from}: ${answer.status}`);
    const made = await createImageBitmap(await answer.blob());
    // Both brought to one small size, so that a JPEG's grain and the scaling of either count for little.
    const [width, height] = [80, Math.round((80 * canvas.height) / canvas.width)];
    const pixels = (image: CanvasImageSource) => {
      const small = new OffscreenCanvas(width, height).getContext('2d');
      if (!small) throw new Error('no canvas');
      small.imageSmoothingQuality = 'high';
      small.drawImage(image, 0, 0, width, height);
      return small.getImageData(0, 0, width, height).data;
    };
    const [seen, sent] = [pixels(canvas), pixels(made)];
    return seen.reduce((sum, value, i) => sum + Math.abs(value - (sent[i] ?? 0)), 0) / seen.length;
  }, url);
}
