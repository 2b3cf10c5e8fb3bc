import { describe, expect, it } from 'vitest';
import golden from '../golden/red-eyes.json';
import { mendEye, pixelsOf } from '../../web/mend/redEye';

const bytes = (hex: string) => [...hex.matchAll(/../g)].map(([two]) => parseInt(two, 16));

describe('a red eye', () => {
  it.each(golden)('is mended as core mends it: $name', ({ width, height, before, after }) => {
    const rgb = bytes(before);
    const pixels = new Uint8ClampedArray(width * height * 4).map((_, i) =>
      i % 4 === 3 ? 255 : (rgb[Math.floor(i / 4) * 3 + (i % 4)] ?? 0),
    );
    mendEye(pixels, width, height);
    expect([...pixels].filter((_, i) => i % 4 !== 3)).toEqual(bytes(after));
  });

  it('lies in the picture, however near to its edge it was marked', () => {
    expect(pixelsOf({ x: 0.98, y: 0, width: 0.02, height: 0.02 }, 101, 50)).toEqual({
      left: 98,
      top: 0,
      width: 2,
      height: 1,
    });
    expect(pixelsOf({ x: 0, y: 0, width: 1, height: 1 }, 7, 3)).toEqual({ left: 0, top: 0, width: 7, height: 3 });
  });
});
