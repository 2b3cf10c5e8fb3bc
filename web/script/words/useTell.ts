import type { Slide, WordsLayer } from '../../api/types';
import { useActs } from '../../story/StoryContext';
import type { Which } from './LookFields';

/** What is asked of the server for changes of words, which may not be there yet. */
export const changesOf = ({ role, layer }: Which, changes: Partial<WordsLayer>): Partial<WordsLayer> =>
  layer ? changes : { role, ...changes };

/** Changes words at once. */
export function useTellWords(slide: Slide, which: Which) {
  const { edit } = useActs();
  return (changes: { [K in keyof WordsLayer]?: WordsLayer[K] | null }) =>
    void edit({
      do: 'set layer',
      slide: slide.id,
      layer: which.id,
      kind: 'words',
      changes: changesOf(which, changes as Partial<WordsLayer>),
    });
}
