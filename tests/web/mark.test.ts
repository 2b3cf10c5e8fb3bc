import { describe, expect, it } from 'vitest';
import limits from '../../schema/limits.json';
import type { Mark } from '../../web/api/types';
import { drawn, moved, put, stretched } from '../../web/classroom/remarks/mark/mark';

const span = ({ x, y, toX, toY }: Mark) => Math.max(Math.abs(toX - x), Math.abs(toY - y));
const isOnPicture = (mark: Mark) => [mark.x, mark.y, mark.toX, mark.toY].every((share) => share >= 0 && share <= 1);

describe('a mark on a picture', () => {
  it('is drawn from where one pressed to where one let go', () => {
    expect(drawn('ring', { x: 0.2, y: 0.3 }, { x: 0.6, y: 0.7 })).toEqual({
      form: 'ring',
      x: 0.2,
      y: 0.3,
      toX: 0.6,
      toY: 0.7,
    });
    expect(drawn('arrow', { x: 0.9, y: 0.5 }, { x: 1.4, y: -0.2 })).toMatchObject({ x: 0.9, y: 0.5, toX: 1, toY: 0 });
  });

  it('is put where somebody only pressed, large enough to be seen and within the picture, wherever that is', () => {
    for (const form of ['ring', 'arrow'] as const)
      for (const x of [0, 0.01, 0.5, 0.99, 1])
        for (const y of [0, 0.01, 0.5, 0.99, 1]) {
          const mark = drawn(form, { x, y }, { x: x + 0.001, y });
          expect(mark).toEqual(put(form, { x, y }));
          expect(isOnPicture(mark), JSON.stringify(mark)).toBe(true);
          expect(span(mark)).toBeGreaterThanOrEqual(limits.leastMark);
          // An arrow's tip is at what it is about.
          if (form === 'arrow') expect([mark.toX, mark.toY]).toEqual([x, y]);
        }
  });

  it('is moved as a whole and stops at the edges', () => {
    const ring = put('ring');
    expect(span(moved(ring, 0.1, -0.1))).toBeCloseTo(span(ring));
    for (const [dx, dy] of [
      [5, 0],
      [-5, 0],
      [0, 5],
      [0, -5],
    ] as const) {
      const mark = moved(ring, dx, dy);
      expect(isOnPicture(mark)).toBe(true);
      expect(mark.toX - mark.x).toBeCloseTo(ring.toX - ring.x);
      expect(mark.toY - mark.y).toBeCloseTo(ring.toY - ring.y);
    }
  });

  it('is stretched at its other end, and never to a speck', () => {
    const arrow: Mark = { form: 'arrow', x: 0.5, y: 0.5, toX: 0.53, toY: 0.5 };
    expect(stretched(arrow, 0.1, 0.2)).toMatchObject({ x: 0.5, y: 0.5, toX: 0.63, toY: 0.7 });
    expect(stretched(arrow, 3, 3)).toMatchObject({ toX: 1, toY: 1 });
    expect(stretched(arrow, -0.02, 0)).toEqual(arrow);
    // Past its beginning it points the other way.
    expect(stretched(arrow, -0.1, 0).toX).toBeCloseTo(0.43);
  });
});
