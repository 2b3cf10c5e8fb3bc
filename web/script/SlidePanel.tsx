import { Suspense } from 'react';
import type { HandIn, Remark } from '../api/types';
import { say } from '../messages/say';
import { Card, Soft } from '../parts/controls';
import { place } from '../parts/place';
import { useView } from '../story/StoryContext';
import { WholePanel } from './WholePanel';

const SlideSettings = place(() => import('./SlideSettings'));

interface Props {
  picked: string[];
  remarks: Remark[];
  answer: HandIn | undefined;
  onPick: (slide: string) => void;
  /** Nothing is chosen any more. */
  onNone: () => void;
}

/** What can be set for the chosen slides; with none chosen, what concerns the whole story. */
export function SlidePanel({ picked, remarks, answer, onPick, onNone }: Props) {
  const { slides } = useView().story;
  if (!slides.some((slide) => picked.includes(slide.id)))
    return <WholePanel remarks={remarks} answer={answer} onPick={onPick} />;
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
