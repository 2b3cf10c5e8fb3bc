import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import type { components } from '../api/schema';
import { told } from '../api/told';

export type Together = components['schemas']['Together'];
export type Named = components['schemas']['Named'];

const path = (story: string, maker: string) => ({ params: { path: { id: story, maker } } });
export const join = (story: string, maker: string): Promise<Together> =>
  answer(api.PUT('/api/stories/{id}/makers/{maker}', path(story, maker)));
export const leave = (story: string, maker: string): Promise<Together> =>
  answer(api.DELETE('/api/stories/{id}/makers/{maker}', path(story, maker)));

/** Who makes a story, and what an act has made of that. */
export function useMakers(story: string) {
  const queries = useQueryClient();
  const queryKey = ['makers', story];
  const { data } = useQuery({
    queryKey,
    queryFn: () => answer(api.GET('/api/stories/{id}/makers', { params: { path: { id: story } } })),
    refetchOnMount: 'always',
  });
  const keep = async (now: Together) => {
    await told<Together>(queries, queryKey, now);
    await queries.invalidateQueries({ queryKey: ['story', story] });
  };
  return { makers: data, keep };
}
