import type { PlannedPicture } from '../api/types';
import { WHOLE, type Box } from '../parts/boxes';
import { fromTable } from './plan';

export interface Point {
  x: number;
  y: number;
}

/** The nearest point of a part of the slide. */
export const heldIn = ({ x, y }: Point, box: Box): Point => ({
  x: Math.max(box.x, Math.min(box.x + box.width, x)),
  y: Math.max(box.y, Math.min(box.y + box.height, y)),
});

/** Where a point of a picture is on the slide, in a part of which this frame of it is seen. */
export const seenIn = (point: Point, frame: Box, box: Box): Point => ({
  x: box.x + (box.width * (point.x - frame.x)) / frame.width,
  y: box.y + (box.height * (point.y - frame.y)) / frame.height,
});

/** And which point of the picture is at a place of the slide. */
export const pointUnder = (place: Point, frame: Box, box: Box): Point => ({
  x: frame.x + (frame.width * (place.x - box.x)) / box.width,
  y: frame.y + (frame.height * (place.y - box.y)) / box.height,
});

/** The way of the look over a picture: what it is seen from, and at what share of the whole time. */
export type Path = PlannedPicture['path'];

export const opensOn = ({ path }: { path: Path }): Box => path[0]?.frame ?? WHOLE;
export const closesOn = ({ path }: { path: Path }): Box => path[path.length - 1]?.frame ?? opensOn({ path });

/** What is seen at a moment of the whole time, 0 to 1: between two frames it gets under way and comes to rest. */
export function frameAt(path: Path, ease: number[], t: number): Box {
  let before = path[0] ?? { at: 0, frame: opensOn({ path }) };
  for (const point of path) {
    if (point.at > t) {
      const eased = fromTable(ease, (t - before.at) / (point.at - before.at));
      const [a, b] = [before.frame, point.frame];
      const between = (key: keyof Box) => a[key] + (b[key] - a[key]) * eased;
      return { x: between('x'), y: between('y'), width: between('width'), height: between('height') };
    }
    before = point;
  }
  return before.frame;
}
