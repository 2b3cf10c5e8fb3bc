import { useEffect, useRef, useState } from 'react';
import type { PlannedPicture, Scene, Slide } from '../../api/types';
import { recipeOf, turnedRatio } from '../../mend/recipe';
import { say } from '../../messages/say';
import { Button, Row as Line, Soft } from '../../parts/controls';
import { useSteady } from '../../parts/useSteady';
import { comfortOf, paceOf } from '../../stage/comfort';
import { closesOn } from '../../stage/path';
import { Preview, type PreviewHandle } from '../../stage/Preview';
import { useActs, useView } from '../../story/StoryContext';
import { assetOf, pictureOf } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { isWriting } from '../useSheetKeys';
import { EyeFields } from './EyeFields';
import { Fitted } from './Fitted';
import { FrameBox } from './FrameBox';
import { frameOf, framingOf, inOrder, pathOf, withStop, type Framing, type Stop, type Which } from './framing';
import { MendStage } from './MendStage';
import { SlideThread } from './SlideThread';
import { usePicture } from './usePicture';
import { useSpoken } from './useSpoken';

const plannedIn = (scene: Scene | undefined): PlannedPicture | undefined =>
  scene?.layers.find((layer): layer is PlannedPicture => layer.kind === 'picture');

interface Props {
  slide: Slide;
  scene: Scene;
  before: Scene | undefined;
  children: (parts: { stage: React.ReactNode; under: React.ReactNode; fields: React.ReactNode }) => React.ReactNode;
}

/** What part of the picture a slide opens on, what the look comes to on its way, and what part it closes on. */
export function Eye({ slide, scene, before, children }: Props) {
  const { id, edit } = useActs();
  const { story, plan } = useView();
  const layer = pictureOf(slide);
  const planned = plannedIn(scene);
  const recipe = recipeOf(layer);
  const { picture, levels } = usePicture(id, layer?.asset ?? '');
  const spoken = useSpoken(id, slide, scene, plan.fps);
  const [taken, setHand] = useState<Which>('closesOn');
  const [watches, setWatches] = useState(false);
  const preview = useRef<PreviewHandle>(null);
  const isWhole = planned?.rendition.name.startsWith('whole') ?? false;
  const { value, show, set } = useInHand<Framing>(framingOf(layer, planned), (framing) => ({
    do: 'set layers',
    slides: [slide.id],
    kind: 'picture',
    changes: { framing },
  }));
  // Somebody else may have taken it away.
  const hand = typeof taken === 'number' && taken >= value.stops.length ? 'closesOn' : taken;
  // All frames are told together: one alone is no move.
  const all = (changes: Partial<Framing>): Framing => ({ ...value, motion: 'set', ...changes });
  const stopped = (place: number, changes: Partial<Stop>): Framing => {
    // A stop is reached at a word or at a second: the one is told instead of the other.
    const change = ({ frame, ...moment }: Stop): Stop =>
      changes.frame ? { ...moment, frame: changes.frame } : { ...changes, frame };
    return all({ stops: value.stops.map((stop, i) => (i === place ? change(stop) : stop)) });
  };
  const framed = (which: Which, frame: Framing['opensOn']): Framing =>
    typeof which === 'number' ? stopped(which, { frame }) : all({ [which]: frame });
  const takeAway = (place: number) => {
    setHand('closesOn');
    set(all({ stops: value.stops.filter((_, i) => i !== place) }));
  };
  const cropped = recipe.crop ? recipe.crop.width / recipe.crop.height : 1;
  const around = picture ? turnedRatio(picture.width / picture.height, recipe.turn) * cropped : 1;
  const ratio = plan.width / plan.height / around;
  const seconds = (scene.end + scene.transition.frames - scene.start) / plan.fps;
  const pace = paceOf(comfortOf(pathOf(value, spoken, seconds), plan.ease, seconds));
  const last = plannedIn(before);
  const watch = useSteady(() => setWatches((now) => !now));
  useEffect(() => {
    if (watches) preview.current?.play(scene.start + scene.comesIn, scene.end);
  }, [watches, scene.start, scene.comesIn, scene.end]);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.altKey && !event.ctrlKey && event.key.toLowerCase() === 'p' && !isWriting(event.target)) watch();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [watch]);
  const ordered = inOrder(value.stops, spoken);
  const frames: [which: Which, as: 'opens' | 'closes' | 'stop', name: string][] = [
    ['opensOn', 'opens', say('eye.opens-on')],
    ...ordered.map((place, i): [Which, 'stop', string] => [place, 'stop', say('stop.frame', { stop: i + 1 })]),
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
        value.motion !== 'still' &&
        frames.map(([which, as, name]) => (
          <FrameBox
            key={which}
            as={as}
            name={name}
            box={frameOf(value, which)}
            isOnTop={which === hand}
            onTaken={() => setHand(which)}
            ratio={ratio}
            onChange={(box) => show(framed(which, box))}
            onEnd={(box) => set(framed(which, box))}
          />
        ))}
    </MendStage>
  );
  const under = !isWhole && value.motion === 'set' && (
    <SlideThread
      stops={value.stops}
      spoken={spoken}
      seconds={seconds}
      onTop={hand}
      onTaken={setHand}
      onChange={(place, moment) => show(stopped(place, moment))}
      onEnd={(place, moment) => set(stopped(place, moment))}
      onTakenAway={takeAway}
    />
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
    <EyeFields
      value={value}
      spoken={spoken}
      hand={hand}
      onHand={setHand}
      pace={pace}
      watches={watches}
      onWatch={watch}
      onMotion={(motion) => set(motion === 'set' ? all({}) : { motion })}
      onSwap={() => set(all({ opensOn: value.closesOn, closesOn: value.opensOn }))}
      onGoOn={
        last && !last.rendition.name.startsWith('whole') ? () => set(all({ opensOn: closesOn(last) })) : undefined
      }
      onAdd={() => {
        setHand(value.stops.length);
        set(all({ stops: withStop(value, spoken, seconds) }));
      }}
      onTakeAway={takeAway}
      onWord={(place, moment) => set(stopped(place, moment))}
    />
  );
  return children({ stage, under, fields });
}
