import { useCallback, useRef, useState } from 'react';

/**
 * An act that is asked for twice at once is done once, and nothing else meanwhile.
 *
 * @param onWrong hears why it could not be done
 */
export function useOnce(onWrong: (error: unknown) => void) {
  const [busy, setBusy] = useState(false);
  const isGoing = useRef(false);
  const wrong = useRef(onWrong);
  wrong.current = onWrong;
  /** Tells whether it was done. */
  const once = useCallback(async (act: () => Promise<unknown>): Promise<boolean> => {
    if (isGoing.current) return false;
    isGoing.current = true;
    setBusy(true);
    try {
      await act();
      return true;
    } catch (error) {
      wrong.current(error);
      return false;
    } finally {
      isGoing.current = false;
      setBusy(false);
    }
  }, []);
  return { busy, once };
}
