import { execFileSync } from 'node:child_process';
import { type Page, expect } from './test';

/** Samples a second of what it hears. */
const RATE = 48_000;

/** Chromium's, not yet of the language's own types: https://www.w3.org/TR/mediacapture-transform/ has it for pictures. */
declare class MediaStreamTrackGenerator extends MediaStreamTrack {
  constructor(of: { kind: 'audio' });
  readonly writable: WritableStream<AudioData>;
}

interface Heard {
  say: (from: number, to: number) => Promise<number>;
}

/**
 * The microphone hears a file over a quiet room, again and again or as it is said. Where the machine stands still for a moment
 * it hears the rest at once when that is over, so that nothing is missing in the middle of a word.
 */
export async function hears(page: Page, file: string, { again = false } = {}) {
  const sound = execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-f', 's16le', '-ac', '1', '-ar', `${RATE}`, '-'], {
    maxBuffer: 1 << 28,
  });
  await page.addInitScript(
    ({ data, rate, loops }) => {
      navigator.mediaDevices.getUserMedia = () => {
        const bytes = Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0));
        const said = Float32Array.from(new Int16Array(bytes.buffer), (sample) => sample / 32_768);
        const microphone = new MediaStreamTrackGenerator({ kind: 'audio' });
        const writer = microphone.writable.getWriter();
        const begun = performance.now();
        let written = 0;
        let next: { from: number; to: number; begins: number; ends: (begins: number) => void } | null = null;
        const sample = () => {
          const room = (Math.random() - 0.5) * 0.0006;
          if (loops) return room + (said[written % said.length] ?? 0);
          if (!next || written < next.begins) return room;
          const { from, to, begins, ends } = next;
          const at = from + written - begins;
          if (at >= to) {
            next = null;
            ends(begins);
            return room;
          }
          return room + (said[at] ?? 0);
        };
        const due = () => Math.floor(((performance.now() - begun) * rate) / 1000);
        const timer = setInterval(() => {
          for (let until = due(); written + 480 <= until;) {
            const timestamp = Math.round((written * 1e6) / rate);
            const part = Float32Array.from({ length: 480 }, () => {
              const heard = sample();
              written += 1;
              return heard;
            });
            writer
              .write(
                new AudioData({
                  format: 'f32-planar',
                  sampleRate: rate,
                  numberOfChannels: 1,
                  numberOfFrames: part.length,
                  timestamp,
                  data: part,
                }),
              )
              .catch(() => clearInterval(timer));
          }
        }, 10);
        const heard: Heard = {
          say: (from, to) => new Promise((ends) => (next = { from, to, begins: due(), ends })),
        };
        Object.assign(window, { heard });
        return Promise.resolve(new MediaStream([microphone]));
      };
    },
    { data: sound.toString('base64'), rate: RATE, loops: again },
  );
}

/** Says a part of it, in samples; tells when it is said, and where in what the microphone hears it began. */
export const say = (page: Page, from: number, to: number) =>
  page.evaluate(([a = 0, b = 0]) => (window as unknown as { heard: Heard }).heard.say(a, b), [from, to]);

/** Speaks on until the recorder's clock has come to so many seconds. A second may pass between two looks at it. */
export const spokenFor = (page: Page, seconds: number) =>
  expect
    .poll(async () => {
      const shown = await page
        .getByRole('status')
        .filter({ hasText: /^\d:\d\d$/ })
        .allInnerTexts();
      return Math.max(-1, ...shown.map((text) => Number(text.split(':')[0]) * 60 + Number(text.split(':')[1])));
    })
    .toBeGreaterThanOrEqual(seconds);
