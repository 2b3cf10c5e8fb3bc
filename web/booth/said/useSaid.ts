import { useCallback, useEffect, useState, type RefObject } from 'react';
import type { Plan, Slide } from '../../api/types';
import { inSeconds, SAMPLES } from '../../parts/time';
import { useSteady } from '../../parts/useSteady';
import type { PreviewHandle } from '../../stage/Preview';
import { threadOf } from '../../stage/plan';
import type { Stretch } from '../../story/spans';
import { spokenSamples } from '../../story/slides';
import type { StoryHold } from '../../story/useStory';
import type { Mark } from './Waveform';

/** Seconds to which pauses are shortened. */
export const SHORT = 1;
/** Seconds around a cut that are heard when it was made. */
const AROUND = 1.5;

/**
 * What is marked of what was said, and what can be done with it.
 *
 * @param again records for a part of it
 */
export function useSaid(
  { edit }: StoryHold,
  preview: RefObject<PreviewHandle | null>,
  plan: Plan | undefined,
  slide: Slide | undefined,
  repeats: number[][],
  again: (around: Stretch) => void,
) {
  const [mark, setMark] = useState<Mark | null>(null);
  /** Where something was cut out that has not been heard yet. */
  const [cut, setCut] = useState<number | null>(null);
  const samples = slide ? spokenSamples(slide) : 0;
  // What is marked is a part of this very voice.
  const voice = JSON.stringify(slide?.voice);
  useEffect(() => setMark(null), [voice, slide?.id]);

  const hear = useSteady(({ from, to }: Mark) => {
    const voiced = plan && slide && threadOf(plan).find(({ id }) => id === slide.id)?.voice;
    if (!plan || !voiced) return;
    const frame = (place: number) => (voiced.start + inSeconds(place)) * plan.fps;
    preview.current?.play(frame(from), frame(to));
  });
  useEffect(() => {
    if (cut === null) return;
    setCut(null);
    const around = AROUND * SAMPLES;
    hear({ from: Math.max(0, cut - around), to: Math.min(samples, cut + around) });
    // It is heard when the plan has it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cut, plan]);

  const leaveOut = useSteady(async () => {
    if (!mark || !slide) return;
    setMark(null);
    const done = await edit({ do: 'leave out', slide: slide.id, voice: slide.voice, ...mark });
    if (done) setCut(mark.from);
  });
  const shorten = useSteady(() => {
    if (slide) void edit({ do: 'shorten pauses', slides: [slide.id], seconds: SHORT });
  });
  const only = useSteady(() => {
    if (mark && slide) again({ voice: slide.voice, ...mark });
  });
  const fromHere = useSteady(() => {
    if (mark && slide) again({ voice: slide.voice, from: mark.from, to: samples });
  });
  /** The next of what may have been said twice: marked, and heard with what is said again. */
  const twice = useSteady(() => {
    const [from = 0, to = 0] = repeats.find(([at = 0]) => at > (mark?.from ?? -1)) ?? repeats[0] ?? [];
    if (to === 0) return;
    setMark({ from, to });
    hear({ from, to: Math.min(samples, to + Math.min(to - from, 2 * AROUND * SAMPLES)) });
  });
  const clear = useCallback(() => setMark(null), []);
  return { mark, setMark, clear, hear, leaveOut, shorten, only, fromHere, twice };
}
