import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { sentence } from '../api/client';
import { say, type Code } from '../messages/say';
import { useTell } from '../parts/notices';

/**
 * What a teacher tells of an assignment: shown as it is asked for, until the server has answered.
 *
 * @param send asks the server for it
 * @param said what is said when it has it
 */
export function useTold<T>(assignment: string, send: (value: T) => Promise<unknown>, said: Code) {
  const queries = useQueryClient();
  const tell = useTell();
  const [asked, ask] = useState<T>();
  const set = (value: T) => {
    ask(value);
    send(value)
      .then(() => queries.invalidateQueries({ queryKey: ['assignment', assignment] }))
      .then(() => tell(say(said)))
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      // What is shown is what the server has.
      .finally(() => ask(undefined));
  };
  return { asked, set };
}
