import { describe, expect, it } from 'vitest';
import { moved, scaled, shaped, sized, type Box, type Hold } from '../../web/parts/boxes';

const box: Box = { x: 0.2, y: 0.3, width: 0.4, height: 0.2 };
const isWithin = ({ x, y, width, height }: Box) =>
  x >= -1e-9 && y >= -1e-9 && x + width <= 1 + 1e-9 && y + height <= 1 + 1e-9 && width > 0.0499 && height > 0;

describe('a box in a picture', () => {
  it('is moved, and never out of it', () => {
    expect(moved(box, 0.1, -0.1)).toEqual({ ...box, x: expect.closeTo(0.3), y: expect.closeTo(0.2) });
    expect(moved(box, 5, 5)).toEqual({ ...box, x: 0.6, y: 0.8 });
    expect(moved(box, -5, -5)).toEqual({ ...box, x: 0, y: 0 });
  });

  it('is sized by an edge, the others stay', () => {
    const wider = sized(box, 'e', 0.1, 0.4, null);
    expect(wider).toEqual({ ...box, width: expect.closeTo(0.5) });
    expect(sized(box, 'n', 0, -1, null)).toEqual({
      x: 0.2,
      y: 0,
      width: expect.closeTo(0.4),
      height: expect.closeTo(0.5),
    });
    expect(sized(box, 'w', 3, 0, null).width).toBeCloseTo(0.05);
  });

  it('keeps its shape, whatever corner is pulled wherever', () => {
    const holds: Hold[] = ['wn', 'en', 'ws', 'es'];
    for (const hold of holds)
      for (const ratio of [0.4, 1, 2])
        for (const dx of [-0.9, -0.1, 0, 0.25, 2])
          for (const dy of [-0.7, 0, 0.3, 3]) {
            const made = sized(shaped(box, ratio), hold, dx, dy, ratio);
            expect(made.width / made.height).toBeCloseTo(ratio, 6);
            expect(isWithin(made), `${hold} ${ratio} ${dx} ${dy}: ${JSON.stringify(made)}`).toBe(true);
          }
  });

  it('grows about its middle until it meets a side', () => {
    expect(scaled(box, 0.5)).toEqual({
      x: expect.closeTo(0.3),
      y: expect.closeTo(0.35),
      width: expect.closeTo(0.2),
      height: expect.closeTo(0.1),
    });
    const largest = scaled(box, 9);
    expect([largest.width, largest.height]).toEqual([expect.closeTo(1), expect.closeTo(0.5)]);
    expect(isWithin(largest)).toBe(true);
  });
});
