/** A part of a picture, in shares of its width and height. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}
export const WHOLE: Box = { x: 0, y: 0, width: 1, height: 1 };
/** A share as a style tells it. */
export const percent = (share: number): string => `${100 * share}%`;
/** Where a box lies on what it is a part of, as a style tells it. */
export const placed = ({ x, y, width, height }: Box) => ({
  left: percent(x),
  top: percent(y),
  width: percent(width),
  height: percent(height),
});
/** Which edges are taken hold of: left or right, top or bottom. */
export type Hold = `${'w' | 'e' | ''}${'n' | 's' | ''}`;

/** No smaller than this share of a side, where nothing else is said. */
const LEAST = 0.05;
const within = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value));

/** Moved, but never out of the picture. */
export const moved = (box: Box, dx: number, dy: number): Box => ({
  ...box,
  x: within(box.x + dx, 0, 1 - box.width),
  y: within(box.y + dy, 0, 1 - box.height),
});

/**
 * Made larger or smaller by an edge or a corner that moves; the others stay.
 *
 * @param ratio the share of the width over the share of the height that it keeps, where it keeps one
 */
export function sized(box: Box, hold: Hold, dx: number, dy: number, ratio: number | null): Box {
  let [left, top, right, bottom] = [box.x, box.y, box.x + box.width, box.y + box.height];
  if (hold.includes('w')) left = within(left + dx, 0, right - LEAST);
  if (hold.includes('e')) right = within(right + dx, left + LEAST, 1);
  if (hold.includes('n')) top = within(top + dy, 0, bottom - LEAST);
  if (hold.includes('s')) bottom = within(bottom + dy, top + LEAST, 1);
  if (ratio === null) return { x: left, y: top, width: right - left, height: bottom - top };
  // Of the two sides the one that was moved more leads; the corner across stays where it is.
  const wanted = Math.max(right - left, (bottom - top) * ratio);
  const room = Math.min(hold.includes('w') ? right : 1 - left, (hold.includes('n') ? bottom : 1 - top) * ratio);
  const width = Math.min(room, Math.max(wanted, LEAST, LEAST * ratio));
  const height = width / ratio;
  return {
    x: hold.includes('w') ? right - width : left,
    y: hold.includes('n') ? bottom - height : top,
    width,
    height,
  };
}

/** Larger or smaller about its middle, within the picture. */
export function scaled(box: Box, by: number, least = LEAST): Box {
  const factor = within(by, least / Math.min(box.width, box.height), 1 / Math.max(box.width, box.height));
  const [width, height] = [box.width * factor, box.height * factor];
  return moved({ x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height }, 0, 0);
}

/** The largest box of a shape about the middle of another, within the picture. */
export function shaped(box: Box, ratio: number): Box {
  const width = Math.min(box.width, box.height * ratio);
  const height = width / ratio;
  return moved({ x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height }, 0, 0);
}
