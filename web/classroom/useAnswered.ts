import { useQueryClient } from '@tanstack/react-query';
import { answer, sentence, type Answering } from '../api/client';
import { told } from '../api/told';
import type { HandInView } from '../api/types';
import { useTell } from '../parts/notices';
import { useOnce } from '../parts/useOnce';

/** What is done to a hand-in: pressed twice it is sent once. */
export function useAnswered(id: string) {
  const queries = useQueryClient();
  const tell = useTell();
  const { busy, once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  /** Tells whether it was done. */
  const answered = (send: () => Answering<HandInView>) =>
    once(async () => told(queries, ['handin', id], await answer(send())));
  return { busy, answered };
}
