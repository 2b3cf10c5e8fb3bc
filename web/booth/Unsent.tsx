import { useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { sentence } from '../api/client';
import { useTell } from '../parts/notices';
import { isOnlyInHand, unsent } from '../assets/keeper';
import { useKeptHere } from '../assets/keptHere';
import { Sender } from '../assets/Sender';
import { useFetchStory } from '../assets/useSendIn';
import { say } from '../messages/say';

/** At each visit: what an earlier one could not send is sent now, and what the server would not have is told. */
export function Unsent({ person }: { person: string }) {
  const tell = useTell();
  const fetchStory = useFetchStory();
  useEffect(() => {
    let left = false;
    void (async () => {
      // Pictures go on where they were brought in.
      for (const take of (await unsent(person)).filter(({ kind, refused }) => kind !== 'picture' && !refused)) {
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
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (isOnlyInHand()) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, []);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const here = useKeptHere(person);
  const told = useRef(new Set<string>());
  useEffect(() => {
    const fresh = here.filter(({ id }) => !told.current.has(id));
    for (const { id } of fresh) told.current.add(id);
    // The desk has a place for them.
    if (fresh.length === 0 || pathname === '/') return;
    const action = { label: say('kept-here.see'), run: () => void navigate('/') };
    tell(say('kept-here.how-many', { count: here.length }), { tone: 'trouble', action });
  }, [here, navigate, pathname, tell]);
  return null;
}
