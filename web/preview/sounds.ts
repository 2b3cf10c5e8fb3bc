import type { Plan } from '../api/types';

/** A piece of a sound as it is heard: seconds of the film and of the sound; the gain goes in straight lines between its points. */
interface Heard {
  url: string;
  start: number;
  end: number;
  from: number;
  gains: { at: number; gain: number }[];
}

/** Plays the plan's voices and beds from a second of the film on, each from its very place, at its gains. */
export class Sounds {
  private context: AudioContext | null = null;
  private readonly fetched = new Map<string, Promise<AudioBuffer>>();
  private playing: AudioBufferSourceNode[] = [];
  private round = 0;

  constructor(private readonly story: string) {}

  /** Must be called from a press of a key or a button: browsers ask for one before they let a page be heard. */
  clock(): AudioContext {
    this.context ??= new AudioContext({ sampleRate: 48_000 });
    void this.context.resume();
    return this.context;
  }

  /** `begun` is the context's time at which second `from` of the film is heard. */
  play(plan: Plan, from: number, begun: number): void {
    this.stop();
    const round = this.round;
    for (const heard of this.heard(plan)) {
      if (heard.end > from) void this.schedule(heard, from, begun, round);
    }
  }

  stop(): void {
    this.round += 1;
    for (const source of this.playing) source.stop();
    this.playing = [];
  }

  private heard(plan: Plan): Heard[] {
    const voices = plan.slides.flatMap(({ voice }) =>
      voice
        ? [
            {
              url: `/api/takes/${voice.take}/sound.flac`,
              start: voice.start,
              end: voice.end,
              from: voice.from,
              gains: [{ at: voice.start, gain: 10 ** (voice.gain / 20) }],
            },
          ]
        : [],
    );
    const beds = plan.beds.map((bed) => ({
      url: `/api/stories/${this.story}/music/${bed.sound}.ogg`,
      start: bed.start,
      end: bed.end,
      from: bed.from,
      gains: bed.gains,
    }));
    return [...voices, ...beds];
  }

  private fetch(url: string): Promise<AudioBuffer> {
    const known = this.fetched.get(url);
    if (known) return known;
    const context = this.clock();
    const sound = fetch(url)
      .then((response) => (response.ok ? response.arrayBuffer() : Promise.reject(new Error('no sound'))))
      .then((bytes) => context.decodeAudioData(bytes));
    sound.catch(() => this.fetched.delete(url));
    this.fetched.set(url, sound);
    return sound;
  }

  private async schedule(heard: Heard, from: number, begun: number, round: number): Promise<void> {
    const context = this.clock();
    // The sounds soon to be heard are fetched first; the rest when their time comes near.
    const wait = heard.start - from - (context.currentTime - begun) - 20;
    if (wait > 0) await new Promise((wake) => setTimeout(wake, wait * 1000));
    if (round !== this.round) return;
    const sound = await this.fetch(heard.url).catch(() => null);
    if (sound === null || round !== this.round) return;
    const now = Math.max(from, from + context.currentTime - begun + 0.02);
    const late = Math.max(0, now - heard.start);
    const left = heard.end - heard.start - late;
    if (left <= 0) return;
    const source = new AudioBufferSourceNode(context, { buffer: sound });
    const gain = new GainNode(context, { gain: 0 });
    const at = (second: number) => begun + second - from;
    const first = heard.start + late;
    gain.gain.setValueAtTime(gainAt(heard.gains, first), Math.max(0, at(first)));
    for (const point of heard.gains) {
      if (point.at > first) gain.gain.linearRampToValueAtTime(point.gain, at(point.at));
    }
    source.connect(gain).connect(context.destination);
    source.start(at(first), heard.from + late, left);
    this.playing.push(source);
  }
}

function gainAt(gains: Heard['gains'], second: number): number {
  let [before] = gains;
  for (const point of gains) {
    if (point.at > second) {
      return before === undefined || before.at >= second
        ? (before ?? point).gain
        : before.gain + ((point.gain - before.gain) * (second - before.at)) / (point.at - before.at);
    }
    before = point;
  }
  return before?.gain ?? 0;
}
