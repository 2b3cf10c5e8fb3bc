import { useState, type RefObject } from 'react';
import type { Scene } from '../api/types';
import { useFrames } from '../parts/useFrames';
import { useSteady } from '../parts/useSteady';
import type { PreviewHandle } from '../stage/Preview';

/** As often as a sentence or a second may be another one; more would draw the page anew for nothing. */
const TICKS = 5;

/**
 * Speaking without being recorded: the picture moves as in the film, for as long as the script takes.
 *
 * @param takes seconds of the script
 */
export function useRehearsing(preview: RefObject<PreviewHandle | null>, scene: Scene | undefined, takes: number) {
  /** Seconds for which somebody has spoken; null while nobody rehearses. */
  const [since, setSince] = useState<number | null>(null);
  useFrames(since !== null, (seconds) => {
    setSince(Math.floor(seconds * TICKS) / TICKS);
    if (!scene) return;
    const begin = scene.start + scene.comesIn;
    preview.current?.show(begin + (scene.end - 1 - begin) * Math.min(1, seconds / Math.max(1, takes)));
  });
  const rest = useSteady(() => setSince(null));
  const toggle = useSteady(() => {
    preview.current?.pause();
    setSince((now) => (now === null ? 0 : null));
  });
  return { since, rest, toggle };
}
