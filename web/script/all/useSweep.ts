import { useCallback, useEffect, useRef, useState, type PointerEvent, type RefObject } from 'react';
import { Rect } from 'react-aria-components';

/** So near to an edge of the list it scrolls, and so many pixels in a frame. */
const EDGE = 40;
const SCROLL = 12;
/** So far a pointer may tremble and still press. */
const PRESS = 4;

export interface Area {
  x: number;
  y: number;
  width: number;
  height: number;
}

interface Sweep {
  x: number;
  y: number;
  before: ReadonlySet<string>;
}

/**
 * A sweep of the mouse over the ground of a list chooses all that it touches; with Shift or Ctrl besides what is chosen. A press
 * on the ground chooses nothing.
 *
 * @param within the ids of what lies in an area of the list's content
 */
export function useSweep(
  list: RefObject<HTMLElement | null>,
  within: (area: Rect) => string[],
  chosen: ReadonlySet<string>,
  onChoose: (keys: ReadonlySet<string>) => void,
) {
  const [area, setArea] = useState<Area | null>(null);
  const sweep = useRef<Sweep | null>(null);
  const pointer = useRef({ x: 0, y: 0 });
  const latest = useRef({ within, onChoose });
  latest.current = { within, onChoose };

  const reach = useCallback(() => {
    const ground = list.current;
    const from = sweep.current;
    if (!ground || !from) return;
    const box = ground.getBoundingClientRect();
    const x = Math.max(0, Math.min(ground.clientWidth, pointer.current.x - box.left));
    const y = Math.max(0, Math.min(ground.scrollHeight, pointer.current.y - box.top + ground.scrollTop));
    const swept = {
      x: Math.min(from.x, x),
      y: Math.min(from.y, y),
      width: Math.abs(x - from.x),
      height: Math.abs(y - from.y),
    };
    if (swept.width < PRESS && swept.height < PRESS) return;
    setArea(swept);
    // A layout counts from where reading begins.
    const isFromRight = getComputedStyle(ground).direction === 'rtl';
    const begins = isFromRight ? ground.clientWidth - swept.x - swept.width : swept.x;
    const touched = latest.current.within(new Rect(begins, swept.y, swept.width, swept.height));
    latest.current.onChoose(new Set([...from.before, ...touched]));
  }, [list]);

  const isSweeping = area !== null;
  useEffect(() => {
    if (!isSweeping) return undefined;
    let frame = requestAnimationFrame(function look() {
      const ground = list.current;
      if (ground) {
        const box = ground.getBoundingClientRect();
        const { y } = pointer.current;
        const by = y < box.top + EDGE ? -SCROLL : y > box.bottom - EDGE ? SCROLL : 0;
        const before = ground.scrollTop;
        ground.scrollTop += by;
        if (ground.scrollTop !== before) reach();
      }
      frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, [isSweeping, list, reach]);

  const onPointerDown = (event: PointerEvent<HTMLElement>) => {
    const ground = list.current;
    const target = event.target as Element;
    // A finger scrolls; and what is on a slide is the slide's own.
    if (!ground || event.pointerType !== 'mouse' || event.button !== 0 || target.closest('[role=row]')) return;
    const box = ground.getBoundingClientRect();
    // The bar it scrolls by is no ground.
    if (event.clientX - box.left > ground.clientWidth) return;
    const isMore = event.shiftKey || event.ctrlKey || event.metaKey;
    sweep.current = {
      x: event.clientX - box.left,
      y: event.clientY - box.top + ground.scrollTop,
      before: isMore ? chosen : new Set(),
    };
    pointer.current = { x: event.clientX, y: event.clientY };
    if (!isMore) onChoose(new Set());
    const move = (moved: globalThis.PointerEvent) => {
      pointer.current = { x: moved.clientX, y: moved.clientY };
      reach();
    };
    const end = () => {
      sweep.current = null;
      setArea(null);
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', end);
      window.removeEventListener('pointercancel', end);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', end);
    window.addEventListener('pointercancel', end);
  };
  return { area, onPointerDown };
}
