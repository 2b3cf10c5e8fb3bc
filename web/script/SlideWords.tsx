import { ButtonContext } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import type { Slide, WordsLayer } from '../api/types';
import { say } from '../messages/say';
import { Quiet } from '../parts/controls';
import { useActs, useView } from '../story/StoryContext';
import { useSession } from '../api/session';
import { wordsOf, wordsOnPicture, isWordsAlone } from '../story/slides';
import { useSavedText } from '../story/useSavedText';
import type { Row } from './rows';

/** Reads as a page: a field shows its edge when it is touched. */
export const WordsLook = styled.div`
  display: grid;
  gap: 2px;
  align-content: start;
  min-width: 0;
  textarea,
  input {
    width: 100%;
    border: 1px solid transparent;
    border-radius: 4px;
    background: transparent;
    padding: 2px 8px;
    resize: none;
    field-sizing: content;
    scrollbar-width: none;
  }
  textarea.script {
    font: 1rem/1.4 var(--reading);
    max-height: 3.1em;
  }
  textarea.script:placeholder-shown {
    max-height: none;
  }
  textarea.long:not(:focus) {
    mask-image: linear-gradient(#000 55%, rgb(0 0 0 / 0.35));
  }
  textarea.script:focus {
    max-height: 320px;
    scrollbar-width: auto;
  }
  textarea.caption,
  input {
    font-weight: 600;
    max-height: 3.4em;
    min-height: 30px;
  }
  input.subtitle {
    font-weight: 400;
  }
  @media (hover: none) {
    textarea,
    input {
      min-height: 40px;
    }
  }
  textarea::placeholder,
  input::placeholder {
    color: var(--soft);
    font-weight: 400;
    opacity: 1;
  }
  textarea:hover,
  input:hover {
    border-color: var(--line);
  }
  textarea:focus,
  input:focus {
    border-color: var(--indigo);
    background: var(--raised);
  }
  .before {
    color: var(--soft);
    font-size: 0.94rem;
    white-space: pre-wrap;
  }
  .remark {
    border-inline-start: 4px solid var(--ochre);
    background: var(--ochre-wash);
    padding: 6px 10px;
    border-radius: 0 4px 4px 0;
    font-size: 0.94rem;
  }
`;
/** What may be written with one press: quiet, in one line. */
const Offer = styled(Quiet)`
  justify-self: start;
  justify-content: start;
  min-height: 32px;
  padding: 2px 8px;
  color: var(--indigo);
  overflow: hidden;
  text-overflow: ellipsis;
  @media (hover: none) {
    min-height: 40px;
  }
`;

const Count = styled.small`
  color: var(--soft);
  font-variant-numeric: tabular-nums;
  &.over {
    color: var(--ochre);
    font-weight: 600;
  }
`;

/** Letters of a script that two lines of the row hold; more fade out until the field is entered. */
const LONG = 120;

/** The list tells each row's buttons anew whenever anything of it changes; only the handle has to hear that. */
export const own = {};

/** What is written on a slide, and what is said of it. */
export function SlideWords({ row: { slide, index, title, described, scene } }: { row: Row }) {
  const number = index + 1;
  return (
    <>
      {isWordsAlone(slide) ? (
        <TitleWords slide={slide} title={slide.layout === 'closing' ? (scene?.name ?? '') : title} number={number} />
      ) : (
        <CaptionWords slide={slide} number={number} offered={described} />
      )}
      <ScriptWords slide={slide} number={number} />
    </>
  );
}

interface WordsProps {
  slide: Slide;
  number: number;
}

/** The text of one of a slide's words, kept as it is written; the first for that where none is named. */
function useWords(slide: Slide, role: WordsLayer['role'], words = wordsOf(slide, role)) {
  const { edit } = useActs();
  const layer = words?.id ?? role;
  // What they are for is told once: it may be changed while the text is still in hand.
  const write = (text: string) =>
    void edit({ do: 'set layer', slide: slide.id, layer, kind: 'words', changes: words ? { text } : { role, text } });
  return { ...useSavedText(words?.text ?? '', write), write };
}

const below = {
  title: 'words.subtitle.hint',
  part: 'words.subtitle.hint',
  closing: 'words.made.hint',
} as const;

