import { useState } from 'react';
import type { Scene, Slide } from '../../api/types';
import { comfortOf, paceOf } from '../../stage/comfort';
import type { Box } from '../../parts/boxes';
import { useActs, useView } from '../../story/StoryContext';
import { pictureOf } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { framingOf, pathOf, plannedIn, withStop, type Framing, type Moment, type Which } from './framing';
import { useSpoken } from '../../story/useSpoken';

export type FramingInHand = ReturnType<typeof useFraming>;

/** How the look goes over a picture of a slide: as it is saved or in somebody's hand, and all that may be done to it. */
export function useFraming(slide: Slide, scene: Scene, layer: string) {
  const { id } = useActs();
  const { plan } = useView();
  const spoken = useSpoken(id, slide, scene, plan.fps);
  const { value, show, set } = useInHand<Framing>(
    framingOf(pictureOf(slide, layer), plannedIn(scene, layer)),
    (framing) => ({
      do: 'set layer',
      slide: slide.id,
      layer,
      kind: 'picture',
      changes: { framing },
    }),
  );
  const [taken, take] = useState<Which>('closesOn');
  const seconds = (scene.end + scene.transition.frames - scene.start) / plan.fps;
  // All frames are told together: one alone is no move.
  const all = (changes: Partial<Framing>): Framing => ({ ...value, motion: 'set', ...changes });
  const stopAt = (place: number, changes: { frame: Box } | Moment): Framing =>
    all({
      stops: value.stops.map((stop, i) => {
        if (i !== place) return stop;
        // It is reached at a word or at a second: the one is told instead of the other.
        return 'frame' in changes ? { ...stop, ...changes } : { frame: stop.frame, ...changes };
      }),
    });
  const framed = (which: Which, frame: Box): Framing =>
    typeof which === 'number' ? stopAt(which, { frame }) : all({ [which]: frame });
  return {
    ...value,
    spoken,
    seconds,
    pace: paceOf(comfortOf(pathOf(value, spoken, seconds), plan.ease, seconds)),
    // Somebody else may have taken it away.
    onTop: typeof taken === 'number' && taken >= value.stops.length ? ('closesOn' as const) : taken,
    take,
    move: (motion: Framing['motion']) => set(motion === 'set' ? all({}) : { motion }),
    frame: (which: Which, box: Box, isHeld: boolean) => (isHeld ? show : set)(framed(which, box)),
    time: (place: number, moment: Moment, isHeld: boolean) => (isHeld ? show : set)(stopAt(place, moment)),
    addStop: () => {
      take(value.stops.length);
      set(all({ stops: withStop(value, spoken, seconds, plan.ease) }));
    },
    takeAway: (place: number) => {
      take('closesOn');
      set(all({ stops: value.stops.filter((_, i) => i !== place) }));
    },
    swap: () => set(all({ opensOn: value.closesOn, closesOn: value.opensOn })),
    openOn: (box: Box) => set(all({ opensOn: box })),
  };
}
