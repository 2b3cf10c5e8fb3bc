import { useQuery } from '@tanstack/react-query';
import { answer, api } from './client';
import { useSession } from './session';
import type { News } from './types';

/** Seconds from one question what there is to the next: a film that was handed in a minute ago is new enough. */
const EVERY = 30;

/** What waits for whoever is signed in. It is asked for while the page is looked at. */
export const useNews = (isAsked = true) => {
  const { person } = useSession();
  return useQuery<News[]>({
    // A guest sees one film, and is told of nothing else.
    enabled: person !== null && person !== undefined && person.role !== 'guest',
    queryKey: ['news'],
    queryFn: () => answer(api.GET('/api/news')),
    refetchInterval: isAsked ? EVERY * 1000 : false,
    refetchOnWindowFocus: isAsked,
    // It is asked for again soon anyway.
    retry: false,
  });
};
