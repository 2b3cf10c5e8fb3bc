import limits from '../../schema/limits.json';

/**
 * What a microphone hears, from short blocks of its samples, and how that is to be judged. Levels are in dBFS.
 *
 * (Common practice: speech is recorded with peaks of -20 to -10, never reaching 0; a quiet room lies under -50.)
 */
export interface Heard {
  /** The loudest sample of this moment. */
  now: number;
  /** The loudest sample of the last three seconds. */
  peak: number;
  /** How loud the voice was in these, where one stands out of the room's own noise. */
  voice: number | null;
  /** How loud it is when nobody speaks, once that is known. */
  noise: number | null;
  /** Whether most of that lies low, as what fans, lamps and computers make does. */
  hums: boolean;
}

export const SILENT: Heard = { now: -100, peak: -100, voice: null, noise: null, hums: false };

/** The band that a voice should reach with its peaks. */
export const GOOD = { from: -20, to: -10 };

export type Verdict = 'silent' | 'too-quiet' | 'quiet' | 'good' | 'loud' | 'too-loud';

export function judge({ peak }: Heard): Verdict {
  if (peak < limits.silent) return 'silent';
  if (peak < -30) return 'too-quiet';
  if (peak < GOOD.from) return 'quiet';
  if (peak <= GOOD.to) return 'good';
  return peak <= -2 ? 'loud' : 'too-loud';
}

/** What is said of a room before anybody speaks; null where it is quiet enough. */
export function room({ noise, hums }: Heard): 'hums' | 'noisy' | null {
  if (noise === null || noise < NOISY) return null;
  return hums ? 'hums' : 'noisy';
}

const NOISY = -50;
/** Seconds. */
const RECENT = 3;
const KNOWN_AFTER = 1.5;
const REMEMBERED = 20;
/** Hertz under which a hum lies, and the share of a noise that makes it one. */
const LOW = 320;
const MOSTLY = 0.7;

interface Block {
  at: number;
  peak: number;
  power: number;
  low: number;
}

const decibels = (power: number) => (power <= 1e-10 ? -100 : 10 * Math.log10(power));
const mean = (blocks: Block[], of: (block: Block) => number) =>
  blocks.reduce((sum, block) => sum + of(block), 0) / Math.max(1, blocks.length);

export class Level {
  private blocks: Block[] = [];

  constructor(private readonly rate: number) {}

  /** @param at seconds; a block is some 50 to 100 ms long */
  hear(samples: Float32Array, at: number): Heard {
    let peak = 0;
    let power = 0;
    let low = 0;
    let smooth = 0;
    const share = 1 - Math.exp((-2 * Math.PI * LOW) / this.rate);
    for (const sample of samples) {
      peak = Math.max(peak, Math.abs(sample));
      power += sample * sample;
      smooth += share * (sample - smooth);
      low += smooth * smooth;
    }
    this.blocks.push({ at, peak, power: power / samples.length, low: low / samples.length });
    this.blocks = this.blocks.filter((block) => block.at > at - REMEMBERED);
    return this.heard(at);
  }

  private heard(at: number): Heard {
    const recent = this.blocks.filter((block) => block.at > at - RECENT);
    const peak = Math.max(0, ...recent.map((block) => block.peak));
    const sorted = this.blocks.toSorted((a, b) => a.power - b.power);
    const quiet = sorted.slice(0, Math.max(1, Math.ceil(sorted.length / 10)));
    const known = at - (this.blocks[0]?.at ?? at) >= KNOWN_AFTER;
    const floor = decibels(mean(quiet, (block) => block.power));
    const spoken = recent.filter((block) => decibels(block.power) > Math.max(limits.silent, floor + limits.overQuiet));
    return {
      now: decibels((recent.at(-1)?.peak ?? 0) ** 2),
      peak: decibels(peak * peak),
      voice: known && spoken.length > 0 ? decibels(mean(spoken, (block) => block.power)) : null,
      noise: known ? floor : null,
      hums: mean(quiet, (block) => block.low) > MOSTLY * mean(quiet, (block) => block.power),
    };
  }
}
