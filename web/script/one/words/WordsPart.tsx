import { useEffect, useRef, useState } from 'react';
import type { PlannedWords, Scene } from '../../../api/types';
import { Preview, type PreviewHandle } from '../../../stage/Preview';
import { useActs, useView } from '../../../story/StoryContext';
import type { Row } from '../../rows';
import { SlideWords } from '../../SlideWords';
import { LookFields, wordsIn } from '../../words/LookFields';
import { Fitted } from '../Fitted';
import { WordsThread } from '../thread/WordsThread';
import { WordsStage } from './WordsStage';

interface Props {
  row: Row;
  children: (parts: { stage: React.ReactNode; under: React.ReactNode; fields: React.ReactNode }) => React.ReactNode;
}

/** The words of a slide: written beside the stage or on it, and placed on it. */
export function WordsPart({ row: { slide, scene }, row, children }: Props) {
  const { id } = useActs();
  const { plan } = useView();
  const [chosen, choose] = useState<string>();
  const [held, hold] = useState<string>();
  const preview = useRef<PreviewHandle>(null);
  const moment = scene ? restingOf(scene, chosen ?? wordsIn(slide)[0]?.id) : 0;
  useEffect(() => preview.current?.show(moment), [moment]);
  const over = (frame: number) =>
    scene && (
      <WordsStage
        slide={slide}
        scene={scene}
        frame={frame}
        chosen={chosen ?? wordsIn(slide)[0]?.id}
        onChoose={choose}
        onHeld={hold}
      />
    );
  const which = wordsIn(slide).find((one) => one.id === chosen) ?? wordsIn(slide)[0];
  return children({
    under: scene && which?.layer && <WordsThread key={which.id} slide={slide} scene={scene} words={which.layer} />,
    stage: (
      <Fitted>
        <Preview ref={preview} story={id} plan={plan} over={over} hidden={held} />
      </Fitted>
    ),
    fields: (
      <>
        <div className="words">
          <SlideWords row={row} />
        </div>
        <LookFields slide={slide} scene={scene} chosen={chosen} onChoose={choose} />
      </>
    ),
  });
}

/** A frame at which the chosen words are there, whenever and however they come. */
function restingOf({ start, end, comesIn, layers }: Scene, chosen: string | undefined): number {
  const words = layers.find((layer): layer is PlannedWords => layer.kind === 'words' && layer.id === chosen);
  const whole = words?.opacity.find(({ value }) => value === 1)?.frame ?? 0;
  const come = Math.max(whole, words?.rise?.left.at(-1)?.frame ?? 0, words?.reveal?.written.at(-1)?.frame ?? 0);
  return Math.min(end - 1, start + Math.max(comesIn, come));
}
