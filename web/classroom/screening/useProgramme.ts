import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, sentence } from '../../api/client';
import { told } from '../../api/told';
import type { AssignmentView } from '../../api/types';
import { useTell } from '../../parts/notices';

/** Which films are shown and in which order: each change is kept at once, one after another. */
export function useProgramme(id: string, kept: string[]) {
  const queries = useQueryClient();
  const tell = useTell();
  /** What was chosen and is not kept yet. */
  const [chosen, setChosen] = useState<string[] | null>(null);
  const params = { path: { id } };
  const keep = (films: string[]) =>
    told<AssignmentView>(queries, ['assignment', id], (old) => old && { ...old, screening: films });
  const { mutate } = useMutation({
    scope: { id: `screening-${id}` },
    networkMode: 'always',
    /** Null draws lots. */
    mutationFn: async (films: string[] | null) =>
      films === null
        ? answer(api.POST('/api/assignments/{id}/screening/lot', { params }))
        : answer(api.PUT('/api/assignments/{id}/screening', { params, body: { films } })),
    onSuccess: ({ films }) => keep(films),
    onError: (error) => tell(sentence(error), { tone: 'trouble' }),
    onSettled: (_answer, _error, films) => setChosen((last) => (last === films ? null : last)),
  });
  const choose = (films: string[]) => {
    setChosen(films);
    mutate(films);
  };
  return { order: chosen ?? kept, choose, draw: () => mutate(null) };
}
