import limits from '../../../schema/limits.json';
import type { PictureLayer, PlannedPicture, Scene, Spoken } from '../../api/types';
import { scaled, WHOLE, type Box } from '../../parts/boxes';
import { comfortOf, paceOf } from '../../stage/comfort';
import { closesOn, opensOn, type Path } from '../../stage/path';

/** As a word of the script is said, or at a second of what is heard. */
export interface Moment {
  word?: number;
  at?: number;
}
/** A part of the picture that the look comes to on its way, and when it is there. */
export interface Stop extends Moment {
  frame: Box;
}
export interface Framing {
  motion: 'auto' | 'still' | 'set';
  opensOn: Box;
  closesOn: Box;
  stops: Stop[];
}
/** One of the frames: the two at the ends, or a stop by its place in the story's list. */
export type Which = 'opensOn' | 'closesOn' | number;

/** A picture as it is planned: that of a layer, or the first. */
export const plannedIn = (scene: Scene | undefined, layer?: string): PlannedPicture | undefined => {
  const planned = scene?.layers.filter((one): one is PlannedPicture => one.kind === 'picture') ?? [];
  return planned.find(({ id }) => id === layer) ?? planned[0];
};

/** As the story has it; what it does not say is as the plan has found it. */
export function framingOf(layer: PictureLayer | undefined, planned: PlannedPicture | undefined): Framing {
  // What is as usual is not told.
  const told: Partial<PictureLayer['framing']> = layer?.framing ?? {};
  const motion = told.motion ?? 'auto';
  return {
    // A clip moves already: by itself the look stands still on it.
    motion: motion === 'auto' && planned?.clip ? 'still' : motion,
    opensOn: planned ? opensOn(planned) : WHOLE,
    closesOn: planned ? closesOn(planned) : WHOLE,
    stops: told.stops ?? [],
  };
}

export const frameOf = (framing: Framing, which: Which): Box =>
  typeof which === 'number' ? (framing.stops[which]?.frame ?? WHOLE) : framing[which];

/** Seconds from when the slide begins to be seen, at which a stop is reached (core/Plan/SlideMoments, held by the golden performance). */
export function secondOf({ word, at = 0 }: Moment, { words, zero }: Spoken): number {
  if (word === undefined) return zero + at;
  return words[Math.min(word, words.length - 1)]?.at ?? zero;
}

/** Places in the story's list, in the order in which they are reached. */
export function inOrder(stops: Stop[], spoken: Spoken): number[] {
  const seconds = stops.map((stop) => secondOf(stop, spoken));
  return stops.map((_, i) => i).toSorted((a, b) => (seconds[a] ?? 0) - (seconds[b] ?? 0));
}

/** The way over the picture, as if it never rested: where it has time to rest, it is calm. */
export function pathOf(framing: Framing, spoken: Spoken, seconds: number): Path {
  const stops = inOrder(framing.stops, spoken).flatMap((place) => {
    const stop = framing.stops[place];
    return stop
      ? [{ at: Math.max(0, Math.min(1, secondOf(stop, spoken) / Math.max(0.1, seconds))), frame: stop.frame }]
      : [];
  });
  return [{ at: 0, frame: framing.opensOn }, ...stops, { at: 1, frame: framing.closesOn }];
}

/** How much nearer a new stop is, as far as it is reached calmly. */
const NEARER = [0.8, 0.85, 0.9, 0.95];

export const hasRoom = ({ stops }: Framing): boolean => stops.length < limits.stops;

/** One more, in the middle of the longest way, a little nearer than what is seen there. */
export function withStop(framing: Framing, spoken: Spoken, seconds: number, ease: number[]): Stop[] {
  const path = pathOf(framing, spoken, seconds);
  let longest = { at: 0.5, frame: WHOLE, way: 0 };
  path.slice(1).forEach((to, i) => {
    const from = path[i];
    if (!from || to.at - from.at <= longest.way) return;
    const middle = (key: keyof Box) => (from.frame[key] + to.frame[key]) / 2;
    const frame = { x: middle('x'), y: middle('y'), width: middle('width'), height: middle('height') };
    longest = { at: (from.at + to.at) / 2, frame, way: to.at - from.at };
  });
  const moment = momentAt(longest.at * seconds, spoken, Infinity);
  const added = NEARER.map((by) => [...framing.stops, { frame: scaled(longest.frame, by), ...moment }]);
  const isCalm = (stops: Stop[]) =>
    paceOf(comfortOf(pathOf({ ...framing, stops }, spoken, seconds), ease, seconds)) === 'calm';
  return added.find(isCalm) ?? added.at(-1) ?? framing.stops;
}

/** The moment at a second: the nearest word within reach, or else the second itself. */
export function momentAt(second: number, { words, zero, spoken }: Spoken, reach: number): Moment {
  let nearest = -1;
  let away = reach;
  words.forEach((word, i) => {
    if (Math.abs(word.at - second) <= away) [nearest, away] = [i, Math.abs(word.at - second)];
  });
  return spoken && nearest >= 0 ? { word: nearest } : { at: Math.max(0, Math.round((second - zero) * 1000) / 1000) };
}
