import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import type { Slide, StoryView, TakeMade, Voice } from '../../api/types';
import { assetOf } from '../../story/slides';

/** A take as somebody sees it who chooses among them. */
export interface Take extends TakeMade {
  voice: Voice;
  /** Its place in the order in which the slide's takes were made, from 1. */
  number: number;
  isHeard: boolean;
}

/** All takes of a story, the latest first; nothing until they are known. */
export function useTakes(
  { id, revision, story }: StoryView,
  slide: Slide,
): Record<'own' | 'others' | 'away', Take[]> | null {
  const { data } = useQuery({
    queryKey: ['takes', id, slide.id, revision],
    queryFn: () =>
      answer(api.GET('/api/stories/{id}/slides/{slide}/takes.json', { params: { path: { id, slide: slide.id } } })),
    placeholderData: keepPreviousData,
  });
  if (!data) return null;
  const takes: Take[] = [];
  for (const made of data.toReversed()) {
    const voice = assetOf(story, made.asset, 'voice');
    if (!voice) continue;
    takes.unshift({
      ...made,
      voice,
      isHeard: slide.voice.some(({ asset }) => asset === made.asset),
      number: 1 + takes.filter(({ isOwn }) => isOwn === made.isOwn).length,
    });
  }
  const isAway = ({ voice, isHeard }: Take) => voice.take?.away === true && !isHeard;
  return {
    own: takes.filter((take) => take.isOwn && !isAway(take)),
    others: takes.filter((take) => !take.isOwn && !isAway(take)),
    away: takes.filter(isAway),
  };
}
