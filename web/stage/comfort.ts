import { frameAt, type Path } from './path';

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

/** Of a whole way, at its worst. */
export function comfortOf(path: Path, ease: number[], seconds: number): Comfort {
  const found: Comfort = { zoom: 0, pan: 0 };
  path.slice(1).forEach((to, i) => {
    const from = path[i];
    if (!from) return;
    const leg = [
      { at: 0, frame: from.frame },
      { at: 1, frame: to.frame },
    ];
    const worst = onLeg(leg, ease, (to.at - from.at) * seconds);
    found.zoom = Math.max(found.zoom, worst.zoom);
    found.pan = Math.max(found.pan, worst.pan);
  });
  return found;
}

function onLeg(leg: Path, ease: number[], seconds: number): Comfort {
  const step = Math.max(0.001, seconds / STEPS);
  const found: Comfort = { zoom: 0, pan: 0 };
  let before = frameAt(leg, ease, 0);
  for (let i = 1; i <= STEPS; i += 1) {
    const now = frameAt(leg, ease, i / STEPS);
    const across = (now.x + now.width / 2 - before.x - before.width / 2) / now.width;
    const down = (now.y + now.height / 2 - before.y - before.height / 2) / now.height;
    found.zoom = Math.max(found.zoom, Math.abs(Math.log(now.width / before.width)) / step);
    found.pan = Math.max(found.pan, Math.hypot(across, down) / step);
    before = now;
  }
  return found;
}

export type Pace = 'calm' | 'brisk' | 'too-fast';

export function paceOf({ zoom, pan }: Comfort): Pace {
  const most = Math.max(zoom / MOST.zoom, pan / MOST.pan);
  if (most <= 1) return 'calm';
  return most <= TOO_FAST ? 'brisk' : 'too-fast';
}
