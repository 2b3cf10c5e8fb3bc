import { useCallback, useState } from 'react';
import { Refusal, sentence } from '../api/client';
import { useOnce } from './useOnce';

/** An act that says beside it why it could not be done: one at a time, and what was wrong before is forgotten when it is tried again. */
export function useTried() {
  const [error, setError] = useState<unknown>(null);
  const { busy, once } = useOnce(setError);
  /** Tells whether it was done. */
  const tried = useCallback(
    (act: () => Promise<unknown>): Promise<boolean> =>
      once(async () => {
        setError(null);
        await act();
      }),
    [once],
  );
  return {
    wrong: error === null ? '' : sentence(error),
    /** What it was, as the server calls it. */
    code: error instanceof Refusal ? error.said.code : '',
    busy,
    tried,
  };
}
