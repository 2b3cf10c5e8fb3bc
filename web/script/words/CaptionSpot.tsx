import type { Slide, WordsLayer } from '../../api/types';
import { wordsOnPicture } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { SpotField } from './SpotField';

/** Where words stand on their picture; the first where none are named. */
export function CaptionSpot({ slide, caption = wordsOnPicture(slide)[0] }: { slide: Slide; caption?: WordsLayer }) {
  const saved: { place: WordsLayer['place'] } = { place: caption?.place ?? 'auto' };
  const { value, set } = useInHand(saved, (changes) => ({
    do: 'set layer',
    slide: slide.id,
    layer: caption?.id ?? 'caption',
    kind: 'words',
    changes: caption ? changes : { role: 'caption', ...changes },
  }));
  return <SpotField value={value.place} onChange={(place) => set({ place })} />;
}
