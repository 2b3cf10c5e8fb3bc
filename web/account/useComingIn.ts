import { useCallback } from 'react';
import { useSession, type Key } from '../api/session';
import { useTried } from '../parts/useTried';

/** So that nothing of anybody else is left in the page. */
export const loadAnew = () => window.location.replace('/');

/**
 * Coming in by whatever door: what was wrong is said, and pressed twice it is tried once.
 *
 * @param isIn what is done once somebody is in
 */
export function useComingIn(isIn?: () => void) {
  const { signIn } = useSession();
  const { wrong, code, busy, tried } = useTried();
  const comeIn = useCallback(
    (key: Key) => {
      void tried(async () => {
        await signIn(key);
        isIn?.();
      });
    },
    [tried, signIn, isIn],
  );
  return { comeIn, wrong, code, busy };
}
