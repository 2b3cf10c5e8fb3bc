import { Slider, SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import { say } from '../../messages/say';
import { inSeconds, secondsText } from '../../parts/time';
import type { Mark } from './Waveform';

/** Samples by which a key moves an end: a twentieth of a second. */
const STEP = 2400;

/* Over the sound: only the ends themselves are taken hold of. */
const Line = styled(Slider<number[]>)`
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
    width: 14px;
    height: 26px;
    border-radius: 4px;
    background: #f1eee6;
    cursor: ew-resize;
    &[data-focus-visible] {
      outline: 3px solid #aeb9ee;
      outline-offset: 1px;
    }
  }
`;

interface Props {
  mark: Mark;
  samples: number;
  onChange: (mark: Mark) => void;
}

/** The two ends of what is marked, for keys and for fingers. */
export function Ends({ mark, samples, onChange }: Props) {
  return (
    <Line
      aria-label={say('said.marked')}
      dir="ltr"
      minValue={0}
      maxValue={samples}
      step={STEP}
      value={[mark.from, mark.to]}
      onChange={([from = 0, to = samples]) => {
        if (to > from) onChange({ from, to });
      }}
    >
      <SliderTrack className="track">
        {[mark.from, mark.to].map((place, end) => (
          <SliderThumb
            key={end}
            index={end}
            className="thumb"
            aria-label={say(end === 0 ? 'said.from' : 'said.to', { at: secondsText(inSeconds(place)) })}
          />
        ))}
      </SliderTrack>
    </Line>
  );
}
