import { useMemo, useState } from 'react';
import type { Slide } from '../api/types';
import { useTell } from '../parts/notices';
import { useSteady } from '../parts/useSteady';
import { newId, type StoryHold } from '../story/useStory';
import { say } from '../messages/say';
import { arrange, stepped, type Arranging } from './arrange';

/** What is done to whole slides. It stays the same while the story changes. */
export interface SlideActs {
  remove: (ids: string[]) => void;
  duplicate: (ids: string[]) => void;
  /** One place back or on. */
  step: (ids: string[], by: -1 | 1) => void;
  /** Behind another slide, or first. */
  move: (ids: string[], after: string | null) => void;
}

/** Arranging shows at once: what was asked and is not done yet is told along with the acts. */
export function useArranging({ edit, undo }: Pick<StoryHold, 'edit' | 'undo'>, slides: Slide[]) {
  const tell = useTell();
  const [asked, setAsked] = useState<readonly Arranging[]>([]);
  const shown = useSteady(async <T>(act: Arranging, done: Promise<T>): Promise<T> => {
    setAsked((all) => [...all, act]);
    try {
      return await done;
    } finally {
      setAsked((all) => all.filter((other) => other !== act));
    }
  });
  const remove = useSteady((ids: string[]) => {
    if (ids.length === 0) return;
    void shown({ do: 'go', slides: ids }, edit({ do: 'delete slides', slides: ids })).then((done) => {
      if (done)
        tell(say('script.deleted', { count: ids.length }), {
          action: { label: say('story.undo'), run: () => void undo() },
        });
    });
  });
  const duplicate = useSteady(
    (ids: string[]) => void edit({ do: 'duplicate slides', slides: ids, copies: ids.map(newId) }),
  );
  const move = useSteady(
    (ids: string[], after: string | null) =>
      void shown({ do: 'move', slides: ids, after }, edit({ do: 'move slides', slides: ids, after })),
  );
  const step = useSteady((ids: string[], by: -1 | 1) => {
    // From where it is seen to stand: it may be asked to go on before the first step is answered.
    const order = arrange(
      slides.map(({ id }, index) => ({ id, index, last: false })),
      asked,
    );
    const after = stepped(
      order.map(({ id }) => id),
      ids,
      by,
    );
    if (after !== undefined) move(ids, after);
  });
  const acts = useMemo((): SlideActs => ({ remove, duplicate, step, move }), [remove, duplicate, step, move]);
  return { acts, asked };
}
