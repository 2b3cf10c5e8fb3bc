import type { Slide, WordsLayer } from '../../api/types';
import { wordsOnPicture } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { SpotField } from './SpotField';

/** Where words stand on their picture; the first where none are named. */
export function WordsSpot({ slide, words = wordsOnPicture(slide)[0] }: { slide: Slide; words?: WordsLayer }) {
  const saved: { place: WordsLayer['place'] } = { place: words?.place ?? 'auto' };
  const { value, set } = useInHand(saved, (changes) => ({
    do: 'set layer',
    slide: slide.id,
    layer: words?.id ?? 'caption',
    kind: 'words',
    changes: words ? changes : { role: 'caption', ...changes },
  }));
  // What was put by hand stands at none of them.
  return <SpotField value={words?.at ? null : value.place} onChange={(place) => set({ place })} />;
}
