import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api } from '../../api/client';
import type { Edit, Slide } from '../../api/types';
import { recipeOf, type Recipe } from '../../mend/recipe';
import type { Levels } from '../../mend/tables';
import { useActs } from '../../story/StoryContext';
import { pictureOf } from '../../story/slides';

/** The picture is drawn no larger than that, in pixels of its longer side. */
const SIDE = 1600;

/** Milliseconds that it rests before it is saved: many presses of a key are one change, and one to undo. */
const RESTS = 350;

/** What is done to a slide's picture: as it is saved, or as it is being changed. */
export function useMending(slide: Slide) {
  const { editLater } = useActs();
  const [draft, setDraft] = useState<Recipe | null>(null);
  const recipe = draft ?? recipeOf(pictureOf(slide));
  const latest = useRef(recipe);
  latest.current = recipe;
  const rest = useRef<{ changes: Partial<Recipe>; timer?: ReturnType<typeof setTimeout>; save: () => void } | null>(
    null,
  );
  /** Shows it, while it is still in somebody's hand. */
  const show = (changes: Partial<Recipe>) => {
    latest.current = { ...latest.current, ...changes };
    setDraft(latest.current);
  };
  const begin = () => {
    let mine: Recipe;
    const edits = new Promise<Edit[]>((resolve) => {
      const changes: Partial<Recipe> = {};
      rest.current = {
        changes,
        save: () => {
          rest.current = null;
          mine = latest.current;
          resolve([{ do: 'set layers', slides: [slide.id], kind: 'picture', changes: { recipe: changes } }]);
        },
      };
    });
    // What was changed since stays in hand.
    void editLater(edits).finally(() => setDraft((now) => (now === mine ? null : now)));
    return rest.current;
  };
  const set = (changes: Partial<Recipe>) => {
    show(changes);
    const now = rest.current ?? begin();
    if (!now) return;
    Object.assign(now.changes, changes);
    clearTimeout(now.timer);
    now.timer = setTimeout(now.save, RESTS);
  };
  // Whoever goes on to something else has it saved before.
  useEffect(
    () => () => {
      clearTimeout(rest.current?.timer);
      rest.current?.save();
    },
    [],
  );
  return { recipe, show, set };
}

/** A picture as it came, to be drawn in the page; null until it is here. */
export function usePicture(story: string, asset: string): { picture: ImageBitmap | null; levels: Levels | undefined } {
  const [here, setHere] = useState<{ asset: string; picture: ImageBitmap } | null>(null);
  const { data: levels } = useQuery({
    queryKey: ['levels', asset],
    queryFn: () =>
      answer(api.GET('/api/stories/{id}/assets/{asset}/levels.json', { params: { path: { id: story, asset } } })),
    staleTime: Infinity,
  });
  const { data: file } = useQuery({
    queryKey: ['picture', asset],
    queryFn: () =>
      answer(
        api.GET('/api/stories/{id}/assets/{asset}/{name}', {
          params: { path: { id: story, asset, name: 'full.jpg' } },
          parseAs: 'blob',
        }),
      ) as unknown as Promise<Blob>,
    staleTime: Infinity,
    gcTime: 60_000,
  });
  useEffect(() => {
    if (!file) return undefined;
    let left = false;
    let made: ImageBitmap | null = null;
    void (async () => {
      const whole = await createImageBitmap(file);
      const scale = Math.min(1, SIDE / Math.max(whole.width, whole.height));
      const [resizeWidth, resizeHeight] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
      made = await createImageBitmap(whole, { resizeWidth, resizeHeight, resizeQuality: 'high' });
      whole.close();
      if (left) made.close();
      else setHere({ asset, picture: made });
    })();
    return () => {
      left = true;
      made?.close();
      setHere(null);
    };
  }, [asset, file]);
  return { picture: here?.asset === asset ? here.picture : null, levels };
}
