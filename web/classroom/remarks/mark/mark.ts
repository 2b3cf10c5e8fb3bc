import limits from '../../../../schema/limits.json';
import type { Mark } from '../../../api/types';

export type Form = Mark['form'];
interface Place {
  x: number;
  y: number;
}

/** How large one is that nobody has drawn yet: shares of the picture's width and height from its middle, or its tip. */
const REACH = { x: 0.12, y: 0.18 };
const within = (share: number) => Math.max(0, Math.min(1, share));

/** Where nothing else is said: a ring about a place, an arrow whose tip is at it. */
export function put(form: Form, { x, y }: Place = { x: 0.5, y: 0.5 }): Mark {
  const [left, top] = [within(x - REACH.x), within(y - REACH.y)];
  return form === 'ring'
    ? { form, x: left, y: top, toX: within(x + REACH.x), toY: within(y + REACH.y) }
    : // From above, or from below where there is no room.
      { form, x: left === 0 ? within(x + REACH.x) : left, y: top === 0 ? within(y + REACH.y) : top, toX: x, toY: y };
}

/** Drawn from one place to another; somebody who has not drawn, only pressed, has it put there. */
export function drawn(form: Form, from: Place, to: Place): Mark {
  const isDrawn = Math.max(Math.abs(to.x - from.x), Math.abs(to.y - from.y)) >= limits.leastMark;
  return isDrawn ? { form, x: from.x, y: from.y, toX: within(to.x), toY: within(to.y) } : put(form, from);
}

/** All of it moved, but not out of the picture. */
export function moved(mark: Mark, dx: number, dy: number): Mark {
  const keep = (a: number, b: number, by: number) => Math.max(-Math.min(a, b), Math.min(1 - Math.max(a, b), by));
  const [byX, byY] = [keep(mark.x, mark.toX, dx), keep(mark.y, mark.toY, dy)];
  return { ...mark, x: mark.x + byX, y: mark.y + byY, toX: mark.toX + byX, toY: mark.toY + byY };
}

/** Its second corner, or its tip, moved; what would be too small to be seen stays as it is. */
export function stretched(mark: Mark, dx: number, dy: number): Mark {
  const next = { ...mark, toX: within(mark.toX + dx), toY: within(mark.toY + dy) };
  return Math.max(Math.abs(next.toX - next.x), Math.abs(next.toY - next.y)) < limits.leastMark ? mark : next;
}
