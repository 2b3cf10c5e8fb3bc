import { useCallback, useRef } from 'react';

/** A function that is always the same one and always does the newest thing: what it is handed to need not be drawn anew. */
export function useSteady<A extends unknown[], R>(act: (...args: A) => R): (...args: A) => R {
  const latest = useRef(act);
  latest.current = act;
  return useCallback((...args: A) => latest.current(...args), []);
}
