import { useEffect, useRef, useState } from 'react';
import type { PlannedPicture, Scene, Slide } from '../../api/types';
import { recipeOf, turnedRatio, WHOLE } from '../../mend/recipe';
import { say, type Code } from '../../messages/say';
import type { Box } from '../../parts/boxes';
import { Picks, Segments } from '../../parts/Choice';
import { Button, Mark, Row as Line, Soft } from '../../parts/controls';
import { comfortOf, paceOf } from '../../stage/comfort';
import { Preview, type PreviewHandle } from '../../stage/Preview';
import { useActs, useView } from '../../story/StoryContext';
import { assetOf, pictureOf } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { Fitted } from './Fitted';
import { FrameBox } from './FrameBox';
import { MendStage } from './MendStage';
import { usePicture } from './usePicture';

type Motion = 'auto' | 'still' | 'set';
interface Framing {
  motion: Motion;
  opensOn: Box;
  closesOn: Box;
}
const motions: [Motion, Code][] = [
  ['auto', 'eye.by-itself'],
  ['still', 'eye.still'],
  ['set', 'eye.as-i-say'],
];
const paces: Record<ReturnType<typeof paceOf>, [code: Code, tone: 'accepted' | 'returned' | 'must']> = {
  calm: ['eye.calm', 'accepted'],
  brisk: ['eye.brisk', 'returned'],
  'too-fast': ['eye.too-fast', 'must'],
};
const plannedIn = (scene: Scene | undefined): PlannedPicture | undefined =>
  scene?.layers.find((layer): layer is PlannedPicture => layer.kind === 'picture');

interface Props {
  slide: Slide;
  scene: Scene;
  before: Scene | undefined;
  children: (parts: { stage: React.ReactNode; fields: React.ReactNode }) => React.ReactNode;
}

/** What part of the picture a slide opens on, and what part it closes on. */
export function Eye({ slide, scene, before, children }: Props) {
  const { id, edit } = useActs();
  const { story, plan } = useView();
  const layer = pictureOf(slide);
  const planned = plannedIn(scene);
  const recipe = recipeOf(layer);
  const { picture, levels } = usePicture(id, layer?.asset ?? '');
  const [hand, setHand] = useState<'opensOn' | 'closesOn'>('closesOn');
  const [watches, setWatches] = useState(false);
  const preview = useRef<PreviewHandle>(null);
  const isWhole = planned?.rendition.name.startsWith('whole') ?? false;
  const saved: Framing = {
    motion: layer?.framing.motion ?? 'auto',
    opensOn: planned?.opensOn ?? WHOLE,
    closesOn: planned?.closesOn ?? WHOLE,
  };
  const { value, show, set } = useInHand<Framing>(saved, (framing) => ({
    do: 'set layers',
    slides: [slide.id],
    kind: 'picture',
    changes: { framing },
  }));
  // The two are told together: one alone is no move.
  const both = (changes: Partial<Framing>): Framing => ({ ...value, motion: 'set', ...changes });
  const cropped = recipe.crop ? recipe.crop.width / recipe.crop.height : 1;
  const around = picture ? turnedRatio(picture.width / picture.height, recipe.turn) * cropped : 1;
  const ratio = plan.width / plan.height / around;
  const gone = scene.end + scene.transition.frames;
  const pace = paceOf(comfortOf(value.opensOn, value.closesOn, plan.ease, (gone - scene.start) / plan.fps));
  const last = plannedIn(before);
  useEffect(() => {
    if (watches) preview.current?.play(scene.start + scene.comesIn, scene.end);
  }, [watches, scene.start, scene.comesIn, scene.end]);
  const stage = watches ? (
    <Fitted>
      <Preview ref={preview} story={id} plan={plan} bare onEnd={() => setWatches(false)} />
    </Fitted>
  ) : (
    <MendStage
      picture={picture}
      levels={levels}
      recipe={recipe}
      name={say('eye.picture', { picture: assetOf(story, layer?.asset, 'picture')?.file ?? '' })}
      before={false}
      crops={false}
      levelled={false}
    >
      {!isWhole &&
        value.motion !== 'still' &&
        (['opensOn', 'closesOn'] as const).map((frame) => (
          <FrameBox
            key={frame}
            as={frame === 'opensOn' ? 'opens' : 'closes'}
            name={say(frame === 'opensOn' ? 'eye.opens-on' : 'eye.closes-on')}
            box={value[frame]}
            isOnTop={frame === hand}
            onTaken={() => setHand(frame)}
            ratio={ratio}
            onChange={(box) => show(both({ [frame]: box }))}
            onEnd={(box) => set(both({ [frame]: box }))}
          />
        ))}
    </MendStage>
  );
  const fields = isWhole ? (
    <>
      <Soft>{say('eye.whole')}</Soft>
      <Line>
        <Button
          onPress={() => void edit({ do: 'set layers', slides: [slide.id], kind: 'picture', changes: { fit: 'fill' } })}
        >
          {say('eye.fill')}
        </Button>
      </Line>
    </>
  ) : (
    <>
      <Picks
        label={say('eye.title')}
        value={value.motion}
        options={motions.map(([motion, name]) => [motion, say(name)])}
        onChange={(motion) => set(motion === 'set' ? both({}) : { motion })}
      />
      {value.motion !== 'still' && (
        <>
          <Segments
            label={say('eye.on-top')}
            value={hand}
            options={[
              ['opensOn', say('eye.opens-on')],
              ['closesOn', say('eye.closes-on')],
            ]}
            onChange={setHand}
          />
          <Soft>{say('eye.keys')}</Soft>
          <Line role="status">
            <Mark $tone={paces[pace][1]}>{say(paces[pace][0])}</Mark>
          </Line>
          <Line>
            <Button onPress={() => set(both({ opensOn: value.closesOn, closesOn: value.opensOn }))}>
              {say('eye.swap')}
            </Button>
            {last && !last.rendition.name.startsWith('whole') && (
              <Button onPress={() => set(both({ opensOn: last.closesOn }))}>{say('eye.go-on')}</Button>
            )}
          </Line>
        </>
      )}
      <Line>
        <Button onPress={() => setWatches(!watches)}>{say(watches ? 'eye.stop' : 'eye.watch')}</Button>
      </Line>
    </>
  );
  return children({ stage, fields });
}
