import { useCallback, useEffect, useState, type RefObject } from 'react';
import type { Plan, Slide } from '../../api/types';
import { inSeconds, SAMPLES } from '../../parts/time';
import { useSteady } from '../../parts/useSteady';
import type { PreviewHandle } from '../../stage/Preview';
import { threadOf } from '../../stage/plan';
import { partOf, type Around } from '../../story/spans';
import { spokenSamples } from '../../story/slides';
import type { StoryHold } from '../../story/useStory';
import { SHORT } from './SaidRoom';
import type { Stretch } from './Waveform';

/** Seconds around a cut that are heard when it was made. */
const AROUND = 1.5;

/**
 * What is marked of what was said, and what can be done with it.
 *
 * @param again records for a part of it; `from` is where in what is heard
 */
export function useSaid(
  { edit }: StoryHold,
  preview: RefObject<PreviewHandle | null>,
  plan: Plan | undefined,
  slide: Slide | undefined,
  repeats: number[][],
  again: (around: Around, from: number) => void,
) {
  const [mark, setMark] = useState<Stretch | null>(null);
  /** Where something was cut out that has not been heard yet. */
  const [cut, setCut] = useState<number | null>(null);
  const samples = slide ? spokenSamples(slide) : 0;
  // What is marked is a part of this very voice.
  const voice = slide?.voice;
  useEffect(() => setMark(null), [voice, slide?.id]);

  const hear = useSteady(({ from, to }: Stretch) => {
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
    const { from, to } = mark;
    setMark(null);
    const done = await edit({ do: 'leave out', slide: slide.id, voice: partOf(slide.voice, from, to) });
    if (done) setCut(from);
  });
  const shorten = useSteady(() => {
    if (slide) void edit({ do: 'shorten pauses', slides: [slide.id], seconds: SHORT });
  });
  const only = useSteady(() => {
    if (mark && slide)
      again({ before: partOf(slide.voice, 0, mark.from), after: partOf(slide.voice, mark.to, samples) }, mark.from);
  });
  const fromHere = useSteady(() => {
    if (mark && slide) again({ before: partOf(slide.voice, 0, mark.from), after: [] }, mark.from);
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
