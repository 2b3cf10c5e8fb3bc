import { useId } from 'react';
import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { fieldLook } from './controls';

const Group = styled(RadioGroup)`
  display: grid;
  gap: 4px;
  border: 0;
  > span {
    font-size: 0.875rem;
    color: var(--soft);
  }
  .options {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
`;
const Option = styled(Radio)`
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  padding: 4px 12px;
  border: 1px solid var(--edge);
  border-radius: var(--radius);
  cursor: pointer;
  background: var(--raised);
  &[data-selected] {
    background: var(--indigo);
    border-color: var(--indigo);
    color: #fff;
  }
`;

interface Props<T extends string> {
  label: string;
  value: T;
  options: [T, string][];
  onChange: (value: T) => void;
}

/** One of a few, all of them in view. */
export function Picks<T extends string>({ label, value, options, onChange }: Props<T>) {
  return (
    <Group value={value} onChange={(next) => onChange(next as T)} orientation="horizontal">
      <Label>{label}</Label>
      <div className="options">
        {options.map(([key, text]) => (
          <Option key={key} value={key}>
            {text}
          </Option>
        ))}
      </div>
    </Group>
  );
}

const List = styled.div`
  ${fieldLook}
`;

/** One of many. */
export function Select<T extends string>({ label, value, options, onChange }: Props<T>) {
  const id = useId();
  return (
    <List>
      <label htmlFor={id}>{label}</label>
      <select id={id} value={value} onChange={(event) => onChange(event.target.value as T)}>
        {options.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </List>
  );
}
