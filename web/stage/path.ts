import type { PlannedPicture } from '../api/types';
import { WHOLE, type Box } from '../parts/boxes';
import { fromTable } from './plan';

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
