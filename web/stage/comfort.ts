import type { Box } from '../parts/boxes';
import { fromTable } from './plan';

/** How fast a move changes what is seen, at its fastest: of its scale, and of the way of its middle, a second. */
export interface Comfort {
  zoom: number;
  pan: number;
}
/** As core/Framing/Comfort has them, where they are explained; tests/web/stage.test.ts holds this to core's own figures. */
const MOST: Comfort = { zoom: 0.06, pan: 0.1 };
const STEPS = 32;
/** From so many times the calmest on it makes people feel sick. */
const TOO_FAST = 2;

export function comfortOf(opensOn: Box, closesOn: Box, ease: number[], seconds: number): Comfort {
  const at = (t: number): Box => {
    const eased = fromTable(ease, t);
    const between = (key: keyof Box) => opensOn[key] + (closesOn[key] - opensOn[key]) * eased;
    return { x: between('x'), y: between('y'), width: between('width'), height: between('height') };
  };
  const step = Math.max(0.001, seconds / STEPS);
  const found: Comfort = { zoom: 0, pan: 0 };
  let before = at(0);
  for (let i = 1; i <= STEPS; i += 1) {
    const now = at(i / STEPS);
    const across = (now.x + now.width / 2 - before.x - before.width / 2) / now.width;
    const down = (now.y + now.height / 2 - before.y - before.height / 2) / now.height;
    found.zoom = Math.max(found.zoom, Math.abs(Math.log(now.width / before.width)) / step);
    found.pan = Math.max(found.pan, Math.hypot(across, down) / step);
    before = now;
  }
  return found;
}

export function paceOf({ zoom, pan }: Comfort): 'calm' | 'brisk' | 'too-fast' {
  const most = Math.max(zoom / MOST.zoom, pan / MOST.pan);
  if (most <= 1) return 'calm';
  return most <= TOO_FAST ? 'brisk' : 'too-fast';
}
