import type { Box } from '../parts/boxes';

/** As core/Picture/RedEye has them, where they are explained; tests/web/redEye.test.ts holds this to core's own pixels. */
const RED = 1.7;
const LEAST = 1.5;
const DARK = 60;
const MOST = 0.7;
const SEED = 0.5;

/** Takes the red out of the eye in a mark: red, green, blue and opacity of one pixel after the other, in place. */
export function mendEye(pixels: Uint8ClampedArray, width: number, height: number): void {
  const at = (n: number) => pixels[n] ?? 0;
  const red = (n: number) => at(4 * n) / Math.max(1, (at(4 * n + 1) + at(4 * n + 2)) / 2);
  const away = (n: number) => {
    const x = (2 * (n % width) + 1) / width - 1;
    const y = (2 * Math.floor(n / width) + 1) / height - 1;
    return x * x + y * y;
  };
  let [seed, best] = [-1, 0];
  for (let n = 0; n < width * height; n += 1) {
    if (away(n) > SEED ** 2) continue;
    const value = red(n) * Math.min(1, at(4 * n) / DARK);
    if (value > best) [seed, best] = [n, value];
  }
  if (best < RED) return;
  const limit = Math.max(LEAST, 1 + (best - 1) * 0.35);
  const within = new Float64Array(width * height);
  within[seed] = 1;
  const open = [seed];
  let found = 1;
  for (let n = open.pop(); n !== undefined; n = open.pop()) {
    const x = n % width;
    for (const next of [x > 0 ? n - 1 : -1, x < width - 1 ? n + 1 : -1, n - width, n + width]) {
      if (next < 0 || next >= within.length || within[next] !== 0 || away(next) > 1 || red(next) < limit) continue;
      within[next] = 1;
      open.push(next);
      found += 1;
    }
  }
  if (found > (MOST * Math.PI * width * height) / 4) return;
  softened(softened(within, width, height), width, height).forEach((share, n) => {
    if (share <= 0) return;
    const grey = (at(4 * n + 1) + at(4 * n + 2)) / 2;
    pixels[4 * n] = Math.floor(at(4 * n) * (1 - share) + share * Math.min(at(4 * n), grey) + 0.5);
  });
}

function softened(mask: Float64Array, width: number, height: number): Float64Array {
  const soft = mask.slice();
  const of = (n: number) => mask[n] ?? 0;
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const n = y * width + x;
      if (of(n) >= 1) continue;
      soft[n] =
        (of(n - width - 1) +
          of(n - width) +
          of(n - width + 1) +
          of(n - 1) +
          of(n) +
          of(n + 1) +
          of(n + width - 1) +
          of(n + width) +
          of(n + width + 1)) /
        9;
    }
  return soft;
}

/** A mark's pixels in a picture of that size. */
export const pixelsOf = (mark: Box, width: number, height: number) => {
  const left = Math.min(width - 1, Math.floor(mark.x * width));
  const top = Math.min(height - 1, Math.floor(mark.y * height));
  return {
    left,
    top,
    width: Math.max(1, Math.min(width - left, Math.round(mark.width * width))),
    height: Math.max(1, Math.min(height - top, Math.round(mark.height * height))),
  };
};

const mended = new WeakMap<ImageBitmap, { marks: string; canvas: OffscreenCanvas }>();

/** The picture with its red eyes mended; itself where there are none. The last one is kept. */
export function withoutRedEyes(picture: ImageBitmap, marks: readonly Box[]): ImageBitmap | OffscreenCanvas {
  if (marks.length === 0) return picture;
  const key = JSON.stringify(marks);
  const known = mended.get(picture);
  if (known?.marks === key) return known.canvas;
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return picture;
  context.drawImage(picture, 0, 0);
  for (const mark of marks) {
    const { left, top, width, height } = pixelsOf(mark, picture.width, picture.height);
    const part = context.getImageData(left, top, width, height);
    mendEye(part.data, width, height);
    context.putImageData(part, left, top);
  }
  mended.set(picture, { marks: key, canvas });
  return canvas;
}
