// Plays the sample class's own piece of music, a slow waltz on plucked strings, and keeps it as a file: node demo/play.mjs
import { execFileSync } from 'node:child_process';
import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const RATE = 48_000;
const BEAT = 0.62;
// One bar to a chord, in steps of the scale of D; the tune walks over it.
const chords = [[0, 4, 7], [9, 12, 16], [5, 9, 12], [7, 11, 14], [0, 4, 7], [5, 9, 12], [7, 11, 14], [0, 4, 7]];
const tune = [16, null, 14, 12, null, 9, 12, 14, null, 11, null, 7, 16, 19, null, 17, 16, 14, 14, null, 11, 12, null, null];
const bars = 24;
const length = Math.ceil((bars * 3 * BEAT + 4) * RATE);
const left = new Float32Array(length);
const right = new Float32Array(length);

/** A plucked string: Karplus and Strong's, a burst of noise that goes round in a loop and loses its edge. */
function pluck(at, step, level, pan) {
  const frequency = 146.83 * 2 ** (step / 12);
  const loop = new Float32Array(Math.round(RATE / frequency));
  let seed = 7 + step;
  for (let i = 0; i < loop.length; i += 1) {
    seed = (seed * 16807) % 2147483647;
    loop[i] = seed / 1073741823.5 - 1;
  }
  for (let round = 0; round < 3; round += 1) for (let i = 0; i < loop.length; i += 1) loop[i] = (loop[i] + loop[(i + 1) % loop.length]) / 2;
  // A string does not move as a whole.
  const mean = loop.reduce((sum, value) => sum + value, 0) / loop.length;
  for (let i = 0; i < loop.length; i += 1) loop[i] -= mean;
  const start = Math.round(at * RATE);
  for (let i = 0; i < RATE * 3 && start + i < length; i += 1) {
    const k = i % loop.length;
    const value = loop[k] * level;
    loop[k] = 0.997 * 0.5 * (loop[k] + loop[(k + 1) % loop.length]);
    left[start + i] += value * (1 - pan);
    right[start + i] += value * pan;
  }
}
for (let bar = 0; bar < bars; bar += 1) {
  const chord = chords[bar % chords.length];
  const at = bar * 3 * BEAT;
  pluck(at, chord[0] - 12, 0.5, 0.45);
  pluck(at + BEAT, chord[1], 0.22, 0.6);
  pluck(at + 2 * BEAT, chord[2], 0.22, 0.62);
  for (let beat = 0; beat < 3; beat += 1) {
    const step = tune[(bar * 3 + beat) % tune.length];
    if (step !== null && bar >= 4) pluck(at + beat * BEAT + 0.012, step + 12, 0.34, 0.38);
  }
}
const pcm = Buffer.alloc(length * 8);
for (let i = 0; i < length; i += 1) {
  pcm.writeFloatLE(Math.tanh(left[i] * 2.6), i * 8);
  pcm.writeFloatLE(Math.tanh(right[i] * 2.6), i * 8 + 4);
}
const raw = join(mkdtempSync(join(tmpdir(), 'play-')), 'music.f32');
writeFileSync(raw, pcm);
mkdirSync(new URL('music/', import.meta.url), { recursive: true });
const out = new URL('music/low-water-waltz.ogg', import.meta.url).pathname;
execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'f32le', '-ar', String(RATE), '-ac', '2', '-i', raw, '-af', 'aecho=0.8:0.6:60|110:0.25|0.15', '-c:a', 'libopus', '-b:a', '72k', '-bitexact', out]);
