import { useEffect } from 'react';
import { useSteady } from '../parts/useSteady';

/**
 * Brings the slide that is meant into view as soon as its list has laid it out.
 *
 * @param show answers whether it was there to be shown
 */
export function useMeant(meant: string | null, show: (slide: string) => boolean, onMet: () => void): void {
  const shown = useSteady(show);
  const met = useSteady(onMet);
  useEffect(() => {
    if (meant === null) return undefined;
    let frame = requestAnimationFrame(function look() {
      if (shown(meant)) met();
      else frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, [meant, met, shown]);
}
