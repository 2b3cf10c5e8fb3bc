import { describe, expect, it } from 'vitest';
import limits from '../../schema/limits.json';
import golden from '../golden/performance.json';
import type { PictureLayer, PlannedPicture, Spoken } from '../../web/api/types';
import { WHOLE } from '../../web/parts/boxes';
import { comfortOf, paceOf } from '../../web/stage/comfort';
import { framingOf, hasRoom, inOrder, momentAt, pathOf, secondOf, withStop } from '../../web/script/one/framing';

const box = (x: number, width = 0.5) => ({ x, y: 0, width, height: width });
const spoken: Spoken = {
  spoken: true,
  samples: 0,
  sentences: [],
  pauses: [],
  repeats: [],
  beside: { noise: 0, breaths: 0, clicks: 0 },
  zero: 1.5,
  words: [
    { text: 'Here', at: 1.7, to: 1.9 },
    { text: 'is', at: 2, to: 2.1 },
    { text: 'it.', at: 3, to: 3.4 },
  ],
};
const framing = (...stops: Parameters<typeof inOrder>[0]) => ({
  motion: 'set' as const,
  opensOn: box(0, 1),
  closesOn: box(0, 1),
  stops,
});

describe('stops on the way of the look', () => {
  it('are reached as their word is said, or at their second of the voice', () => {
    expect(secondOf({ word: 1 }, spoken)).toBe(2);
    expect(secondOf({ word: 99 }, spoken)).toBe(3);
    expect(secondOf({ at: 4 }, spoken)).toBe(5.5);
    expect(secondOf({ word: 1 }, { ...spoken, words: [] })).toBe(1.5);
  });

  it('are reached when core says so', () => {
    const { stops, spoken: told, reached } = golden.stops;
    expect(stops.map((stop) => secondOf(stop, told))).toEqual(reached);
    expect(reached).toHaveLength(2);
  });

  it('are gone through in the order of time, whatever their order in the list', () => {
    const stops = [
      { frame: box(0.1), word: 2 },
      { frame: box(0.2), at: 0 },
      { frame: box(0.3), word: 1 },
    ];
    expect(inOrder(stops, spoken)).toEqual([1, 2, 0]);
    expect(pathOf(framing(...stops), spoken, 10).map(({ at }) => at)).toEqual([0, 0.15, 0.2, 0.3, 1]);
  });

  it('are tied to a word within reach, and to the second where there is none', () => {
    expect(momentAt(2.04, spoken, 0.1)).toEqual({ word: 1 });
    expect(momentAt(2.5, spoken, 0.1)).toEqual({ at: 1 });
    expect(momentAt(0.2, spoken, 0)).toEqual({ at: 0 });
    expect(momentAt(2.04, { ...spoken, spoken: false }, 0.1)).toEqual({ at: 0.54 });
    expect(momentAt(2, spoken, -1), 'by keys it is not drawn to a word').toEqual({ at: 0.5 });
  });

  it('are added in the middle of the longest way, nearer than what is seen there, up to the limit', () => {
    const { ease } = golden.plan;
    const silent = { ...spoken, spoken: false };
    let now = framing({ frame: box(0.5), at: 0.5 });
    const [, added] = withStop(now, silent, 12, ease);
    expect(added?.at).toBeCloseTo(7 - 1.5, 3);
    // Calmly, where there is time for it.
    const whole = { ...framing(), opensOn: WHOLE, closesOn: WHOLE };
    for (const [seconds, width] of [
      [4, 0.95],
      [7, 0.9],
      [11, 0.8],
    ] as const) {
      const stops = withStop(whole, silent, seconds, ease);
      expect(stops[0]?.frame.width, `in ${seconds} s`).toBeCloseTo(width, 6);
      expect(paceOf(comfortOf(pathOf({ ...whole, stops }, silent, seconds), ease, seconds))).toBe('calm');
    }
    while (hasRoom(now)) now = { ...now, stops: withStop(now, spoken, 12, ease) };
    expect(now.stops).toHaveLength(limits.stops);
  });

  it('are read with the frames that the plan has found', () => {
    const planned = {
      path: [
        { at: 0, frame: box(0.1) },
        { at: 1, frame: box(0.2) },
      ],
    } as PlannedPicture;
    expect(framingOf(undefined, planned)).toEqual({
      motion: 'auto',
      opensOn: box(0.1),
      closesOn: box(0.2),
      stops: [],
    });
    const layer = { framing: { motion: 'set', stops: [{ frame: box(0.3), word: 1 }] } } as unknown as PictureLayer;
    expect(framingOf(layer, planned).stops).toHaveLength(1);
  });
});
