import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import type { Scene } from '../api/types';
import { useFrames, wantsCalm } from '../parts/useFrames';
import { useSteady } from '../parts/useSteady';
import { weigh } from '../stage/weigh';
import { ComposedSlide } from '../stage/ComposedSlide';

const Box = styled.div`
  position: relative;
  overflow: hidden;
  border-radius: 3px;
  pointer-events: none;
  .next,
  .veil {
    position: absolute;
    inset: 0;
  }
`;
/** Seconds that each of the two slides is seen alone before it begins again. */
const RESTS = 0.6;
/** How far a transition is that stands still; one through a colour a little less, when there is something to see. */
const HALF = 0.5;
const TINTED = 0.37;

interface Props {
  from: Scene;
  to: Scene;
  transition: Scene['transition'];
  ratio: number;
  /** How long it takes. */
  seconds: number;
  /** It goes on while it is looked at; else it stands half way. */
  moves: boolean;
}

/** One slide giving way to the next, small. */
export function TransitionPicture({ from, to, transition, ratio, seconds, moves }: Props) {
  const next = useRef<HTMLDivElement>(null);
  const veil = useRef<HTMLDivElement>(null);
  const isMoving = moves && !wantsCalm();
  const isCut = transition.kind === 'cut';
  const show = useSteady((progress: number) => {
    if (!next.current || !veil.current) return;
    weigh(next.current.style, veil.current.style, transition, isCut ? Number(progress >= HALF) : progress);
    next.current.style.clipPath = 'none';
  });
  useEffect(() => {
    if (isMoving) return;
    show(transition.colour === null ? HALF : TINTED);
    // A cut has no half: the one beside the other.
    if (isCut && next.current) next.current.style.clipPath = 'inset(0 0 0 50%)';
  }, [transition, isCut, isMoving, show]);
  const length = isCut ? 0.01 : seconds;
  useFrames(isMoving, (since) => {
    const at = since % (length + 2 * RESTS);
    show(Math.max(0, Math.min(1, (at - RESTS) / length)));
  });
  return (
    <Box aria-hidden>
      <ComposedSlide scene={from} ratio={ratio} picture="" words="" />
      <div className="veil" ref={veil} />
      <div className="next" ref={next}>
        <ComposedSlide scene={to} ratio={ratio} picture="" words="" />
      </div>
    </Box>
  );
}
