import { useRef, useState } from 'react';
import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import { say } from '../../messages/say';
import { Button, fieldLook, IconButton, Soft } from '../../parts/controls';
import { PlayIcon } from '../../parts/icons';
import type { Mark } from './Waveform';

const Box = styled.section`
  --raised: #242935;
  --edge: #6f788c;
  display: grid;
  gap: 8px;
  align-content: start;
  min-height: 0;
  overflow: auto;
  max-height: 56vh;
  @media (max-width: 760px) {
    max-height: 100%;
  }
  li {
    display: flex;
    gap: 4px;
    align-items: end;
  }
  label {
    ${fieldLook}
    flex: 1;
    color: var(--soft);
    font-size: 0.875rem;
  }
  input {
    color: #f1eee6;
    font-size: 1rem;
  }
`;

interface Props {
  /** What is said from one pause to the next. */
  phrases: Mark[];
  onHear: (phrase: Mark) => void;
  onScript: (script: string) => void;
  onDone: () => void;
}

/** What was said without a script is written down by listening: a line for each phrase, heard as one comes to it. */
export function Typing({ phrases: now, onHear, onScript, onDone }: Props) {
  // As they were when somebody began: what is written meanwhile divides it otherwise.
  const [phrases] = useState(now);
  const [lines, setLines] = useState<string[]>(() => phrases.map(() => ''));
  const list = useRef<HTMLOListElement>(null);
  const field = (i: number) => list.current?.querySelectorAll('input')[i];
  const written = () =>
    lines
      .map((line) => line.trim())
      .filter((line) => line !== '')
      .join('\n');
  const save = () => {
    if (written() !== '') onScript(written().slice(0, limits.script));
  };
  return (
    <Box aria-label={say('typed.title')}>
      <Soft>{say('typed.hint')}</Soft>
      <ol ref={list}>
        {phrases.map((phrase, i) => (
          <li key={phrase.from}>
            <label>
              {say('typed.phrase', { number: i + 1 })}
              <input
                value={lines[i]}
                autoComplete="off"
                autoFocus={i === 0}
                onFocus={() => onHear(phrase)}
                onBlur={save}
                onChange={({ target }) => setLines((all) => all.map((line, k) => (k === i ? target.value : line)))}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter' || event.nativeEvent.isComposing) return;
                  event.preventDefault();
                  if (event.shiftKey) onHear(phrase);
                  else if (i + 1 < phrases.length) field(i + 1)?.focus();
                  else {
                    save();
                    onDone();
                  }
                }}
              />
            </label>
            <IconButton
              label={say('typed.again', { number: i + 1 })}
              onPress={() => {
                onHear(phrase);
              }}
            >
              <PlayIcon />
            </IconButton>
          </li>
        ))}
      </ol>
      <Button
        onPress={() => {
          save();
          onDone();
        }}
        style={{ justifySelf: 'start' }}
      >
        {say('typed.done')}
      </Button>
    </Box>
  );
}
