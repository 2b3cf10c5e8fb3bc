import { useEffect, useRef, useState } from 'react';
import { answer, api, Refusal, sentence } from '../../../api/client';
import type { Scene, Slide } from '../../../api/types';
import { useFetchStory } from '../../../assets/useSendIn';
import { ready } from '../../../assets/waiting';
import { say } from '../../../messages/say';
import { useTell } from '../../../parts/notices';
import { useSteady } from '../../../parts/useSteady';
import { clipUrl } from '../../../stage/layers/clip';
import { Preview, type PreviewHandle } from '../../../stage/Preview';
import { useActs, useView } from '../../../story/StoryContext';
import { assetOf, pictureOf } from '../../../story/slides';
import { newId } from '../../../story/useStory';
import { Fitted } from '../Fitted';
import { plannedIn } from '../framing';
import { useWatchKey } from '../useWatchKey';
import { ClipFields } from './ClipFields';
import { ClipStage } from './ClipStage';
import { ClipStrip } from './ClipStrip';
import { usePart } from './usePart';

interface Props {
  slide: Slide;
  scene: Scene;
  /** The layer whose clip is meant. */
  layer: string;
  children: (parts: { stage: React.ReactNode; under: React.ReactNode; fields: React.ReactNode }) => React.ReactNode;
}

/** Which part of a clip a slide shows, and how it is heard. */
export function ClipPart({ slide, scene, layer, children }: Props) {
  const { id, edit } = useActs();
  const { story, plan } = useView();
  const tell = useTell();
  const fetchStory = useFetchStory();
  const asset = pictureOf(slide, layer)?.asset ?? '';
  const file = assetOf(story, asset, 'picture');
  const frames = file?.clip?.frames ?? 1;
  const held = usePart(slide, layer, frames);
  const [looked, setLooked] = useState(held.part.from);
  const here = Math.min(looked, frames - 1);
  const [watches, setWatches] = useState(false);
  const [isTaking, setTaking] = useState(false);
  const preview = useRef<PreviewHandle>(null);
  const watch = useSteady(() => setWatches((now) => !now));
  useWatchKey(watch);
  useEffect(() => {
    if (watches) preview.current?.play(scene.start + scene.comesIn, scene.end);
  }, [watches, scene.start, scene.comesIn, scene.end]);
  /** The frame becomes a picture on a slide of its own, behind this one. */
  const takeFrame = async () => {
    const into = newId();
    const made = await answer(
      api.POST('/api/stories/{id}/assets/{asset}/frames', {
        params: { path: { id, asset } },
        body: { frame: here, slide: into, after: [slide.id] },
      }),
    );
    const { state, problem } = await ready(id, made.id);
    if (state === 'refused') throw new Refusal(422, problem ?? { code: 'file.not-prepared' });
    await fetchStory(id);
    tell(say('clip.taken'));
  };
  const onTake = () => {
    setTaking(true);
    takeFrame()
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      .finally(() => setTaking(false));
  };
  const onCut = () =>
    void edit({ do: 'cut clip', slide: slide.id, layer, frame: here, rest: newId() }).then(
      (done) => done && tell(say('clip.was-cut')),
    );
  const ratio = file ? file.width / file.height : 16 / 9;
  const stage = watches ? (
    <Fitted>
      <Preview ref={preview} story={id} plan={plan} bare onEnd={() => setWatches(false)} />
    </Fitted>
  ) : (
    <ClipStage
      url={clipUrl(id, asset)}
      name={say('clip.frame', { clip: file?.file ?? '', frame: here })}
      ratio={ratio}
      frame={here}
    />
  );
  const planned = plannedIn(scene, layer)?.clip;
  const under = planned && (
    <ClipStrip story={id} asset={asset} clip={planned} ratio={ratio} held={held} here={here} onHere={setLooked} />
  );
  const fields = (
    <ClipFields
      held={held}
      frames={frames}
      here={here}
      isHeard={typeof file?.clip?.loudness === 'number'}
      speaks={slide.voice.length > 0}
      watches={watches}
      onWatch={watch}
      isTaking={isTaking}
      onTake={onTake}
      onCut={onCut}
    />
  );
  return children({ stage, under, fields });
}
