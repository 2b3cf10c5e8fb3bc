import { useEffect } from 'react';
import { useSteady } from './useSteady';

/** Whether somebody asked for less that moves by itself. */
export const wantsCalm = (): boolean => matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Shows what moves for as long as it does, by the seconds since it began. */
export function useFrames(moves: boolean, show: (seconds: number) => void): void {
  const steady = useSteady(show);
  useEffect(() => {
    if (!moves) return undefined;
    const begun = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      steady((now - begun) / 1000);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [moves, steady]);
}
