import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Scene } from '../../api/types';
import { inSeconds } from '../../parts/time';
import { useFrames } from '../../parts/useFrames';
import { useSteady } from '../../parts/useSteady';
import type { PreviewHandle } from '../../stage/Preview';
import { voiceUrl } from '../../stage/sounds';
import type { Span } from '../../story/spans';

/** A take is heard as it was spoken, over its slide's picture, whether the film has it or not. */
export function useHearing(
  story: string,
  preview: RefObject<PreviewHandle | null>,
  scene: Scene | undefined,
  onTrouble: () => void,
) {
  const [heard, setHeard] = useState<Span | null>(null);
  const player = useRef<HTMLAudioElement | null>(null);
  const stop = useSteady(() => {
    player.current?.pause();
    player.current = null;
    setHeard(null);
  });
  const hear = useSteady((take: Span) => {
    stop();
    preview.current?.pause();
    const audio = new Audio(voiceUrl(story, take.asset));
    player.current = audio;
    const fails = () => {
      if (player.current !== audio) return;
      stop();
      onTrouble();
    };
    audio.addEventListener('error', fails);
    audio.addEventListener('ended', stop);
    audio.currentTime = inSeconds(take.from);
    audio.play().then(() => player.current === audio && setHeard(take), fails);
  });
  useFrames(heard !== null, () => {
    const audio = player.current;
    if (!audio || !heard) return;
    if (audio.currentTime >= inSeconds(heard.to)) {
      stop();
      return;
    }
    if (!scene) return;
    const share = (audio.currentTime - inSeconds(heard.from)) / inSeconds(heard.to - heard.from);
    const begin = scene.start + scene.comesIn;
    preview.current?.show(begin + (scene.end - 1 - begin) * Math.max(0, Math.min(1, share)));
  });
  useEffect(() => stop, [stop]);
  return { heard, hear, stop };
}
