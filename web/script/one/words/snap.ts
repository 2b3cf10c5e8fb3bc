import limits from '../../../../schema/limits.json';
import type { Box } from '../../../parts/boxes';

/** A line of the slide that something was brought to: a share of its width or height. */
export interface Guide {
  along: 'x' | 'y';
  at: number;
}

/** As near as a hand comes to a line that means it: a share of the slide's width. */
const REACH = 0.012;
/** Thirds and the middle, for the middle of what is moved; the safe area (EBU R 95), for its edges. */
const MIDDLES = [1 / 3, 1 / 2, 2 / 3];
const EDGES = [limits.safeEdge, 1 - limits.safeEdge];

/** The least way that brings one of its lines to one of theirs; null where none is near. */
function nearest(lines: { at: number; to: number[] }[], reach: number): { by: number; at: number } | null {
  let best: { by: number; at: number } | null = null;
  for (const { at, to } of lines) {
    for (const line of to) {
      const by = line - at;
      if (Math.abs(by) <= reach && (best === null || Math.abs(by) < Math.abs(best.by))) best = { by, at: line };
    }
  }
  return best;
}

/** A box that is moved, brought to thirds, to the edges, and to other words where it comes near. */
export function snapped(box: Box, others: Box[], ratio: number): { box: Box; guides: Guide[] } {
  const side = (along: 'x' | 'y', length: 'width' | 'height', reach: number) => {
    const [first, middle, last] = [box[along], box[along] + box[length] / 2, box[along] + box[length]];
    const edges = [...EDGES, ...others.flatMap((other) => [other[along], other[along] + other[length]])];
    const found = nearest(
      [
        { at: middle, to: [...MIDDLES, ...others.map((other) => other[along] + other[length] / 2)] },
        { at: first, to: edges },
        { at: last, to: edges },
      ],
      reach,
    );
    return { to: box[along] + (found?.by ?? 0), guides: found ? [{ along, at: found.at }] : [] };
  };
  const across = side('x', 'width', REACH);
  const down = side('y', 'height', REACH * ratio);
  return { box: { ...box, x: across.to, y: down.to }, guides: [...across.guides, ...down.guides] };
}
