import { useEffect, useState, type RefObject } from 'react';

/** How wide an element is, in pixels; 0 until it is there. */
export function useWidth(of: RefObject<Element | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const watch = new ResizeObserver(([seen]) => setWidth(seen?.contentRect.width ?? 0));
    if (of.current) watch.observe(of.current);
    return () => watch.disconnect();
  }, [of]);
  return width;
}
