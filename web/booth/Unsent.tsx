import { useEffect } from 'react';
import { sentence } from '../api/client';
import { useTell } from '../parts/notices';
import { unsent } from '../assets/keeper';
import { Sender } from '../assets/Sender';
import { useFetchStory } from '../assets/useSendIn';
import { say } from '../messages/say';

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
        tell(take.kind === 'voice' ? say('unsent.voice') : say('unsent.file', { file: take.file }));
        try {
          await new Sender(take).settle();
          await fetchStory(take.story);
          tell(take.kind === 'voice' ? say('unsent.voice-safe') : say('unsent.file-in', { file: take.file }));
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
