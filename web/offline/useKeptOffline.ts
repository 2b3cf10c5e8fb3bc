import { useEffect, useState } from 'react';
import type { StoryView } from '../api/types';
import { keepStory } from './keepStory';

/** Milliseconds: not in the way of what the page itself fetches. */
const LATER = 2500;

/** Keeps the story as it is for when there is no connection. Tells whether all of it is kept. */
export function useKeptOffline(person: string | undefined, view: StoryView | undefined): boolean {
  const [isWhole, setWhole] = useState(false);
  useEffect(() => {
    if (!view || !person) return undefined;
    const timer = setTimeout(() => {
      keepStory(person, view).then(
        (whole) => setWhole((was) => was || whole),
        () => undefined,
      );
    }, LATER);
    return () => clearTimeout(timer);
  }, [person, view]);
  return isWhole;
}
