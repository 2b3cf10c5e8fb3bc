import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import type { Scene, Slide, Spoken } from '../../api/types';

/** When the words of a slide's script are said; until that is known there are none. */
export function useSpoken(story: string, slide: Slide, scene: Scene, fps: number): Spoken {
  const { data } = useQuery({
    // All that it follows from.
    queryKey: ['spoken', story, slide.id, slide.script, slide.voice, scene.end - scene.start, scene.comesIn],
    queryFn: () =>
      answer(
        api.GET('/api/stories/{id}/slides/{slide}/spoken.json', { params: { path: { id: story, slide: slide.id } } }),
      ),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  return data ?? { spoken: false, zero: scene.comesIn / fps, words: [] };
}
