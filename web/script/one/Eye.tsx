import { useEffect, useRef, useState } from 'react';
import type { Scene, Slide } from '../../api/types';
import { recipeOf, turnedRatio } from '../../mend/recipe';
import { say } from '../../messages/say';
import { Button, Row as Line, Soft } from '../../parts/controls';
import { WHOLE } from '../../parts/boxes';
import { useSteady } from '../../parts/useSteady';
import { closesOn } from '../../stage/path';
import { Preview, type PreviewHandle } from '../../stage/Preview';
import { useActs, useView } from '../../story/StoryContext';
import { assetOf, pictureOf } from '../../story/slides';
import { EyeFields } from './EyeFields';
import { Fitted } from './Fitted';
import { FrameBox } from './FrameBox';
import { frameOf, inOrder, plannedIn, type Which } from './framing';
import { MendStage } from './MendStage';
import { SlideThread } from './thread/SlideThread';
import { useFraming } from './useFraming';
import { usePicture } from './usePicture';
import { useWatchKey } from './useWatchKey';

interface Props {
  slide: Slide;
  scene: Scene;
  /** The layer whose picture is looked over. */
  layer: string;
  before: Scene | undefined;
  children: (parts: { stage: React.ReactNode; under: React.ReactNode; fields: React.ReactNode }) => React.ReactNode;
}

/** What part of the picture a slide opens on, what the look comes to on its way, and what part it closes on. */
export function Eye({ slide, scene, layer: chosen, before, children }: Props) {
  const { id, edit } = useActs();
  const { story, plan } = useView();
  const layer = pictureOf(slide, chosen);
  const planned = plannedIn(scene, chosen);
  const recipe = recipeOf(layer);
  const { picture, levels } = usePicture(id, layer?.asset ?? '');
  const framing = useFraming(slide, scene, chosen);
  const [watches, setWatches] = useState(false);
  const preview = useRef<PreviewHandle>(null);
  const isWhole = planned?.whole ?? false;
  const cropped = recipe.crop ? recipe.crop.width / recipe.crop.height : 1;
  const around = picture ? turnedRatio(picture.width / picture.height, recipe.turn) * cropped : 1;
  const part = planned?.box ?? WHOLE;
  const ratio = ((plan.width / plan.height) * part.width) / part.height / around;
  const last = plannedIn(before);
  const watch = useSteady(() => setWatches((now) => !now));
  useEffect(() => {
    if (watches) preview.current?.play(scene.start + scene.comesIn, scene.end);
  }, [watches, scene.start, scene.comesIn, scene.end]);
  useWatchKey(watch);
  const frames: [which: Which, as: 'opens' | 'closes' | 'stop', name: string][] = [
    ['opensOn', 'opens', say('eye.opens-on')],
    ...inOrder(framing.stops, framing.spoken).map((place, i): [Which, 'stop', string] => [
      place,
      'stop',
      say('stop.frame', { stop: i + 1 }),
    ]),
    ['closesOn', 'closes', say('eye.closes-on')],
  ];
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
        framing.motion !== 'still' &&
        frames.map(([which, as, name]) => (
          <FrameBox
            key={which}
            as={as}
            name={name}
            box={frameOf(framing, which)}
            isOnTop={which === framing.onTop}
            onTaken={() => framing.take(which)}
            ratio={ratio}
            onChange={(box) => framing.frame(which, box, true)}
            onEnd={(box) => framing.frame(which, box, false)}
          />
        ))}
    </MendStage>
  );
  const under = !isWhole && framing.motion === 'set' && <SlideThread framing={framing} />;
  const fields = isWhole ? (
    <>
      <Soft>{say('eye.whole')}</Soft>
      <Line>
        <Button
          onPress={() =>
            void edit({ do: 'set layer', slide: slide.id, layer: chosen, kind: 'picture', changes: { fit: 'fill' } })
          }
        >
          {say('eye.fill')}
        </Button>
      </Line>
    </>
  ) : (
    <EyeFields
      framing={framing}
      isClip={planned?.clip !== undefined}
      onGoOn={last && !last.rendition.name.startsWith('whole') ? () => framing.openOn(closesOn(last)) : undefined}
      watches={watches}
      onWatch={watch}
    />
  );
  return children({ stage, under, fields });
}
