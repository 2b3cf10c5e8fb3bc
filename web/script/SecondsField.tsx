import { Input, Label, NumberField } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { fieldLook } from '../parts/controls';

const Seconds = styled(NumberField)`
  ${fieldLook}
  input {
    width: 100%;
  }
`;

interface Props {
  label: string;
  /** Of the slide; null for its beginning, or its end. */
  value: number | null;
  onChange: (value: number | null) => void;
}

/** A second of a slide at which something comes or goes; empty for all of its time. */
export function SecondsField({ label, value, onChange }: Props) {
  return (
    <Seconds
      value={value ?? Number.NaN}
      minValue={0}
      maxValue={limits.mostStay}
      step={0.1}
      onChange={(to) => onChange(Number.isNaN(to) || to === 0 ? null : to)}
    >
      <Label>{label}</Label>
      <Input />
    </Seconds>
  );
}
