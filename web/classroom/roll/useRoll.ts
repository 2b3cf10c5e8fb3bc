import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, sentence } from '../../api/client';
import type { ClassView } from '../../api/types';
import { useTell } from '../../parts/notices';
import { useOnce } from '../../parts/useOnce';

/** Milliseconds between two looks at who has come. */
const COMING = 4000;

/** A class and who is in it, and what is done to it: one act at a time, each shown when the server has it. */
export function useRoll(id: string) {
  const queries = useQueryClient();
  const tell = useTell();
  const queryKey = ['class', id];
  const { data, error } = useQuery({
    queryKey,
    queryFn: () => answer(api.GET('/api/classes/{id}', { params: { path: { id } } })),
    refetchOnMount: 'always',
    // While a code stands on the board one sees who comes.
    refetchInterval: ({ state }) => (state.data?.joinCode ? COMING : false),
  });
  const { busy, once } = useOnce((problem) => tell(sentence(problem), { tone: 'trouble' }));
  /** Tells whether it was done. */
  const act = (send: () => Promise<ClassView | undefined>): Promise<boolean> =>
    once(async () => {
      // A look that is under way would show what was before.
      await queries.cancelQueries({ queryKey });
      const now = await send();
      if (now) queries.setQueryData(queryKey, now);
    });
  return { classroom: data, error, busy, act };
}

export type Act = ReturnType<typeof useRoll>['act'];
