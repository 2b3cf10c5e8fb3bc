import type { Slide, WordsLayer } from '../../api/types';
import { wordsOf } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { SpotField } from './SpotField';

/** Where a slide's caption stands; the first where none is named. */
export function CaptionSpot({ slide, caption = wordsOf(slide, 'caption') }: { slide: Slide; caption?: WordsLayer }) {
  const saved: { place: WordsLayer['place'] } = { place: caption?.place ?? 'auto' };
  const { value, set } = useInHand(saved, (changes) => ({
    do: 'set layer',
    slide: slide.id,
    layer: caption?.id ?? 'caption',
    kind: 'words',
    changes: { role: 'caption', ...changes },
  }));
  return <SpotField value={value.place} onChange={(place) => set({ place })} />;
}
