import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { Scene, Slide, WordsLayer } from '../api/types';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { useActs, useView } from '../story/StoryContext';
import { useSpoken } from '../story/useSpoken';
import { SecondsField } from './SecondsField';

type Moment = NonNullable<WordsLayer['comes']> | null;
type Way = 'always' | 'second' | 'word';

const Fields = styled.div`
  display: grid;
  gap: 8px;
  align-content: start;
`;
const Script = styled(RadioGroup)`
  display: grid;
  gap: 4px;
  > span {
    font-size: 0.875rem;
    color: var(--soft);
  }
  .script {
    max-height: 132px;
    overflow: auto;
    scrollbar-width: thin;
    padding: 4px;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: var(--raised);
    font: 1rem/1.5 var(--reading);
  }
`;
const Word = styled(Radio)`
  display: inline-block;
  padding: 1px 3px;
  border-radius: 3px;
  cursor: pointer;
  @media (hover: none) {
    padding-block: 8px;
  }
  &[data-hovered] {
    background: var(--indigo-wash);
  }
  &[data-selected] {
    background: var(--indigo);
    color: #fff;
  }
  &[data-focus-visible] {
    outline-offset: 0;
  }
`;

interface Props {
  id: string;
  slide: Slide;
  scene: Scene | undefined;
  label: string;
  /** What it is called where it is there from the beginning, or to the end. */
  always: string;
  /** What the field of seconds and the words of the script are called. */
  second: string;
  word: string;
  value: Moment;
  onChange: (moment: Moment) => void;
}

/** When something on a slide comes or goes: not at all, at a second, or as a word of the script is said. */
export function MomentField({ id, slide, scene, label, always, second, word, value, onChange }: Props) {
  const { plan } = useView();
  const way: Way = value === null ? 'always' : typeof value === 'number' ? 'second' : 'word';
  const hasScript = slide.script.trim() !== '';
  const options: [Way, string][] = [
    ['always', always],
    ['second', say('moment.second')],
    ...(hasScript || way === 'word' ? ([['word', say('moment.word')]] as [Way, string][]) : []),
  ];
  const choose = (to: Way) => onChange(to === 'always' ? null : to === 'second' ? 1 : { word: 0 });
  return (
    <Fields>
      <Select label={label} value={way} options={options} onChange={choose} />
      {typeof value === 'number' && <SecondsField label={second} value={value} onChange={(to) => onChange(to ?? 0)} />}
      {value !== null && typeof value === 'object' && scene && (
        <Words
          key={id}
          label={word}
          slide={slide}
          scene={scene}
          fps={plan.fps}
          value={value.word}
          onChange={(to) => onChange({ word: to })}
        />
      )}
    </Fields>
  );
}

interface WordsProps {
  label: string;
  slide: Slide;
  scene: Scene;
  fps: number;
  value: number;
  onChange: (word: number) => void;
}

/** The words of the script: the one is pressed as which something happens. */
function Words({ label, slide, scene, fps, value, onChange }: WordsProps) {
  const { id } = useActs();
  const { words } = useSpoken(id, slide, scene, fps);
  // One that is no longer there is the last.
  const chosen = Math.min(value, Math.max(0, words.length - 1));
  return (
    <Script value={String(chosen)} onChange={(to) => onChange(Number(to))}>
      <Label>{label}</Label>
      <div className="script">
        {words.map(({ text }, n) => (
          <Word key={n} value={String(n)} aria-label={say('moment.the-word', { word: text.trim() })}>
            {text}
          </Word>
        ))}
      </div>
    </Script>
  );
}
