import { make } from './files';
import type { Locator } from '@playwright/test';

const BITS = 10;

/** A clip whose every frame shows its number, in ten squares along its top: white for one, black for nought, the lowest first. */
export function counted(name: string, seconds: number, ...coder: string[]): string {
  const squares = Array.from(
    { length: BITS },
    (_, bit) =>
      `drawbox=x=${64 * bit}:y=0:w=64:h=40:color=white:t=fill:enable='gt(mod(floor(round(t*30)/${2 ** bit})\\,2)\\,0)'`,
  );
  return make(
    name,
    '-i',
    `testsrc2=s=640x360:r=30:d=${seconds}`,
    '-f',
    'lavfi',
    '-i',
    `sine=440:r=48000:d=${seconds}`,
    '-vf',
    ['drawbox=x=0:y=0:w=640:h=40:color=black:t=fill', ...squares].join(','),
    '-pix_fmt',
    'yuv420p',
    ...(coder.length > 0 ? coder : ['-c:v', 'libx264', '-preset', 'ultrafast', '-c:a', 'aac']),
  );
}

/** The number that is to be seen on a clip in the page, on its own frames or as they are mended. */
export const numberOn = (clip: Locator): Promise<number> =>
  clip.evaluate((element, bits) => {
    const canvas = new OffscreenCanvas(640, 360);
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('nothing can be drawn');
    context.drawImage(element as HTMLVideoElement | HTMLCanvasElement, 0, 0, 640, 360);
    let number = 0;
    for (let bit = 0; bit < bits; bit += 1)
      if ((context.getImageData(64 * bit + 32, 16, 1, 1).data[1] ?? 0) > 120) number += 2 ** bit;
    return number;
  }, BITS);
