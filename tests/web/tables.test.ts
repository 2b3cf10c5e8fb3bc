import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { inside, PLAIN, type Recipe } from '../../web/mend/recipe';
import { colour, LOOKS, tablesOf, type Levels } from '../../web/mend/tables';

/** The page's arithmetic for colours is held to core's: tests/core/MendingTest.php writes it. */
const golden = JSON.parse(readFileSync('tests/golden/tones.json', 'utf8')) as {
  tones: { name: string; tone: Partial<Recipe>; levels: Levels | null; colours: [number[], number[]][] }[];
  inside: [number, number, number][];
};

describe('mending in the page', () => {
  it.each(golden.tones)('does as core does: $name', ({ tone, levels, colours }) => {
    const pixels = new Uint8ClampedArray(colours.flatMap(([from]) => [...from, 255]));
    const made = new Uint8ClampedArray(pixels.length);
    colour(pixels, tablesOf({ ...PLAIN, ...tone }, levels ?? undefined), made);
    const got = colours.map((_, i) => [...made.slice(4 * i, 4 * i + 3)]);
    expect(got).toEqual(colours.map(([, to]) => to));
  });

  it('knows every look', () => {
    expect(golden.tones.map(({ name }) => name).filter((name) => (LOOKS as readonly string[]).includes(name))).toEqual(
      LOOKS,
    );
  });

  it('keeps no empty corner', () => {
    for (const [ratio, degrees, share] of golden.inside) expect(inside(ratio, degrees)).toBeCloseTo(share, 8);
  });
});
