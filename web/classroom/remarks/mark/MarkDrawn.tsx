import type { Mark } from '../../../api/types';

/** Units of the drawing that the picture is high, and what of them a line and an arrow's head take. */
const HIGH = 1000;
const LINE = 11;
const ABOUT = 21;
const HEAD = 62;
/** Seen on light and on dark; and of another colour than what somebody points with in the film itself. */
const COLOUR = '#d63a2f';
const EDGE = '#ffffff';

function way(mark: Mark, ratio: number): string {
  const [x, y, toX, toY] = [mark.x * HIGH * ratio, mark.y * HIGH, mark.toX * HIGH * ratio, mark.toY * HIGH];
  if (mark.form === 'ring') {
    const [rx, ry, middle] = [Math.abs(toX - x) / 2, Math.abs(toY - y) / 2, (y + toY) / 2];
    const [left, right] = [Math.min(x, toX), Math.max(x, toX)];
    return `M${left} ${middle}A${rx} ${ry} 0 0 1 ${right} ${middle}A${rx} ${ry} 0 0 1 ${left} ${middle}Z`;
  }
  const angle = Math.atan2(toY - y, toX - x);
  const wing = (turn: number) => `${toX - HEAD * Math.cos(angle + turn)} ${toY - HEAD * Math.sin(angle + turn)}`;
  return `M${x} ${y}L${toX} ${toY}M${wing(0.5)}L${toX} ${toY}L${wing(-0.5)}`;
}

/** A ring or an arrow over a picture of that ratio of width to height. */
export function MarkDrawn({ mark, ratio }: { mark: Mark; ratio: number }) {
  const d = way(mark, ratio);
  const line = { d, fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
  return (
    <svg
      viewBox={`0 0 ${HIGH * ratio} ${HIGH}`}
      style={{ position: 'absolute', inset: 0, width: '100%', height: '100%', overflow: 'visible' }}
      data-mark={mark.form}
      aria-hidden
      focusable="false"
    >
      <path {...line} stroke={EDGE} strokeWidth={ABOUT} />
      <path {...line} stroke={COLOUR} strokeWidth={LINE} />
    </svg>
  );
}
