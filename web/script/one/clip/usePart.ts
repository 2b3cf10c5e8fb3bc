import type { PictureLayer, Slide } from '../../../api/types';
import { useInHand } from '../../../story/useInHand';
import { pictureOf } from '../../../story/slides';

/** What a slide shows of a clip, all of it told; `to` is the frame after its last. */
export interface Part {
  from: number;
  to: number;
  level: number;
  muted: boolean;
  lasts: 'clip' | 'voice';
}

export function partOf(layer: PictureLayer | undefined, frames: number): Part {
  const told = layer?.part;
  return {
    from: told?.from ?? 0,
    to: told?.to ?? frames,
    level: told?.level ?? 0,
    muted: told?.muted ?? false,
    lasts: told?.lasts ?? 'clip',
  };
}

/** The part as it is saved, or as it is in somebody's hand. @param frames of the whole clip */
export function usePart(slide: Slide, layer: string, frames: number) {
  const {
    value,
    show,
    set: tell,
  } = useInHand<Part>(partOf(pictureOf(slide, layer), frames), ({ to, ...part }) => ({
    do: 'set layer',
    slide: slide.id,
    layer,
    kind: 'picture',
    // Its end stays its end.
    changes: { part: to === undefined ? part : { ...part, to: to >= frames ? null : to } },
  }));
  /** Neither end passes the other. */
  const within = ({ from, to, ...others }: Partial<Part>): Partial<Part> => ({
    ...others,
    ...(from === undefined ? {} : { from: Math.max(0, Math.min(value.to - 1, Math.round(from))) }),
    ...(to === undefined ? {} : { to: Math.max(value.from + 1, Math.min(frames, Math.round(to))) }),
  });
  return {
    part: value,
    show: (changes: Partial<Part>) => show(within(changes)),
    set: (changes: Partial<Part>) => tell(within(changes)),
  };
}
export type PartInHand = ReturnType<typeof usePart>;
