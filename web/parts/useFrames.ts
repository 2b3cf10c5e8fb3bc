import { useEffect } from 'react';
import { useSteady } from './useSteady';

/** Shows what moves for as long as it does, by the seconds since it began; nothing moves for who asked for less of it. */
export function useFrames(moves: boolean, show: (seconds: number) => void): void {
  const steady = useSteady(show);
  useEffect(() => {
    if (!moves || matchMedia('(prefers-reduced-motion: reduce)').matches) return undefined;
    const begun = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      steady((now - begun) / 1000);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [moves, steady]);
}
