import {
  Button,
  Label,
  ListBox,
  ListBoxItem,
  Popover,
  Radio,
  RadioGroup,
  Select as AriaSelect,
  SelectValue,
} from 'react-aria-components';
import styled, { css } from 'styled-components';
import { fieldLook } from './controls';
import { ListIcon } from './icons';
import { say, type Code } from '../messages/say';

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
/** One of a few, or some of them, as something to press. */
export const optionLook = css`
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
const Option = styled(Radio)`
  ${optionLook}
`;

/** Options by what the catalogue calls them. */
export const offered = <T extends string>(options: readonly (readonly [T, Code])[]): [T, string][] =>
  options.map(([key, code]) => [key, say(code)]);

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

const Strip = styled(RadioGroup)`
  display: inline-flex;
  flex-wrap: wrap;
  border: 1px solid var(--edge);
  border-radius: var(--radius);
  background: var(--raised);
  overflow: hidden;
`;
const Segment = styled(Radio)`
  display: inline-flex;
  flex: 1 0 auto;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 38px;
  padding: 4px 12px;
  cursor: pointer;
  white-space: nowrap;
  & + & {
    border-inline-start: 1px solid var(--line);
  }
  &[data-selected] {
    background: var(--indigo-wash);
    color: var(--indigo);
    font-weight: 650;
  }
  &[data-focus-visible] {
    outline-offset: -3px;
  }
`;

/** One of a few ways to look at the same thing: quiet, and in one line. */
export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
}: Omit<Props<T>, 'options'> & { options: [T, React.ReactNode][] }) {
  return (
    <Strip aria-label={label} value={value} onChange={(next) => onChange(next as T)} orientation="horizontal">
      {options.map(([key, text]) => (
        <Segment key={key} value={key}>
          {text}
        </Segment>
      ))}
    </Strip>
  );
}

const Field = styled(AriaSelect)`
  ${fieldLook}
  > button {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
    width: 100%;
    min-height: 40px;
    padding: 6px 10px;
    border: 1px solid var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
    color: inherit;
    font: inherit;
    text-align: start;
    cursor: pointer;
  }
  > button > span:first-child {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
` as typeof AriaSelect;
const Over = styled(Popover)`
  min-width: var(--trigger-width);
  max-height: 320px;
  overflow: auto;
  border: 1px solid var(--edge);
  border-radius: var(--radius);
  background: var(--raised);
  color: var(--ink);
  box-shadow: 0 6px 24px rgb(0 0 0 / 0.16);
`;
const Item = styled(ListBoxItem)`
  padding: 8px 12px;
  min-height: 40px;
  cursor: pointer;
  outline: none;
  &[data-focused] {
    background: var(--indigo-wash);
  }
  &[data-selected] {
    font-weight: 650;
  }
`;

/** One of many. */
export function Select<T extends string>({
  label,
  value,
  options,
  onChange,
  isDisabled,
}: Props<T> & { isDisabled?: boolean }) {
  return (
    <Field selectedKey={value} onSelectionChange={(key) => onChange(key as T)} isDisabled={isDisabled}>
      <Label>{label}</Label>
      <Button>
        <SelectValue />
        <ListIcon />
      </Button>
      <Over>
        <ListBox items={options.map(([id, text]) => ({ id, text }))}>
          {({ id, text }) => (
            <Item id={id} textValue={text}>
              {text}
            </Item>
          )}
        </ListBox>
      </Over>
    </Field>
  );
}
