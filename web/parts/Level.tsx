import { Label, Slider, SliderOutput, SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';

const Scale = styled(Slider<number>)`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 8px;
  font-size: 0.875rem;
  color: var(--soft);
  .track {
    grid-column: 1 / -1;
    height: 32px;
    margin-inline: 11px;
    position: relative;
    touch-action: none;
    &::before {
      content: '';
      position: absolute;
      inset: 14px -11px;
      border-radius: 2px;
      background: var(--edge);
    }
  }
  .from {
    position: absolute;
    top: 9px;
    width: 2px;
    height: 14px;
    background: var(--edge);
  }
  .thumb {
    width: 22px;
    height: 22px;
    top: 50%;
    border-radius: 50%;
    background: var(--indigo);
    border: 2px solid #fff;
    outline: 1px solid var(--indigo);
    &[data-focus-visible] {
      outline-width: 3px;
    }
  }
`;

interface Props {
  label: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  /** What the value is called. */
  text: string;
  /** A mark where nothing is done. */
  rest?: number;
  onChange: (value: number) => void;
  /** It was let go of. */
  onChangeEnd: (value: number) => void;
}

/** How much of something, on a scale. */
export function Level({ label, value, min, max, step = 1, text, rest, onChange, onChangeEnd }: Props) {
  return (
    <Scale value={value} minValue={min} maxValue={max} step={step} onChange={onChange} onChangeEnd={onChangeEnd}>
      <Label>{label}</Label>
      <SliderOutput>{() => text}</SliderOutput>
      <SliderTrack className="track">
        {rest !== undefined && (
          <span className="from" style={{ insetInlineStart: `${(100 * (rest - min)) / (max - min)}%` }} />
        )}
        <SliderThumb className="thumb" aria-valuetext={text} />
      </SliderTrack>
    </Scale>
  );
}
