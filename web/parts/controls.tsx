import { Button as AriaButton, Input, Label, TextArea, TextField, type ButtonProps } from 'react-aria-components';
import { Link } from 'react-router';
import styled, { css } from 'styled-components';
import { say } from '../messages/say';

const button = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 40px;
  padding: 6px 16px;
  border: 1px solid var(--edge);
  border-radius: var(--radius);
  background: var(--raised);
  color: var(--ink);
  text-decoration: none;
  cursor: pointer;
  line-height: 1.2;
  white-space: nowrap;
  max-width: 100%;
  @media (max-width: 600px) {
    white-space: normal;
  }
  &[data-hovered],
  &:hover {
    border-color: var(--indigo);
  }
  &[data-pressed] {
    background: var(--indigo-wash);
  }
  &[data-disabled] {
    color: #767b86;
    border-color: var(--line);
    cursor: default;
  }
`;
const acting = css`
  background: var(--indigo);
  border-color: var(--indigo);
  color: #fff;
  &[data-hovered],
  &:hover {
    background: #26346b;
  }
  &[data-pressed] {
    background: #1f2b59;
  }
  &[data-disabled] {
    background: var(--line);
    border-color: var(--line);
    color: #5a5f69;
  }
`;

export const Button = styled(AriaButton)`
  ${button}
`;
/** The number of a slide, by which one goes there. */
export const SlideNumber = styled(Button)`
  min-width: 40px;
  padding: 2px 8px;
`;
export const Act = styled(AriaButton)`
  ${button}${acting}
`;
export const GoTo = styled(Link)`
  ${button}
`;
export const ActGoTo = styled(Link)`
  ${button}${acting}
`;
export const Quiet = styled(AriaButton)`
  ${button} border-color: transparent;
  background: transparent;
  padding: 6px 10px;
`;
const Square = styled(AriaButton)`
  ${button} width: 40px;
  padding: 0;
  border-color: transparent;
  background: transparent;
  flex: none;
  &[data-disabled] {
    border-color: transparent;
    color: #9a9da4;
  }
`;

/** A button that is a drawing: its label is read out, and shown on hovering. */
export function IconButton({ label, children, ...props }: ButtonProps & { label: string; children: React.ReactNode }) {
  return (
    <Square aria-label={label} {...props}>
      <span title={label} aria-hidden style={{ display: 'grid' }}>
        {children}
      </span>
    </Square>
  );
}

/** A label over what is written or chosen. */
export const fieldLook = css`
  display: grid;
  gap: 4px;
  min-width: 0;
  label,
  .react-aria-Label {
    font-size: 0.875rem;
    color: var(--soft);
  }
  input,
  select,
  textarea {
    width: 100%;
    min-height: 40px;
    padding: 8px 10px;
    border: 1px solid var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
  }
`;
const FieldBox = styled(TextField)`
  ${fieldLook}
  textarea {
    resize: vertical;
    min-height: 72px;
  }
`;

interface FieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  onBlur?: () => void;
  type?: string;
  lines?: number;
  max?: number;
  autoFocus?: boolean;
  name?: string;
  autoComplete?: string;
  isRequired?: boolean;
  isReadOnly?: boolean;
  /** Of a number: 'any' where it need not be whole. */
  step?: string;
}

export function Field({ label, lines, max, name, autoComplete, step, ...props }: FieldProps) {
  return (
    <FieldBox {...props} maxLength={max} name={name} autoComplete={autoComplete}>
      <Label>{label}</Label>
      {lines ? <TextArea rows={lines} /> : <Input step={step} />}
    </FieldBox>
  );
}

export const Card = styled.section`
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 16px;
  display: grid;
  gap: 12px;
  align-content: start;
  min-width: 0;
`;
export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
`;
export const Soft = styled.p`
  color: var(--soft);
`;

const Refused = styled.p`
  color: var(--madder);
  font-weight: 600;
`;
/** Why what was asked for could not be done, read out as it comes; nothing where text is ''. */
export function Wrong({ text }: { text: string }) {
  return <div role="alert">{text !== '' && <Refused>{text}</Refused>}</div>;
}

const tones = {
  handed: ['--indigo-wash', '--indigo'],
  returned: ['--ochre-wash', '--ochre'],
  accepted: ['--moss-wash', '--moss'],
  must: ['--madder-wash', '--madder'],
  plain: ['--paper', '--soft'],
} as const;
export const Mark = styled.span<{ $tone: keyof typeof tones }>`
  display: inline-block;
  padding: 2px 10px;
  border-radius: 20px;
  font-size: 0.875rem;
  font-weight: 600;
  white-space: nowrap;
  background: ${({ $tone }) => `var(${tones[$tone][0]})`};
  color: ${({ $tone }) => `var(${tones[$tone][1]})`};
`;

const states = {
  draft: ['plain', 'state.draft'],
  'film made': ['plain', 'state.film-made'],
  'handed in': ['handed', 'state.handed-in'],
  opened: ['handed', 'state.opened'],
  returned: ['returned', 'state.returned'],
  accepted: ['accepted', 'state.accepted'],
  withdrawn: ['plain', 'state.withdrawn'],
} as const;
/** How far a story is. */
export type StoryState = keyof typeof states;
export const stateText = (state: StoryState): string => say(states[state][1]);

/** Whether a hand-in waits for an answer. */
export const waits = (state: StoryState): boolean => state === 'handed in' || state === 'opened';

/** That something came after the day it was due: a fact. */
export function LateMark({ isLate }: { isLate: boolean }) {
  return isLate ? <Mark $tone="returned">{say('hand-in.late')}</Mark> : null;
}

export function StateMark({ state }: { state: StoryState }) {
  return <Mark $tone={states[state][0]}>{stateText(state)}</Mark>;
}
