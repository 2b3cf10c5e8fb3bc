import { SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import { say } from '../../messages/say';
import { clock, inSeconds } from '../../parts/time';
import { Line, STEP } from '../said/line';

const Parted = styled(Line)`
  .thumb {
    width: 24px;
    height: 100%;
    display: grid;
    justify-items: center;
    &::before {
      content: '';
      width: 4px;
      height: 100%;
      background: #f1eee6;
    }
    &::after {
      content: '';
      position: absolute;
      top: calc(50% - 14px);
      width: 14px;
      height: 28px;
      border-radius: 4px;
      background: #f1eee6;
    }
    &.guessed::before,
    &.guessed::after {
      background: #d9a441;
    }
  }
`;

export interface Begin {
  slide: string;
  /** Its place in the story, from 1. */
  number: number;
  /** Samples from the beginning. */
  at: number;
  isSure: boolean;
}

interface Props {
  /** Where each slide but the first begins. */
  begins: Begin[];
  samples: number;
  onChange: (at: number[]) => void;
  onRest: (index: number, at: number) => void;
}

/** Where one slide's part ends and the next one's begins: none goes past another. */
export function Boundaries({ begins, samples, onChange, onRest }: Props) {
  const places = begins.map(({ at }) => at);
  return (
    <Parted
      aria-label={say('split.title')}
      dir="ltr"
      minValue={0}
      maxValue={samples}
      step={STEP}
      value={places}
      onChange={onChange}
      onChangeEnd={(rested) => {
        const moved = rested.findIndex((at, i) => at !== places[i]);
        // It was moved as it was dragged: the one that is held tells by its focus.
        const held = document.activeElement?.closest('[data-boundary]')?.getAttribute('data-boundary');
        const index = held ? Number(held) : moved;
        const at = rested[index];
        if (at !== undefined) onRest(index, at);
      }}
    >
      <SliderTrack className="track">
        {begins.map(({ slide, number, at, isSure }, i) => (
          <SliderThumb
            key={slide}
            index={i}
            data-boundary={i}
            className={isSure ? 'thumb' : 'thumb guessed'}
            aria-label={say('split.begins', { slide: number, at: clock(inSeconds(at)) })}
          />
        ))}
      </SliderTrack>
    </Parted>
  );
}
