import { SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import { say } from '../../messages/say';
import { inSeconds, secondsText } from '../../parts/time';
import { Line, STEP } from './line';
import type { Mark } from './Waveform';

const Held = styled(Line)`
  .thumb {
    width: 14px;
    height: 26px;
    border-radius: 4px;
    background: #f1eee6;
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
    <Held
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
    </Held>
  );
}
