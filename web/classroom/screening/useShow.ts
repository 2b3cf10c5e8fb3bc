import { useCallback, useState } from 'react';

/** Where a screening is: at a film's title card, in the film, or behind the last one. */
export interface Point {
  film: number;
  isCard: boolean;
}

/** One remote: on to the film from its card, on to the next card from the film, and back the same way. */
/** @param first the film with which it begins */
export function useShow(count: number, first = 0) {
  const [{ film, isCard }, setPoint] = useState<Point>({ film: first, isCard: true });
  const onward = useCallback(
    () =>
      setPoint((now) => {
        if (now.film >= count) return now;
        return now.isCard ? { ...now, isCard: false } : { film: now.film + 1, isCard: true };
      }),
    [count],
  );
  const back = useCallback(
    () =>
      setPoint((now) => (now.isCard ? { film: Math.max(0, now.film - 1), isCard: true } : { ...now, isCard: true })),
    [],
  );
  const again = useCallback(() => setPoint({ film: 0, isCard: true }), []);
  return { film, isCard, isOver: film >= count, onward, back, again };
}
