import { useQueryClient } from '@tanstack/react-query';
import { startTransition, useEffect, useRef, useState } from 'react';

/** So far from the window a row is drawn, and so far from it it is put away again. */
const COMES = '1200px';
const GOES = '3000px';

/** What is at work in a row, or in somebody's hands, is not put away. */
const isInUse = (row: HTMLElement): boolean =>
  row.contains(document.activeElement) ||
  row.querySelector('[data-busy]') !== null ||
  row.closest('[data-dragging]') !== null;

/**
 * Whether an element is near the window, and how high it was when it was drawn last: what is far away keeps its place and
 * costs nothing. Nothing leaves while anything is still to be saved, so that what was written stays in view.
 */
export function useNear(atOnce: boolean) {
  const ref = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(atOnce);
  const [height, setHeight] = useState<number>();
  const queries = useQueryClient();
  useEffect(() => {
    const row = ref.current;
    if (!row) return undefined;
    const watch = new IntersectionObserver(
      (entries) => {
        const seen = entries.at(-1);
        const isThere = seen?.isIntersecting ?? false;
        if (isThere === near || (near && (isInUse(row) || queries.isMutating() > 0))) return;
        // Drawn between frames: scrolling waits for no row.
        startTransition(() => {
          if (near) setHeight(seen?.boundingClientRect.height);
          setNear(isThere);
        });
      },
      { rootMargin: near ? GOES : COMES },
    );
    watch.observe(row);
    return () => watch.disconnect();
  }, [near, queries]);
  return { ref, near, height };
}
