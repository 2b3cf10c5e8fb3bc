import limits from '../../schema/limits.json';
import type { Recipe } from './recipe';

/**
 * Core's arithmetic for light and colours (core/Picture/ColourTables and Levels), so that a picture is seen as it will be while a
 * slider moves. tests/web/tables.test.ts holds it to core's own results.
 */
export interface Levels {
  low: number[];
  high: number[];
  middle: number;
}
export interface Tables {
  before: Uint8Array[];
  matrix: number[];
  after: Uint8Array;
}
type Tone = Pick<Recipe, 'clear' | 'light' | 'contrast' | 'warmth' | 'colour' | 'look' | 'strength'>;

export const LOOKS = ['ink', 'pencil', 'tea', 'album', 'hearth', 'frost', 'fair', 'dusk'] as const;
export type Look = (typeof LOOKS)[number];
interface LookOf {
  matrix: number[];
  contrast?: number;
  ends?: [number, number];
}
const looks: Record<Look, LookOf> = {
  ink: { matrix: [0.3, 0.6, 0.1, 0.3, 0.6, 0.1, 0.3, 0.6, 0.1], contrast: 0.28 },
  pencil: { matrix: [0.36, 0.46, 0.18, 0.36, 0.46, 0.18, 0.36, 0.46, 0.18], contrast: -0.1, ends: [0.09, 0.97] },
  tea: { matrix: [0.34, 0.58, 0.14, 0.29, 0.53, 0.12, 0.22, 0.44, 0.1], ends: [0.03, 0.97] },
  album: { matrix: [0.8, 0.15, 0.05, 0.08, 0.84, 0.08, 0.1, 0.15, 0.75], ends: [0.1, 0.94] },
  hearth: { matrix: [1.03, 0.05, 0, 0.02, 0.98, 0, 0, 0.04, 0.84] },
  frost: { matrix: [0.88, 0.04, 0.02, 0, 0.96, 0.04, 0.02, 0.06, 1], ends: [0.02, 1] },
  fair: { matrix: [1.26, -0.22, -0.04, -0.06, 1.12, -0.06, -0.04, -0.2, 1.24], contrast: 0.12 },
  dusk: { matrix: [0.62, 0.26, 0.06, 0.14, 0.7, 0.12, 0.12, 0.28, 0.64], contrast: 0.18, ends: [0, 0.86] },
};
const LUMA = [0.2126, 0.7152, 0.0722] as const;
const NONE = [1, 0, 0, 0, 1, 0, 0, 0, 1];
const MOST = limits.tone;
const within = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value));
const level = (value: number) => Math.floor(255 * within(value, 0, 1) + 0.5);
const values = Array.from({ length: 256 }, (_, i) => i);

/** What makes a picture clear: the values that become black and white, and the exponent of what lies between. */
function clearing({ low, high, middle }: Levels): [number[], number[], number] {
  const end = (away: number) => (away <= 16 ? 0 : Math.min(90, away));
  const black = low.map((value) => 0.8 * end(value));
  const white = high.map((value) => 255 - 0.8 * end(255 - value));
  const grey = (three: number[]) => LUMA[0] * (three[0] ?? 0) + LUMA[1] * (three[1] ?? 0) + LUMA[2] * (three[2] ?? 0);
  const at = (middle - grey(black)) / Math.max(1, grey(white) - grey(black));
  const good = within(at, 0.27, 0.62);
  const lies = within(at, 0.03, 0.97);
  const whole = within(Math.log(good) / Math.log(lies), 0.5, 1.3);
  return [black, white, Math.abs(good - lies) < 1e-9 ? 1 : 1 + 0.5 * (whole - 1)];
}

function tablesBefore(tone: Tone, levels: Levels | undefined): Uint8Array[] {
  const plain: [number[], number[], number] = [[0, 0, 0], [255, 255, 255], 1];
  const [low, high, exponent] = tone.clear && levels ? clearing(levels) : plain;
  const power = exponent * 2 ** ((-0.8 * tone.light) / MOST);
  const warmth = (0.18 * tone.warmth) / MOST;
  return [1 + warmth, 1, 1 - warmth].map((factor, channel) => {
    const [from, to] = [low[channel] ?? 0, high[channel] ?? 255];
    return Uint8Array.from(values, (i) => level(factor * within((i - from) / (to - from), 0, 1) ** power));
  });
}

function mixed(tone: Tone): number[] {
  const by = 1 + tone.colour / MOST;
  const saturation = [0, 1, 2].flatMap((row) =>
    LUMA.map((weight, column) => (1 - by) * weight + (row === column ? by : 0)),
  );
  if (tone.look === null) return saturation;
  const share = tone.strength / MOST;
  const look = looks[tone.look].matrix.map((whole, i) => (NONE[i] ?? 0) + share * (whole - (NONE[i] ?? 0)));
  return [0, 3, 6].flatMap((row) =>
    [0, 1, 2].map((column) =>
      [0, 1, 2].reduce((sum, k) => sum + (look[row + k] ?? 0) * (saturation[3 * k + column] ?? 0), 0),
    ),
  );
}

function tableAfter(tone: Tone): Uint8Array {
  const look = tone.look === null ? null : looks[tone.look];
  const share = look ? tone.strength / MOST : 0;
  const contrast = within(tone.contrast / MOST + share * (look?.contrast ?? 0), -1, 1);
  const [lowest, highest] = look?.ends ?? [0, 1];
  const [black, white] = [share * lowest, 1 + share * (highest - 1)];
  const slope = 1 + 0.8 * contrast;
  return Uint8Array.from(values, (i) => {
    const from = (2 * i) / 255 - 1;
    const to = slope >= 1 ? (from < 0 ? -1 : 1) * (1 - (1 - Math.abs(from)) ** slope) : from * slope;
    return level(black + (white - black) * (0.5 + 0.5 * to));
  });
}

export const tablesOf = (tone: Tone, levels?: Levels): Tables => ({
  before: tablesBefore(tone, levels),
  matrix: mixed(tone),
  after: tableAfter(tone),
});

/** Colours pixels (red, green, blue and opacity of one after the other) as the tables say. */
export function colour(
  pixels: Uint8ClampedArray,
  { before, matrix, after }: Tables,
  to: Uint8ClampedArray<ArrayBuffer>,
): void {
  const [reds, greens, blues] = before as [Uint8Array, Uint8Array, Uint8Array];
  const [a, b, c, d, e, f, g, h, i] = matrix as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  // A value that is not there cannot be met: every byte has its place in a table of 256.
  const of = (table: Uint8Array, value: number) => table[value] as number;
  const out = (value: number) => of(after, value < 0 ? 0 : value > 255 ? 255 : Math.floor(value + 0.5));
  for (let at = 0; at < pixels.length; at += 4) {
    const red = of(reds, pixels[at] as number);
    const green = of(greens, pixels[at + 1] as number);
    const blue = of(blues, pixels[at + 2] as number);
    to[at] = out(a * red + b * green + c * blue);
    to[at + 1] = out(d * red + e * green + f * blue);
    to[at + 2] = out(g * red + h * green + i * blue);
    to[at + 3] = 255;
  }
}
