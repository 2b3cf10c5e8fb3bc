import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { say, type Code } from '../messages/say';
import { Segments } from '../parts/Choice';
import { Button } from '../parts/controls';
import { Toggle } from '../parts/Toggle';
import { wantsCalm } from '../parts/useFrames';
import { useKept } from '../parts/useKept';

const SIZES = ['usual', 'large', 'largest'] as const;
const names: Record<(typeof SIZES)[number], Code> = {
  usual: 'booth.size-usual',
  large: 'booth.size-large',
  largest: 'booth.size-largest',
};

const Side = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 8px;
  min-height: 0;
  .how {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
  }
  .how [role='radiogroup'] label {
    background: #242935;
    color: #f1eee6;
    border-color: #6f788c;
  }
  .how [role='radiogroup'] label[data-selected] {
    background: #f1eee6;
    color: #1d2129;
  }
  .long {
    color: #b9c0ce;
  }
  @media (max-width: 760px) {
    gap: 4px;
    .how {
      flex-wrap: nowrap;
      font-size: 0.875rem;
      gap: 8px;
    }
    .how label {
      min-height: 32px;
    }
  }
`;
const Text = styled.div`
  font: 400 clamp(1.2rem, 1.9vw, 1.75rem)/1.6 var(--reading);
  white-space: pre-wrap;
  max-height: 56vh;
  overflow: auto;
  max-width: 34em;
  &.large {
    font-size: clamp(1.6rem, 2.5vw, 2.3rem);
  }
  &.largest {
    font-size: clamp(2rem, 3.2vw, 3rem);
  }
  /* Letters that are hard to take for each other, with more room between them and between words and lines (common practice for
     readers with dyslexia). */
  &.roomy {
    font-family: var(--plain);
    letter-spacing: 0.05em;
    word-spacing: 0.16em;
    line-height: 1.9;
  }
  .present {
    background: #39415a;
    border-radius: 4px;
  }
  .none {
    color: #b9c0ce;
  }
  @media (max-width: 760px) {
    max-height: 100%;
  }
`;

interface Props {
  script: string;
  /** Its sentences; none where they are not known. */
  sentences: { text: string }[];
  /** Which of them is said now; null while nobody speaks. */
  present: number | null;
  /** How long it takes, and the film. */
  long: string;
  /** Where it is spoken already: what was said can be written down. */
  onType?: () => void;
}

/** The script as one reads it: as large as one likes, the sentence that is said marked and in sight. */
export function ScriptRoom({ script, sentences, present, long, onType }: Props) {
  const [size, setSize] = useKept('rhapsode-script-size', SIZES, 'usual');
  const [letters, setLetters] = useKept('rhapsode-script-letters', ['usual', 'roomy'], 'usual');
  const text = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const box = text.current;
    const said = box?.querySelector<HTMLElement>('.present');
    if (!box || !said) return;
    // A third from the top: what comes next is seen too.
    const top = said.offsetTop - box.offsetTop - box.clientHeight / 3;
    box.scrollTo({ top, behavior: wantsCalm() ? 'auto' : 'smooth' });
  }, [present]);
  return (
    <Side>
      <div className="how">
        <Segments
          label={say('booth.size')}
          value={size}
          options={SIZES.map((one) => [one, say(names[one])])}
          onChange={setSize}
        />
        <Toggle isSelected={letters === 'roomy'} onChange={(roomy) => setLetters(roomy ? 'roomy' : 'usual')}>
          {say('booth.roomy')}
        </Toggle>
      </div>
      <Text ref={text} className={`${size} ${letters}`} tabIndex={0} role="region" aria-label={say('booth.script')}>
        {script.trim() === '' ? (
          onType ? (
            <Button onPress={onType}>{say('typed.begin')}</Button>
          ) : (
            <span className="none">{say('booth.no-script')}</span>
          )
        ) : sentences.length === 0 ? (
          script
        ) : (
          sentences.map((sentence, i) => (
            <span key={i} className={i === present ? 'present' : undefined} aria-current={i === present || undefined}>
              {sentence.text}
            </span>
          ))
        )}
      </Text>
      {long !== '' && <span className="long">{long}</span>}
    </Side>
  );
}
