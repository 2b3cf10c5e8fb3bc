import { readFileSync } from 'node:fs';
import { describe, expect, it, vi } from 'vitest';
import type { Plan } from '../../web/api/types';
import { Sounds } from '../../web/stage/sounds';

/** What is heard in the preview is held to core's golden gains (tests/core/GoldenTest.php). Web Audio is stood in for by notes of what it is told. */
const golden = JSON.parse(readFileSync('tests/golden/performance.json', 'utf8')) as {
  plan: Plan;
  moments: { frame: number; gains: { asset: string; gain: number }[] }[];
};

interface Note {
  start: number;
  offset: number;
  length: number;
  gains: { at: number; gain: number }[];
  stopped: boolean;
}

function standIn() {
  const notes: Note[] = [];
  class Context {
    currentTime = 0;
    destination = {};
    resume = () => Promise.resolve();
    decodeAudioData = () => Promise.resolve({});
  }
  class Source {
    note: Note = { start: 0, offset: 0, length: 0, gains: [], stopped: false };
    connect = (gain: Gain) => {
      this.note.gains = gain.points;
      return gain;
    };
    start = (start: number, offset: number, length: number) => {
      Object.assign(this.note, { start, offset, length });
      notes.push(this.note);
    };
    stop = () => (this.note.stopped = true);
  }
  class Gain {
    points: { at: number; gain: number }[] = [];
    gain = {
      setValueAtTime: (gain: number, at: number) => this.points.push({ at, gain }),
      linearRampToValueAtTime: (gain: number, at: number) => this.points.push({ at, gain }),
    };
    connect = () => undefined;
  }
  vi.stubGlobal('AudioContext', Context);
  vi.stubGlobal('AudioBufferSourceNode', Source);
  vi.stubGlobal('GainNode', Gain);
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(new ArrayBuffer(8))));
  return notes;
}
/** The gain that straight lines between the points give, as Web Audio draws them. */
function gainOf({ gains }: Note, at: number): number {
  let [before] = gains;
  for (const point of gains) {
    if (point.at >= at) {
      return before === undefined || point.at === before.at
        ? point.gain
        : before.gain + ((point.gain - before.gain) * (at - before.at)) / (point.at - before.at);
    }
    before = point;
  }
  return before?.gain ?? 0;
}
const settled = () => new Promise((wake) => setTimeout(wake, 20));

describe('the preview’s sound', () => {
  it.each([0, 6.4, 13])('is what core says is heard, begun at second %d', async (from) => {
    vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 400 });
    const notes = standIn();
    const sounds = new Sounds('story');
    sounds.play(golden.plan, from, 0);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(notes).toHaveLength(golden.plan.plays.filter((play) => play.end > from).length);
    let compared = 0;
    for (const { frame, gains } of golden.moments) {
      const second = frame / golden.plan.fps;
      if (second < from + 0.1) continue;
      const heard = notes.filter((n) => second - from >= n.start - 1e-6 && second - from < n.start + n.length - 1e-6);
      expect(heard.length, `at ${second} s`).toBe(gains.length);
      const now = heard.map((note) => gainOf(note, second - from)).sort((a, b) => a - b);
      for (const [i, gain] of gains
        .map((g) => g.gain)
        .sort((a, b) => a - b)
        .entries()) {
        expect(now[i], `at ${second} s`).toBeCloseTo(gain, 3);
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(20);
  });

  it('of a voice begins at its very place, also in its middle', async () => {
    const notes = standIn();
    const voiced = golden.plan.plays.find(({ bus }) => bus === 'voice');
    if (!voiced) throw new Error('somebody speaks');
    const sounds = new Sounds('story');
    sounds.play({ ...golden.plan, plays: [voiced] }, voiced.start + 1, 0);
    await settled();
    expect(notes[0]?.offset).toBeCloseTo(voiced.from + 1.02, 2);
    expect(notes[0]?.length).toBeCloseTo(voiced.end - voiced.start - 1.02, 2);
    sounds.stop();
    expect(notes.every((n) => n.stopped)).toBe(true);
  });

  it('that could not be fetched is asked for again, and stops nothing', async () => {
    const notes = standIn();
    let tries = 0;
    vi.stubGlobal('fetch', () => {
      tries += 1;
      return Promise.resolve(new Response(new ArrayBuffer(8), { status: tries === 1 ? 404 : 200 }));
    });
    const sounds = new Sounds('story');
    const one = { ...golden.plan, plays: golden.plan.plays.slice(0, 1) };
    sounds.play(one, 0, 0);
    await settled();
    expect(notes).toHaveLength(0);
    sounds.play(one, 0, 0);
    await settled();
    expect(notes).toHaveLength(1);
  });
});
