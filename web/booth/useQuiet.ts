import { useEffect, useRef } from 'react';
import { useSteady } from '../parts/useSteady';
import type { Microphone } from '../microphone/microphone';

/** Tells when somebody who has spoken has been quiet for three seconds, which is as far back as a level looks. */
export function useQuiet(listens: boolean, microphone: Microphone | null, onQuiet: () => void): void {
  const act = useSteady(onQuiet);
  const hasSpoken = useRef(false);
  useEffect(() => {
    if (!listens || !microphone) return undefined;
    const begun = performance.now();
    hasSpoken.current = false;
    const timer = setInterval(() => {
      const heard = microphone.hears();
      // What was said before it began is in the level for three seconds too.
      if (!heard || performance.now() - begun < BEFORE) return;
      if (heard.voice !== null) hasSpoken.current = true;
      else if (hasSpoken.current) {
        hasSpoken.current = false;
        act();
      }
    }, 100);
    return () => clearInterval(timer);
  }, [act, listens, microphone]);
}

/** Milliseconds. */
const BEFORE = 3200;
