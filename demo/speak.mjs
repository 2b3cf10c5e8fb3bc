// Speaks the sample stories with Debian's flite and keeps each slide's voice as a file: node demo/speak.mjs [STORY…]
// A second of a quiet room is left before and after, as people leave it.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const scratch = mkdtempSync(join(tmpdir(), 'speak-'));
const read = (name) => JSON.parse(readFileSync(new URL(`${name}.json`, import.meta.url), 'utf8'));
const stories = read('school').classes.flatMap((name) => read(name).stories);
const wanted = process.argv.slice(2);
for (const story of stories.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
  const lines = [{ script: story.opening }, ...story.slides.map((s) => (s.unspoken ? { script: '' } : s))];
  lines.forEach(({ script, voice = story.voice }, i) => {
    if (!script) return;
    const wav = join(scratch, 'voice.wav');
    execFileSync('flite', ['-voice', voice, '-t', script, '-o', wav]);
    // Each slide at a level of its own, as people record them.
    const level = [-3, -7, 0, -10][i % 4];
    const out = new URL(`voices/${story.name}-${String(i).padStart(2, '0')}.ogg`, import.meta.url).pathname;
    execFileSync('ffmpeg', [
      '-v',
      'error',
      '-y',
      '-i',
      wav,
      '-f',
      'lavfi',
      '-i',
      'anoisesrc=r=48000:a=0.0012:c=pink:seed=7',
      '-filter_complex',
      `[0:a]aresample=48000,volume=${level}dB,adelay=900:all=1,apad=pad_dur=1.1[v];[v][1:a]amix=inputs=2:duration=first:normalize=0`,
      '-c:a',
      'libopus',
      '-b:a',
      '40k',
      '-bitexact',
      out,
    ]);
  });
}