/** @param title what the heading says where nothing is written */
function TitleWords({ slide, title, number }: WordsProps & { title: string }) {
  const { plan } = useView();
  const { person } = useSession();
  const heading = useWords(slide, 'title');
  const subtitle = useWords(slide, 'subtitle');
  const layout = slide.layout as keyof typeof below;
  const hint = layout === 'part' ? say('words.part.hint') : title;
  const by = person ? plan.by.replace('{name}', person.firstName) : '';
  return (
    <>
      <input
        aria-label={say('words.title-on', { slide: number })}
        placeholder={hint}
        maxLength={limits.title}
        value={heading.value}
        onChange={(e) => heading.onChange(e.target.value)}
        onBlur={heading.onBlur}
      />
      <textarea
        className="subtitle"
        rows={1}
        aria-label={say('words.subtitle-on', { slide: number })}
        placeholder={say(below[layout])}
        maxLength={limits.words}
        value={subtitle.value}
        onChange={(e) => subtitle.onChange(e.target.value)}
        onBlur={subtitle.onBlur}
      />
      {layout === 'title' && by !== '' && subtitle.value === '' && (
        <ButtonContext value={own}>
          <Offer onPress={() => subtitle.write(by)}>{say('words.write', { words: by })}</Offer>
        </ButtonContext>
      )}
    </>
  );
}

/** How many letters stand on its picture, where the assignment allows only so many. */
function Letters({ slide }: { slide: Slide }) {
  const { assignment, plan } = useView();
  const most = assignment?.letters;
  const letters = plan.scenes.find(({ id }) => id === slide.id)?.letters ?? 0;
  if (!most || letters === 0) return null;
  return <Count className={letters > most ? 'over' : ''}>{say('words.letters', { letters, most })}</Count>;
}

function CaptionWords({ slide, number, offered }: WordsProps & { offered: string }) {
  const [first, ...more] = wordsOnPicture(slide);
  return (
    <>
      <OnPicture key={first?.id ?? 'caption'} slide={slide} number={number} words={first} n={1} offered={offered} />
      {more.map((words, i) => (
        <OnPicture key={words.id} slide={slide} number={number} words={words} n={i + 2} offered="" />
      ))}
      <Letters slide={slide} />
    </>
  );
}

interface OnPictureProps extends WordsProps {
  words: WordsLayer | undefined;
  /** Which of the slide's they are, from 1 on. */
  n: number;
  /** What the picture's file says that it shows. */
  offered: string;
}

/** Words on a picture: a fact; somebody's name, and what they are; what somebody said, and who. */
function OnPicture({ slide, number, words, n, offered }: OnPictureProps) {
  const { edit } = useActs();
  const role = words?.role ?? 'caption';
  const written = useWords(slide, role, words);
  const by = useSavedText(
    words?.by ?? '',
    (text) =>
      words && void edit({ do: 'set layer', slide: slide.id, layer: words.id, kind: 'words', changes: { by: text } }),
  );
  return (
    <>
      <textarea
        className="caption"
        rows={1}
        aria-label={
          n === 1 ? say('words.caption-on', { slide: number }) : say('words.more-on', { slide: number, number: n })
        }
        placeholder={say(
          words?.cell === undefined ? (n === 1 ? 'words.caption.hint' : 'words.more.hint') : 'words.beside.hint',
        )}
        maxLength={limits.words}
        value={written.value}
        onChange={(e) => written.onChange(e.target.value)}
        onBlur={written.onBlur}
      />
      {(role === 'name' || role === 'quotation') && (
        <input
          className="subtitle"
          aria-label={say(role === 'name' ? 'words.what-they-are' : 'words.whose', { slide: number, number: n })}
          placeholder={say(role === 'name' ? 'words.what-they-are.hint' : 'words.whose.hint')}
          maxLength={limits.by}
          value={by.value}
          onChange={(e) => by.onChange(e.target.value)}
          onBlur={by.onBlur}
        />
      )}
      {offered !== '' && written.value === '' && (
        <ButtonContext value={own}>
          <Offer onPress={() => written.write(offered)}>{say('words.offered', { words: offered })}</Offer>
        </ButtonContext>
      )}
    </>
  );
}

function ScriptWords({ slide, number }: WordsProps) {
  const { edit } = useActs();
  const script = useSavedText(slide.script, (text) => void edit({ do: 'set script', slide: slide.id, script: text }));
  return (
    <>
      {slide.toldBefore && slide.toldBefore !== script.value && (
        <p className="before">{say('copy.told-before', { script: slide.toldBefore })}</p>
      )}
      <textarea
        className={script.value.length > LONG ? 'script long' : 'script'}
        aria-label={say('words.script-of', { slide: number })}
        placeholder={say('words.script.hint')}
        maxLength={limits.script}
        rows={1}
        value={script.value}
        onChange={(e) => script.onChange(e.target.value)}
        onBlur={script.onBlur}
      />
    </>
  );
}
