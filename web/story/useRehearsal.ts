import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import type { Rehearsal } from '../api/types';

/** How long the script takes to say, sentence by sentence; undefined until that is known. */
export function useRehearsal(story: string, revision: number | undefined): Rehearsal | undefined {
  const { data } = useQuery({
    queryKey: ['rehearsal', story, revision],
    queryFn: () => answer(api.GET('/api/stories/{id}/rehearsal.json', { params: { path: { id: story } } })),
    enabled: revision !== undefined,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  return data;
}

/** Which of the sentences is said at a second of the script. */
export const presentOf = (sentences: { at: number }[], since: number): number =>
  sentences.findLastIndex(({ at }) => at <= since);
