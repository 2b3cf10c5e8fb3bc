import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { answer, api, Refusal, sentence, Unreachable } from '../api/client';
import type { Edit, StoryView } from '../api/types';
import { useTell } from '../parts/notices';

export type Saving = 'saved' | 'saving' | 'waiting';

interface Step {
  ask: (revision: string) => Promise<StoryView>;
  done: (view: StoryView | null) => void;
}

export const newId = (): string => crypto.randomUUID();

/**
 * A story and the way to change it. Steps go to the server one after another, each with the revision it was made on. Where
 * the story was changed elsewhere meanwhile, the newest is fetched and the step is made on that: each is about its own slide.
 * Without a connection they wait, and are sent when there is one again.
 */
export function useStory(id: string) {
  const queries = useQueryClient();
  const tell = useTell();
  const key = useMemo(() => ['story', id], [id]);
  const { data: view, error } = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/stories/{id}', { params: { path: { id } } })),
    refetchOnMount: 'always',
  });
  const [saving, setSaving] = useState<Saving>('saved');
  const steps = useRef<Step[]>([]);
  const running = useRef(false);

  /** Takes a story that the server answered with, unless a newer one is here already. */
  const take = useCallback(
    (newer: StoryView) =>
      queries.setQueryData<StoryView>(key, (old) => (old && old.revision > newer.revision ? old : newer)),
    [queries, key],
  );

  const run = useCallback(async () => {
    if (running.current) return;
    running.current = true;
    setSaving('saving');
    let patience = 1000;
    for (let step = steps.current[0]; step; step = steps.current[0]) {
      try {
        const revision = queries.getQueryData<StoryView>(key)?.revision ?? 0;
        const newer = await step.ask(`"${revision}"`);
        take(newer);
        step.done(newer);
        steps.current.shift();
        setSaving('saving');
        patience = 1000;
      } catch (problem) {
        if (problem instanceof Unreachable) {
          setSaving('waiting');
          await new Promise((wake) => setTimeout(wake, patience));
          patience = Math.min(patience * 1.6, 15_000);
        } else if (problem instanceof Refusal && problem.status === 412) {
          try {
            queries.setQueryData(key, await answer(api.GET('/api/stories/{id}', { params: { path: { id } } })));
          } catch {
            await new Promise((wake) => setTimeout(wake, 500));
          }
        } else {
          tell(sentence(problem), { tone: 'trouble' });
          step.done(null);
          steps.current.shift();
          await queries.invalidateQueries({ queryKey: key });
        }
      }
    }
    running.current = false;
    setSaving('saved');
  }, [id, key, queries, take, tell]);

  const change = useCallback(
    (ask: Step['ask']) =>
      new Promise<StoryView | null>((done) => {
        steps.current.push({ ask, done });
        void run();
      }),
    [run],
  );

  const edit = useCallback(
    (...edits: Edit[]) =>
      change((revision) =>
        answer(
          api.POST('/api/stories/{id}/edits', {
            params: { path: { id }, header: { 'If-Match': revision } },
            body: { edits },
          }),
        ),
      ),
    [change, id],
  );
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

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (steps.current.length > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, []);

  return { view, error, saving, edit, undo, redo, take };
}

export type StoryHold = ReturnType<typeof useStory>;
