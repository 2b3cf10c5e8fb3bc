import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import type { Scene, Slide, Spoken } from '../api/types';

/** When the words of a slide's script are said, and what is said where; until that is known there is nothing. */
export function useSpoken(
  story: string,
  slide: Slide | undefined,
  scene: Scene | undefined,
  fps = 30,
): Spoken & { /** It is being found out. */ isComing: boolean } {
  const { data, isFetching } = useQuery({
    // All that it follows from.
    queryKey: [
      'spoken',
      story,
      slide?.id,
      slide?.script,
      slide?.voice,
      scene && scene.end - scene.start,
      scene?.comesIn,
    ],
    queryFn: () =>
      answer(
        api.GET('/api/stories/{id}/slides/{slide}/spoken.json', {
          params: { path: { id: story, slide: slide?.id ?? '' } },
        }),
      ),
    enabled: slide !== undefined,
    staleTime: Infinity,
    // While that is found out, what was said on this very slide before.
    placeholderData: (previous, query) => (query?.queryKey[2] === slide?.id ? previous : undefined),
  });
  return {
    isComing: isFetching,
    ...(data ?? {
      spoken: false,
      zero: (scene?.comesIn ?? 0) / fps,
      samples: 0,
      sentences: [],
      pauses: [],
      repeats: [],
      beside: { noise: 0, breaths: 0, clicks: 0 },
      words: [],
    }),
  };
}
