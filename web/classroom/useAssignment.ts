import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';

/** A task and what was handed in to it, as who teaches the class sees it. */
export const useAssignment = (id: string) =>
  useQuery({
    queryKey: ['assignment', id],
    queryFn: () => answer(api.GET('/api/assignments/{id}', { params: { path: { id } } })),
    refetchOnMount: 'always',
  });
