import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { SoundCount } from '../../web/booth/counted/SoundCount';
import { opus } from '../../web/booth/counted/webm';

/** A tone of some seconds as ffmpeg writes it, the general-purpose tool that is measured against. */
function made(ending: string, seconds: number, ...how: string[]): Uint8Array<ArrayBuffer> {
  const file = join(tmpdir(), `counted-${process.pid}-${how.length}-${seconds}.${ending}`);
  const tone = ['-f', 'lavfi', '-i', `sine=frequency=330:sample_rate=48000:duration=${seconds}`];
  execFileSync('ffmpeg', ['-v', 'error', '-y', ...tone, ...how, file]);
  return new Uint8Array(readFileSync(file));
}

const inParts = (bytes: Uint8Array<ArrayBuffer>, size: number) => {
  const sound = new SoundCount();
  const told: number[] = [];
  for (let at = 0; at < bytes.length; at += size) told.push(sound.add(bytes.slice(at, at + size).buffer));
  return told;
};
const opusIn = ['-c:a', 'libopus', '-b:a', '96k'];
const fragments = ['-movflags', 'frag_keyframe+empty_moov+default_base_moof', '-frag_duration', '500000'];

describe('how much sound a recording holds', () => {
  it.each([
    ['WebM, packets of 20 ms', made('webm', 7.5, ...opusIn)],
    ['WebM, packets of 60 ms', made('webm', 7.5, ...opusIn, '-frame_duration', '60')],
    ['WebM, packets of 2.5 ms', made('webm', 7.5, ...opusIn, '-frame_duration', '2.5', '-application', 'lowdelay')],
    ['MP4 of Opus in fragments', made('mp4', 7.5, ...opusIn, ...fragments)],
    ['MP4 of AAC in fragments', made('mp4', 7.5, '-c:a', 'aac', ...fragments)],
  ])('is counted in it: %s', (_, bytes) => {
    for (const size of [bytes.length, 4000, 777, 1]) {
      const told = inParts(bytes, size);
      expect(told.at(-1)).toBeGreaterThan(7.45);
      expect(told.at(-1)).toBeLessThan(7.62);
      // Never more than there is of it: of half of the bytes of a tone, not more than about half.
      if (size === 777) expect(told[Math.floor(told.length / 2)]).toBeLessThan(4.5);
      expect(told).toEqual(told.toSorted((a, b) => a - b));
    }
  });

  it('is what there is, where a machine lost some of it: times in the file tell of more', () => {
    // What came between two and five seconds is missing; what came after it is timed as it was spoken.
    const bytes = made('webm', 7.5, '-af', "aselect='not(between(t,2,5))'", ...opusIn);
    const told = inParts(bytes, 1000).at(-1);
    expect(told).toBeGreaterThan(4.4);
    expect(told).toBeLessThan(4.7);
  });

  it('claims nothing more once it does not know what it reads', () => {
    const bytes = made('webm', 2, ...opusIn);
    const sound = new SoundCount();
    sound.add(bytes.slice(0, 12_000).buffer);
    const first = sound.add(new Uint8Array(9000).buffer);
    expect(first).toBeLessThan(1.2);
    expect(sound.add(bytes.slice(12_000).buffer)).toBe(first);
    expect(new SoundCount().add(new TextEncoder().encode('<!doctype html><html></html>').buffer)).toBe(0);
    expect(new SoundCount().add(new ArrayBuffer(0))).toBe(0);
  });

  it('knows how long an Opus packet is by its first bytes (RFC 6716, table 2 and section 3.1)', () => {
    const seconds = (config: number, code: number, count = 0) => Math.round(10_000 * opus((config << 3) | code, count));
    expect([0, 1, 2, 3].map((config) => seconds(config, 0))).toEqual([100, 200, 400, 600]);
    expect([12, 13].map((config) => seconds(config, 0))).toEqual([100, 200]);
    expect([28, 29, 30, 31].map((config) => seconds(config, 0))).toEqual([25, 50, 100, 200]);
    expect([1, 2].map((code) => seconds(31, code))).toEqual([400, 400]);
    // Six frames of 20 ms, the largest that there may be: 120 ms, whatever the bits beside the count say.
    expect(seconds(31, 3, 0b1100_0110)).toBe(1200);
  });
});
