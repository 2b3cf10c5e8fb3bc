import { useEffect } from 'react';
import type { DropItem } from 'react-aria-components';
import { gatherDropped, gatherFiles } from '../assets/gather';
import { useArrivals } from '../assets/useArrivals';
import { useSteady } from '../parts/useSteady';
import type { StoryHold } from '../story/useStory';

/** Pictures that are brought in: chosen, dropped or pasted, behind what is chosen or at the end. */
export function useBringing(id: string, hold: StoryHold, picked: string[]) {
  const { arrivals, useAgain: again, putAway, bringIn } = useArrivals(id, hold);
  const last = picked.at(-1);
  const dropped = useSteady(
    (items: DropItem[], behind?: string, beside?: string) =>
      void gatherDropped(items).then((files) => bringIn(files, behind, beside)),
  );
  const files = useSteady((chosen: Iterable<File>) => void gatherFiles(chosen).then((got) => bringIn(got)));
  const taken = useSteady((file: File) => void bringIn([file], last));
  // Pasted anywhere but into words.
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const pasted = [...(event.clipboardData?.files ?? [])];
      const isWriting =
        (event.target as Element).matches('input, textarea') && event.clipboardData?.getData('text') !== '';
      if (pasted.length === 0 || isWriting) return;
      event.preventDefault();
      void gatherFiles(pasted).then((got) => bringIn(got, last));
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, [bringIn, last]);
  return { arrivals, again, putAway, dropped, files, taken };
}
