import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answer, api } from '../api/client';
import type { StoryView } from '../api/types';

/** How often it is asked, in milliseconds. */
const LOOK = 3000;

/** Where several may make a story, what another has changed comes to the page by itself. */
export function useWhatOthersChange(id: string, view: StoryView | undefined) {
  const queries = useQueryClient();
  const { data, dataUpdatedAt } = useQuery({
    queryKey: ['revision', id],
    queryFn: () => answer(api.GET('/api/stories/{id}/revision', { params: { path: { id } } })),
    enabled: view !== undefined && (view.makers.length > 1 || (view.assignment?.together ?? 1) > 1),
    refetchInterval: LOOK,
    // Where it cannot be told, it is asked again soon.
    retry: false,
  });
  const isBehind =
    view !== undefined && data !== undefined && (data.revision > view.revision || data.makers !== view.makers.length);
  useEffect(() => {
    // A look that is under way goes on; one that was in vain is followed by another.
    if (isBehind) void queries.invalidateQueries({ queryKey: ['story', id] }, { cancelRefetch: false });
  }, [isBehind, dataUpdatedAt, id, queries]);
}
