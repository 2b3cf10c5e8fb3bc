import type { Plan, Play } from '../api/types';
import { SAMPLES } from '../parts/time';
import { along } from './plan';

export const voiceUrl = (story: string, asset: string, untouched = false): string =>
  `/api/stories/${story}/assets/${asset}/${untouched ? 'untouched' : 'voice'}.flac`;

/** Plays the plan's sounds from a second of the film on, each from its very place, at its gains. */
export class Sounds {
  private context: AudioContext | null = null;
  private readonly fetched = new Map<string, Promise<AudioBuffer>>();
  private playing: AudioBufferSourceNode[] = [];
  private round = 0;

  constructor(private readonly story: string) {}

  /** Must be called from a press of a key or a button: browsers ask for one before they let a page be heard. */
  clock(): AudioContext {
    this.context ??= new AudioContext({ sampleRate: SAMPLES });
    void this.context.resume();
    return this.context;
  }

  /** `begun` is the context's time at which second `from` of the film is heard. */
  play(plan: Plan, from: number, begun: number): void {
    this.stop();
    const round = this.round;
    for (const play of plan.plays) {
      if (play.end > from) void this.schedule(play, from, begun, round);
    }
  }

  stop(): void {
    this.round += 1;
    for (const source of this.playing) source.stop();
    this.playing = [];
  }

  private url({ bus, asset, untouched }: Play): string {
    return bus === 'voice'
      ? voiceUrl(this.story, asset, untouched)
      : `/api/stories/${this.story}/assets/${asset}/music.ogg`;
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

  private async schedule(play: Play, from: number, begun: number, round: number): Promise<void> {
    const context = this.clock();
    // The sounds soon to be heard are fetched first; the rest when their time comes near.
    const wait = play.start - from - (context.currentTime - begun) - 20;
    if (wait > 0) await new Promise((wake) => setTimeout(wake, wait * 1000));
    if (round !== this.round) return;
    const sound = await this.fetch(this.url(play)).catch(() => null);
    if (sound === null || round !== this.round) return;
    const now = Math.max(from, from + context.currentTime - begun + 0.02);
    const late = Math.max(0, now - play.start);
    const left = play.end - play.start - late;
    if (left <= 0) return;
    const source = new AudioBufferSourceNode(context, { buffer: sound });
    const gain = new GainNode(context, { gain: 0 });
    const at = (second: number) => begun + second - from;
    const first = play.start + late;
    gain.gain.setValueAtTime(gainAt(play.gains, first), Math.max(0, at(first)));
    for (const point of play.gains) {
      if (point.at > first) gain.gain.linearRampToValueAtTime(point.gain, at(point.at));
    }
    source.connect(gain).connect(context.destination);
    source.start(at(first), play.from + late, left);
    this.playing.push(source);
  }
}

const gainAt = (gains: Play['gains'], second: number): number =>
  along(
    gains,
    second,
    (point) => point.at,
    (point) => point.gain,
  );
