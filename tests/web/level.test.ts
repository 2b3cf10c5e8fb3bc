import { describe, expect, it } from 'vitest';
import { judge, Level, room, SILENT, type Heard } from '../../web/microphone/level';

const RATE = 48_000;
const BLOCK = 4096;

/** What is heard of so many seconds of a sound, in blocks as the browser gives them. */
function heard(seconds: number, sound: (second: number) => number): Heard {
  const level = new Level(RATE);
  let last = SILENT;
  for (let from = 0; from < seconds * RATE; from += BLOCK) {
    const at = from / RATE;
    last = level.hear(
      Float32Array.from({ length: BLOCK }, (_, i) => sound((from + i) / RATE)),
      at,
    );
  }
  return last;
}
const amplitude = (decibels: number) => 10 ** (decibels / 20);
const tone = (hertz: number, peak: number) => (second: number) =>
  amplitude(peak) * Math.sin(2 * Math.PI * hertz * second);
let seed = 1;
const noise = (peak: number) => () => {
  seed = (seed * 48_271) % 2_147_483_647;
  return amplitude(peak) * ((2 * seed) / 2_147_483_647 - 1);
};
/** Words of a third of a second, with as long a pause after each. */
const speech = (peak: number, under: (second: number) => number) => (second: number) =>
  under(second) + (second % 0.66 < 0.33 ? tone(180, peak)(second) : 0);

describe('the level of a microphone', () => {
  it('tells peaks and power in dBFS as a sine has them (AES17: its power lies 3 dB under its peak)', () => {
    const { peak, noise: floor } = heard(4, tone(1000, -20));
    expect(peak).toBeCloseTo(-20, 1);
    expect(floor).toBeCloseTo(-23, 1);
  });

  it.each([
    [-100, 'silent'],
    [-40, 'too-quiet'],
    [-25, 'quiet'],
    [-20, 'good'],
    [-12, 'good'],
    [-6, 'loud'],
    [-0.5, 'too-loud'],
  ])('a peak of %d dBFS is %s', (peak, verdict) => {
    expect(judge({ ...SILENT, peak })).toBe(verdict);
  });

  it('a steady tone at -20 dBFS is not too loud', () => {
    expect(judge(heard(5, tone(440, -20)))).toBe('good');
  });

  it('finds the voice over the noise of a room, and how loud that is', () => {
    const { voice, noise: floor } = heard(6, speech(-14, noise(-60)));
    // A block of 85 ms may hold the edge of a word.
    expect(voice).toBeGreaterThan(-19);
    expect(voice).toBeLessThan(-16.5);
    // Evenly spread noise: its power lies 4.8 dB under its peak.
    expect(floor).toBeGreaterThan(-66);
    expect(floor).toBeLessThan(-63);
  });

  it('forgets what was loud after three seconds', () => {
    expect(heard(2, tone(300, -3)).peak).toBeCloseTo(-3, 0);
    expect(heard(6, (second) => (second < 2 ? tone(300, -3)(second) : 0)).peak).toBeLessThan(-90);
  });

  it.each([
    ['a fan', tone(100, -40), 'hums'],
    ['a lamp with its overtone', (s: number) => tone(50, -44)(s) + tone(150, -46)(s), 'hums'],
    ['a busy street', noise(-35), 'noisy'],
    ['a quiet room', noise(-62), null],
    ['a quiet room with a little hum', tone(50, -58), null],
  ])('says of %s that it is %s', (_, sound, said) => {
    expect(room(heard(4, sound))).toBe(said);
    // While somebody speaks too.
    expect(room(heard(6, speech(-14, sound)))).toBe(said);
  });

  it('says nothing of a room that it has not heard for long enough', () => {
    expect(room(heard(1, noise(-30)))).toBeNull();
  });
});
