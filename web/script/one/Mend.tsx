import { useEffect, useState } from 'react';
import styled from 'styled-components';
import type { Slide } from '../../api/types';
import { recipeOf, turnedRatio, type Recipe } from '../../mend/recipe';
import { say } from '../../messages/say';
import { WHOLE } from '../../parts/boxes';
import { Button } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { useActs, useView } from '../../story/StoryContext';
import { assetOf, pictureOf } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { FrameBox } from './FrameBox';
import { RedEyeFields, RedEyeMarks } from './RedEyes';
import { FrameFields, LightFields, LookFields, Whole, type CropShape } from './MendFields';
import { MendStage } from './MendStage';
import { usePicture } from './usePicture';

export type MendGroup = 'frame' | 'light' | 'look';

/** Held down, it shows the picture as it came; a tap of a key shows it too, as long as it is held. */
const Hold = styled(Button)`
  touch-action: none;
  -webkit-user-select: none;
  user-select: none;
`;

interface Props {
  slide: Slide;
  /** The layer whose picture is mended. */
  layer: string;
  picked: string[];
  group: MendGroup;
  children: (parts: { stage: React.ReactNode; fields: React.ReactNode }) => React.ReactNode;
}

/** What is wrong with a picture is mended: how it lies, its light, its look. */
export function Mend({ slide, layer, picked, group, children }: Props) {
  const { id, edit, undo } = useActs();
  const { story, plan } = useView();
  const tell = useTell();
  const asset = pictureOf(slide, layer)?.asset ?? '';
  const file = assetOf(story, asset, 'picture');
  const {
    value: recipe,
    show,
    set,
  } = useInHand<Recipe>(recipeOf(pictureOf(slide, layer)), (changes) => ({
    do: 'set layer',
    slide: slide.id,
    layer,
    kind: 'picture',
    changes: { recipe: changes },
  }));
  const mending = { recipe, show, set };
  const { picture, levels } = usePicture(id, asset);
  const [before, setBefore] = useState(false);
  const [crops, setCrops] = useState(false);
  const [levelled, setLevelled] = useState(false);
  const [shape, setShape] = useState<CropShape>('free');
  const [marks, setMarks] = useState(false);
  const [eye, setEye] = useState(0);
  // Another may have been taken away.
  const marked = Math.min(eye, recipe.eyes.length - 1);
  // What is cropped is seen in its own group only.
  useEffect(() => {
    setCrops(false);
    setMarks(false);
  }, [group, slide.id]);
  const others = story.slides.filter((one) => one.id !== slide.id && pictureOf(one)).map((one) => one.id);
  const chosen = others.filter((one) => picked.includes(one));
  const around = picture ? turnedRatio(picture.width / picture.height, recipe.turn) : 1;
  const ratio = plan.width / plan.height / around;
  const asItCame = picture ? picture.width / picture.height : 1;
  const onOthers = (which: 'chosen' | 'all', changes: Partial<Recipe>) => {
    const slides = which === 'all' ? others : chosen;
    void edit({ do: 'set layers', slides, kind: 'picture', changes: { recipe: changes } }).then(
      (done) =>
        done &&
        tell(say('mend.done-too', { count: slides.length }), {
          action: { label: say('story.undo'), run: () => void undo() },
        }),
    );
  };
  const stage = (
    <MendStage
      picture={picture}
      levels={levels}
      // Eyes are marked on all of the picture, as it came but for its turn.
      recipe={marks ? { ...recipe, straighten: 0 } : recipe}
      name={say('mend.picture', { picture: file?.file ?? '' })}
      before={before}
      crops={crops || marks}
      levelled={levelled}
    >
      {marks && <RedEyeMarks {...mending} ratio={asItCame} hand={marked} onHand={setEye} />}
      {crops && (
        <FrameBox
          as="crop"
          name={say('crop.kept')}
          box={recipe.crop ?? WHOLE}
          ratio={shape === 'slide' ? ratio : null}
          onChange={(crop) => show({ crop })}
          onEnd={(crop) => set({ crop })}
        />
      )}
    </MendStage>
  );
  const fields = (
    <>
      {group === 'frame' && (
        <FrameFields
          {...mending}
          crops={crops}
          onCrops={setCrops}
          shape={shape}
          onShape={setShape}
          ratio={ratio}
          onLevelled={setLevelled}
          unbordered={file?.unbordered ?? null}
        />
      )}
      {group === 'light' && (
        <LightFields {...mending}>
          {/* What moves is not looked at eye by eye. */}
          {!file?.clip && (
            <RedEyeFields
              recipe={recipe}
              set={set}
              ratio={asItCame}
              hand={marked}
              onHand={setEye}
              onFaces={
                file?.matters?.faces.length ? () => void edit({ do: 'mark eyes', slides: [slide.id] }) : undefined
              }
              marks={marks}
              onMarks={setMarks}
            />
          )}
        </LightFields>
      )}
      {group === 'look' && <LookFields {...mending} picture={picture} levels={levels} />}
      <Whole
        recipe={recipe}
        set={set}
        chosen={group === 'frame' ? 0 : chosen.length}
        all={group === 'frame' ? 0 : others.length}
        onOthers={onOthers}
        before={
          <Hold onPressStart={() => setBefore(true)} onPressEnd={() => setBefore(false)}>
            {say('mend.before')}
          </Hold>
        }
      />
    </>
  );
  return children({ stage, fields });
}
