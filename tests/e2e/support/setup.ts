import { execFileSync } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { folder } from './controls';

/** The microphone's sound: a sample voice with a pause after it, as Chromium's stand-in device plays it over and over. */
export default function setup() {
  mkdirSync('var', { recursive: true });
  rmSync(folder(), { recursive: true, force: true });
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-i',
    'demo/voices/moon-01.ogg',
    '-ar',
    '48000',
    '-ac',
    '1',
    '-c:a',
    'pcm_s16le',
    'var/e2e-voice.wav',
  ]);
}
