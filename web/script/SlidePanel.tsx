import { Suspense } from 'react';
import { say } from '../messages/say';
import { Card, Soft } from '../parts/controls';
import { place } from '../parts/place';
import { useView } from '../story/StoryContext';

const SlideSettings = place(() => import('./SlideSettings'));

/** What can be set for the chosen slides. */
export function SlidePanel({ picked, onNone }: { picked: string[]; onNone: () => void }) {
  const { slides } = useView().story;
  if (!slides.some((slide) => picked.includes(slide.id))) return <Soft>{say('whole.choose')}</Soft>;
  return (
    <Suspense
      fallback={
        <Card>
          <Soft>{say('page.one-moment')}</Soft>
        </Card>
      }
    >
      <SlideSettings picked={picked} onNone={onNone} />
    </Suspense>
  );
}
