import type { PlannedSlide } from '../api/types';

type Voice = NonNullable<PlannedSlide['voice']>;

/** Plays the plan's voices from a second of the film on, each from its very place in its take, at its gain. */
export class Voices {
  private context: AudioContext | null = null;
  private readonly sounds = new Map<string, Promise<AudioBuffer>>();
  private playing: AudioBufferSourceNode[] = [];
  private round = 0;

  /** Must be called from a press of a key or a button: browsers ask for one before they let a page be heard. */
  clock(): AudioContext {
    this.context ??= new AudioContext({ sampleRate: 48_000 });
    void this.context.resume();
    return this.context;
  }

  fetch(take: string): Promise<AudioBuffer> {
    const known = this.sounds.get(take);
    if (known) return known;
    const context = this.clock();
    const sound = fetch(`/api/takes/${take}/sound.flac`)
      .then((response) => (response.ok ? response.arrayBuffer() : Promise.reject(new Error('no sound'))))
      .then((bytes) => context.decodeAudioData(bytes));
    sound.catch(() => this.sounds.delete(take));
    this.sounds.set(take, sound);
    return sound;
  }

  /** `begun` is the context's time at which second `from` of the film is heard. */
  play(slides: PlannedSlide[], from: number, begun: number): void {
    this.stop();
    const round = this.round;
    for (const slide of slides) {
      const voice = slide.voice;
      if (voice && voice.end > from) void this.schedule(voice, from, begun, round);
    }
  }

  stop(): void {
    this.round += 1;
    for (const source of this.playing) source.stop();
    this.playing = [];
  }

  private async schedule(voice: Voice, from: number, begun: number, round: number): Promise<void> {
    const context = this.clock();
    // The sounds soon to be heard are fetched first; the rest when their time comes near.
    const wait = voice.start - from - (context.currentTime - begun) - 20;
    if (wait > 0) await new Promise((wake) => setTimeout(wake, wait * 1000));
    if (round !== this.round) return;
    const sound = await this.fetch(voice.take).catch(() => null);
    if (sound === null || round !== this.round) return;
    const now = Math.max(from, from + context.currentTime - begun + 0.02);
    const late = Math.max(0, now - voice.start);
    const left = voice.to - voice.from - late;
    if (left <= 0) return;
    const source = new AudioBufferSourceNode(context, { buffer: sound });
    const gain = new GainNode(context, { gain: 10 ** (voice.gain / 20) });
    source.connect(gain).connect(context.destination);
    source.start(begun + voice.start + late - from, voice.from + late, left);
    this.playing.push(source);
  }
}
