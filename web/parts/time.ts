import { reader, say } from '../messages/say';

/** Minutes and seconds, as a film's length is told. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** Samples are counted at 48 kHz, everywhere. */
export const SAMPLES = 48_000;
export const inSeconds = (samples: number): number => samples / SAMPLES;

/** A length for a person: 4 s, 4.5 s. */
export const secondsText = (seconds: number): string => say('time.seconds', { seconds: Number(seconds.toFixed(1)) });

const toDay = () => new Intl.DateTimeFormat(reader(), { weekday: 'long', day: 'numeric', month: 'long' });
const relative = () => new Intl.RelativeTimeFormat(reader(), { numeric: 'auto', style: 'short' });
const minute = 60_000;
const steps: [Intl.RelativeTimeFormatUnit, number][] = [
  ['minute', minute],
  ['hour', 60 * minute],
  ['day', 24 * 60 * minute],
];

export const day = (date: string): string => toDay().format(new Date(date));

/** How long ago, in the largest unit of which one has passed; after a week the day. */
export function ago(date: string, now = Date.now()): string {
  const passed = now - new Date(date).getTime();
  if (passed >= 7 * 24 * 60 * minute) return day(date);
  const [unit, length] = steps.findLast(([, length]) => passed >= length) ?? ['second', 0];
  return relative().format(length ? -Math.floor(passed / length) : 0, unit);
}

export const size = (bytes: number): string =>
  bytes < 1_000_000
    ? say('size.kilobytes', { size: Math.round(bytes / 1000) })
    : say('size.megabytes', { size: Number((bytes / 1_000_000).toFixed(1)) });
