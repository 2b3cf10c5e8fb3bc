import { useMutation, useMutationState, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { immutableJSONPatch, type JSONPatchDocument } from 'immutable-json-patch';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { answer, api, Refusal, sentence, Unreachable } from '../api/client';
import type { Edit, Patch, Slide, StoryView } from '../api/types';
import { useTell } from '../parts/notices';
import { isTyping, onTyping } from './typing';
import { useWhatOthersChange } from './useWhatOthersChange';

export type Saving = 'saved' | 'saving' | 'waiting';

/** One act of a person, as it is asked of the server on a revision; it answers with what changed, or with the whole story. */
type Ask = (revision: string) => Promise<StoryView | Patch>;

export const newId = (): string => crypto.randomUUID();
export const storyKey = (id: string) => ['story', id];

/** Keeps a story that the server answered with, unless a newer one is here already. */
export const keepNewer = (queries: QueryClient, id: string, newer: StoryView) =>
  queries.setQueryData<StoryView>(storyKey(id), (old) => (old && old.revision > newer.revision ? old : newer));

/** Where the story was changed elsewhere meanwhile, the newest is fetched and the act is done on that: each is about its own part. */
async function onNewest(queries: QueryClient, id: string, ask: Ask): Promise<StoryView> {
  for (;;) {
    try {
      const before = queries.getQueryData<StoryView>(storyKey(id));
      const answered = await ask(`"${before?.revision ?? 0}"`);
      if (!Array.isArray(answered)) return answered;
      if (before) return immutableJSONPatch(before, answered as JSONPatchDocument) as StoryView;
      return await answer(api.GET('/api/stories/{id}', { params: { path: { id } } }));
    } catch (problem) {
      if (!(problem instanceof Refusal) || problem.status !== 412) throw problem;
      queries.setQueryData(storyKey(id), await answer(api.GET('/api/stories/{id}', { params: { path: { id } } })));
    }
  }
}

/**
 * A story and the way to change it. A story has one queue for the whole page, whichever place an act comes from: acts go to
 * the server one after another. Without a connection they wait, and are sent when there is one again.
 */
export function useStory(id: string) {
  const queries = useQueryClient();
  const tell = useTell();
  const key = useMemo(() => storyKey(id), [id]);
  const { data: view, error } = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/stories/{id}', { params: { path: { id } } })),
    // An answer to an act is newer than one to a question asked before it.
    structuralSharing: (old, newer) =>
      old && (old as StoryView).revision > (newer as StoryView).revision ? old : newer,
    refetchOnMount: 'always',
  });
  useWhatOthersChange(id, view);
  const receive = useCallback((newer: StoryView) => keepNewer(queries, id, newer), [queries, id]);
  const { mutateAsync } = useMutation({
    mutationKey: key,
    scope: { id: key.join(' ') },
    // Whether there is a connection is told by trying, not by what the browser believes.
    networkMode: 'always',
    mutationFn: (ask: Ask) => onNewest(queries, id, ask),
    retry: (_, problem) => problem instanceof Unreachable,
    retryDelay: (count, problem) =>
      problem instanceof Unreachable && problem.seconds > 0
        ? problem.seconds * 1000
        : Math.min(1000 * 1.6 ** count, 15_000),
    onSuccess: receive,
    onError: (problem) => {
      tell(sentence(problem), { tone: 'trouble' });
      return queries.invalidateQueries({ queryKey: key });
    },
  });
  const pending = useMutationState({
    filters: { mutationKey: key, status: 'pending' },
    select: (mutation) => mutation.state.failureCount,
  });
  const isTyped = useSyncExternalStore(onTyping, isTyping);
  const saving: Saving =
    pending.length === 0 ? (isTyped ? 'saving' : 'saved') : pending.some((count) => count > 0) ? 'waiting' : 'saving';

  /** Null when it was refused, which the person has then been told. */
  const change = useCallback((ask: Ask) => mutateAsync(ask).catch(() => null), [mutateAsync]);
  /** Edits that are still in somebody's hand: they are told when they rest, and count as not saved from now on. */
  const editLater = useCallback(
    (edits: Promise<Edit[]>) =>
      change(async (revision) =>
        answer(
          api.POST('/api/stories/{id}/edits', {
            params: { path: { id }, header: { 'If-Match': revision } },
            body: { edits: await edits },
          }),
        ),
      ),
    [change, id],
  );
  const edit = useCallback((...edits: Edit[]) => editLater(Promise.resolve(edits)), [editLater]);
  const undo = useCallback(
    () =>
      change((revision) =>
        answer(api.POST('/api/stories/{id}/undo', { params: { path: { id }, header: { 'If-Match': revision } } })),
      ),
    [change, id],
  );
  const redo = useCallback(
    () =>
      change((revision) =>
        answer(api.POST('/api/stories/{id}/redo', { params: { path: { id }, header: { 'If-Match': revision } } })),
      ),
    [change, id],
  );
  const paste = useCallback(
    (from: string, slides: Slide[], ids: string[], after: string | null) =>
      change((revision) =>
        answer(
          api.POST('/api/stories/{id}/slides', {
            params: { path: { id }, header: { 'If-Match': revision } },
            body: { from, slides: slides as unknown as Record<string, unknown>[], ids, after },
          }),
        ),
      ),
    [change, id],
  );

  return { view, error, saving, edit, editLater, undo, redo, paste, receive };
}

export type StoryHold = ReturnType<typeof useStory>;
