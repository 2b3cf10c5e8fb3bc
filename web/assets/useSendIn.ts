import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { answer, api, Refusal } from '../api/client';
import type { AssetState } from '../api/types';
import { useSession } from '../api/session';
import { keepNewer } from '../story/useStory';
import { keepFile, type Kept } from './keeper';
import { Sender } from './Sender';

/** Fetches a story into which something has come. */
export function useFetchStory() {
  const queries = useQueryClient();
  return useCallback(
    async (story: string) => {
      const view = await answer(api.GET('/api/stories/{id}', { params: { path: { id: story } } }));
      keepNewer(queries, story, view);
      return view;
    },
    [queries],
  );
}

/** Where it goes: onto a slide, beside what that shows, or in the place of a layer's picture. */
export type Onto = Partial<Pick<Kept, 'slide' | 'beside' | 'layer'>>;

/** Sends one chosen file in and waits until the story has it. */
export function useSendIn(story: string) {
  const { person } = useSession();
  const fetchStory = useFetchStory();
  return useCallback(
    async (kind: AssetState['kind'], file: File, onto: Onto = {}) => {
      if (file.size === 0) throw new Refusal(422, { code: 'file.empty' });
      const kept: Kept = {
        id: crypto.randomUUID(),
        person: person?.id ?? '',
        story,
        kind,
        file: file.name,
        slide: onto.slide ?? null,
        beside: onto.beside,
        layer: onto.layer,
        after: [],
        begun: Date.now(),
        whole: file,
      };
      await keepFile(kept);
      const state = await new Sender(kept).settle();
      return { asset: state.same ?? state.id, story: await fetchStory(story) };
    },
    [fetchStory, person, story],
  );
}
