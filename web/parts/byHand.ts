import type { MoveMoveEvent } from 'react-aria/useMove';

/** One press of an arrow, in shares of what lies under; with Shift more. */
const STEP = 0.01;
const STRIDE = 0.05;

/** How far something was moved by hand or keys, in shares of the width and height of what it lies on. */
export function wayOver(ground: Element | null | undefined, event: MoveMoveEvent): [number, number] {
  const { deltaX, deltaY, pointerType, shiftKey } = event;
  const { width = 1, height = 1 } = ground?.getBoundingClientRect() ?? {};
  const step = shiftKey ? STRIDE : STEP;
  return pointerType === 'keyboard' ? [deltaX * step, deltaY * step] : [deltaX / width, deltaY / height];
}
