import { useEffect } from 'react';
import { sentence } from '../api/client';
import { useTell } from '../parts/notices';
import { unsent } from '../assets/keeper';
import { Sender } from '../assets/Sender';
import { useFetchStory } from '../assets/useSendIn';

/** At each visit: what an earlier one could not send is sent now. */
export function Unsent({ person }: { person: string }) {
  const tell = useTell();
  const fetchStory = useFetchStory();
  useEffect(() => {
    let left = false;
    void (async () => {
      // Pictures go on where they were brought in.
      for (const take of (await unsent(person)).filter(({ kind }) => kind !== 'picture')) {
        if (left) return;
        tell(
          take.kind === 'voice'
            ? 'A recording from last time was not sent yet. It is being sent now.'
            : `“${take.file}” was not sent whole last time. It is being sent now.`,
        );
        try {
          await new Sender(take).settle();
          await fetchStory(take.story);
          tell(
            take.kind === 'voice'
              ? 'The recording is safe, and its slide speaks with it.'
              : `“${take.file}” has come in.`,
          );
        } catch (error) {
          tell(sentence(error), { tone: 'trouble' });
        }
      }
    })();
    return () => {
      left = true;
    };
  }, [fetchStory, person, tell]);
  return null;
}
