import { Slider } from 'react-aria-components';
import styled from 'styled-components';

/** Samples by which a key moves a place: a twentieth of a second. */
export const STEP = 2400;

/* Over the sound: only the places themselves are taken hold of. */
export const Line = styled(Slider<number[]>)`
  position: absolute;
  inset: 0;
  pointer-events: none;
  .track {
    height: 100%;
    position: relative;
  }
  .thumb {
    pointer-events: auto;
    touch-action: none;
    top: 50%;
    cursor: ew-resize;
    &[data-focus-visible] {
      outline: 3px solid #aeb9ee;
      outline-offset: 1px;
    }
  }
`;
