import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { sentence } from '../api/client';
import { useTell } from '../parts/notices';
import { settle, unsent } from './keeper';

/** At each visit: what an earlier one could not send is sent now. */
export function Unsent({ person }: { person: string }) {
  const tell = useTell();
  const queries = useQueryClient();
  useEffect(() => {
    let left = false;
    void (async () => {
      for (const take of await unsent(person)) {
        if (left) return;
        tell('A recording from last time was not sent yet. It is being sent now.');
        try {
          const done = await settle(take);
          queries.setQueryData(['story', take.story], done.story);
          tell('The recording is safe, and its slide speaks with it.');
        } catch (error) {
          tell(sentence(error), { tone: 'trouble' });
        }
      }
    })();
    return () => {
      left = true;
    };
  }, [person, queries, tell]);
  return null;
}
