import { describe, expect, it } from 'vitest';
import limits from '../../schema/limits.json';
import { Noting } from '../../web/booth/pointing/Noting';

const at = (x: number, over: string | undefined = 'p') => ({ ...(over ? { over } : {}), point: { x, y: 0.5 } });

describe('what is noted of a pointer', () => {
  it('goes from when it comes to when it goes, and rests where it was', () => {
    const noting = new Noting();
    for (let ms = 100; ms <= 400; ms += 10) noting.put(ms, 'ring', at(ms / 1000));
    noting.lift(900);
    noting.put(1500, 'ring', at(0.9));
    noting.lift(1500);
    const [first, second] = noting.strokes;
    expect(first?.points[0]).toEqual([100, 0.1, 0.5]);
    expect(first?.points.at(-1)).toEqual([900, 0.4, 0.5]);
    // No more often than is seen.
    expect(first?.points.length).toBeLessThan(14);
    expect(second?.points).toEqual([[1500, 0.9, 0.5]]);
  });

  it('begins anew on another picture, and with another pointer', () => {
    const noting = new Noting();
    noting.put(0, 'ring', at(0.1));
    noting.put(100, 'ring', at(0.2, 'q'));
    noting.put(200, 'light', at(0.3, 'q'));
    noting.put(300, 'light', at(0.3, ''));
    noting.lift(400);
    expect(noting.strokes.map(({ over, form }) => [over, form])).toEqual([
      ['p', 'ring'],
      ['q', 'ring'],
      ['q', 'light'],
      [undefined, 'light'],
    ]);
    expect(noting.strokes.map(({ points }) => points.at(-1)?.[0])).toEqual([100, 200, 300, 400]);
  });

  it('takes back what was a tap', () => {
    const noting = new Noting();
    noting.put(0, 'ring', at(0.1));
    noting.lift(50);
    noting.put(500, 'ring', at(0.4));
    noting.takeBack();
    noting.lift(600);
    expect(noting.strokes).toHaveLength(1);
  });

  it('never goes back in time, and holds as much of four hours as may be kept', () => {
    const noting = new Noting();
    for (let ms = 0; ms < 4 * 3_600_000; ms += 200) noting.put(ms, 'ring', at((ms % 1000) / 1000));
    noting.put(5, 'ring', at(0.5));
    noting.lift(10);
    const [{ points } = { points: [] }] = noting.strokes;
    expect(points.length).toBeLessThanOrEqual(limits.points);
    expect(points.length).toBeGreaterThan(limits.points / 4);
    const times = points.map(([ms = 0]) => ms);
    expect(times).toEqual(times.toSorted((a, b) => a - b));
  });
});
