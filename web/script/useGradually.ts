import { useEffect, useState } from 'react';

/** So many rows fill the tallest window. */
const FIRST = 24;
const MORE = 24;

/**
 * How many of a long list's rows are drawn: at first those that can be seen, then more while nothing else is to be done, until
 * all are.
 *
 * @param atOnce so many are wanted from the beginning
 */
export function useGradually(count: number, atOnce = 0): number {
  const [drawn, setDrawn] = useState(FIRST);
  const shown = Math.max(drawn, atOnce);
  useEffect(() => {
    if (shown >= count) return undefined;
    // A frame is shown and an answer to a key is given between two batches.
    const timer = setTimeout(() => setDrawn(shown + MORE), 40);
    return () => clearTimeout(timer);
  }, [count, shown]);
  return Math.min(shown, count);
}
