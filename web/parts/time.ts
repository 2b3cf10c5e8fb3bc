import { reader, say } from '../messages/say';

/** Minutes and seconds, as a film's length is told. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** Samples are counted at 48 kHz, everywhere. */
export const SAMPLES = 48_000;
export const inSeconds = (samples: number): number => samples / SAMPLES;

/** Seconds from which on nobody counts in seconds. */
const MANY = 100;

/** A length for a person: 4 s, 4.5 s, 61:00. */
export const secondsText = (seconds: number): string =>
  seconds < MANY ? say('time.seconds', { seconds: Number(seconds.toFixed(1)) }) : clock(seconds);

/** What is a day and no moment (2026-12-05) is that day wherever it is read. */
const written = (date: string, parts: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat(reader(), {
    ...parts,
    timeZone: date.length === 'YYYY-MM-DD'.length ? 'UTC' : undefined,
  }).format(new Date(date));
const relative = () => new Intl.RelativeTimeFormat(reader(), { numeric: 'auto', style: 'short' });
const minute = 60_000;
const steps: [Intl.RelativeTimeFormatUnit, number][] = [
  ['minute', minute],
  ['hour', 60 * minute],
  ['day', 24 * 60 * minute],
];

export const day = (date: string): string => written(date, { weekday: 'long', day: 'numeric', month: 'long' });
/** Of a year that may not be this one. */
export const dayOfYear = (date: string): string => written(date, { day: 'numeric', month: 'long', year: 'numeric' });

/** The day in so many days, as a date's field has it. */
export function dayFromNow(days: number): string {
  const then = new Date();
  then.setDate(then.getDate() + days);
  return [then.getFullYear(), then.getMonth() + 1, then.getDate()]
    .map((part) => String(part).padStart(2, '0'))
    .join('-');
}

const ofDay = () => new Intl.DateTimeFormat(reader(), { hour: 'numeric', minute: '2-digit' });
export const timeOfDay = (date: string): string => ofDay().format(new Date(date));

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
