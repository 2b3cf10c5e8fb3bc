import { isWordsAlone } from '../../../story/slides';
import { useState } from 'react';
import styled from 'styled-components';
import type { Edit, PlannedPointer, PlannedWords, Scene, Slide, WordsLayer } from '../../../api/types';
import { say } from '../../../messages/say';
import { WHOLE } from '../../../parts/boxes';
import { frameAt } from '../../../stage/path';
import { progress } from '../../../stage/plan';
import { useActs, useView } from '../../../story/StoryContext';
import type { Guide } from './snap';
import { TargetKnob } from './TargetKnob';
import { WordsBox, type Put } from './WordsBox';

const Over = styled.div`
  position: absolute;
  inset: 0;
  z-index: 4;
  pointer-events: none;
  container-type: size;
  touch-action: none;
  .guide {
    position: absolute;
    background: #ffd34d;
    box-shadow: 0 0 0 1px rgb(23 26 33 / 0.6);
  }
  .guide.x {
    inset-block: 0;
    width: 1px;
  }
  .guide.y {
    inset-inline: 0;
    height: 1px;
  }
`;

interface Props {
  slide: Slide;
  scene: Scene;
  /** Of the film, that is shown. */
  frame: number;
  chosen: string | undefined;
  onChoose: (id: string) => void;
  /** Which of them is in hand. */
  onHeld: (id: string | undefined) => void;
}

/** The words of a slide on the stage. */
export function WordsStage({ slide, scene, frame, chosen, onChoose, onHeld }: Props) {
  const { plan } = useView();
  const { edit } = useActs();
  const [guides, setGuides] = useState<Guide[]>([]);
  if (frame < scene.start || frame >= scene.end) return null;
  const layers = slide.layers.filter((layer): layer is WordsLayer => layer.kind === 'words');
  const planned = scene.layers.filter((layer): layer is PlannedWords => layer.kind === 'words' && !layer.lit);
  const editOf = (layer: string, changes: Partial<WordsLayer>): Edit => ({
    do: 'set layer',
    slide: slide.id,
    layer,
    kind: 'words',
    changes,
  });
  const moves = !isWordsAlone(slide);
  // A press on the stage itself plays it.
  return (
    <Over onPointerDown={(event) => event.stopPropagation()} onClick={(event) => event.stopPropagation()}>
      {guides.map(({ along, at }) => (
        <div key={along} className={`guide ${along}`} style={{ [along === 'x' ? 'left' : 'top']: `${100 * at}%` }} />
      ))}
      {planned.map((words) => {
        const n = layers.findIndex(({ id }) => id === words.id);
        const layer = layers[n];
        if (!layer) return null;
        return (
          <WordsBox
            key={words.id}
            number={n + 1}
            layer={layer}
            planned={words}
            ratio={plan.width / plan.height}
            others={planned.filter((other) => other !== words).map(({ box }) => box)}
            isChosen={chosen === words.id}
            moves={moves && layer.cell === undefined}
            onChoose={() => onChoose(words.id)}
            onGuides={setGuides}
            onHeld={(isHeld) => onHeld(isHeld ? words.id : undefined)}
            editOf={(put: Put) => editOf(words.id, put)}
            onText={(text) => void edit(editOf(words.id, { text }))}
            onTakenAway={() => void edit({ do: 'delete layer', slide: slide.id, layer: words.id })}
          />
        );
      })}
      {scene.layers
        .filter((layer): layer is PlannedPointer => layer.kind === 'pointer')
        .map((pointer) => {
          const id = pointer.id.replace(/-line$/, '');
          const layer = layers.find((one) => one.id === id);
          return (
            layer && (
              <TargetKnob
                key={pointer.id}
                name={say('words.target', { number: layers.indexOf(layer) + 1 })}
                target={pointer.target}
                frame={frameAt(pointer.path, plan.ease, progress(scene, frame))}
                box={pointer.box ?? WHOLE}
                onHeld={(isHeld) => onHeld(isHeld ? pointer.id : undefined)}
                editOf={(target) => editOf(id, { target })}
              />
            )
          );
        })}
    </Over>
  );
}
