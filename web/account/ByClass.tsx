import { useState } from 'react';
import { Link } from 'react-router';
import { JOIN } from '../parts/addresses';
import { offered, Segments } from '../parts/Choice';
import { Field, Soft } from '../parts/controls';
import { useKept } from '../parts/useKept';
import { say, type Code } from '../messages/say';
import { Door } from './Door';
import { useComingIn } from './useComingIn';
import { ThreePictures } from './young/ThreePictures';

const CLASS = 'rhapsode-class';
const KINDS = ['words', 'pictures'] as const;
const kinds: [(typeof KINDS)[number], Code][] = [
  ['words', 'account.card-words'],
  ['pictures', 'account.card-pictures'],
];
const kept = () => {
  try {
    return localStorage.getItem(CLASS) ?? '';
  } catch {
    return '';
  }
};
/** Of a class's computer the next child is of the same class; who it is, the browser does not remember. */
const keep = (word: string) => {
  try {
    localStorage.setItem(CLASS, word);
  } catch {
    // It is typed again next time.
  }
};

/** With what stands on a card: the class's two words, a first name, three words or pictures of one's own. */
export function ByClass() {
  const { comeIn, wrong, busy } = useComingIn();
  const [word, setWord] = useState(kept);
  const [name, setName] = useState('');
  const [words, setWords] = useState('');
  const [pictures, setPictures] = useState('');
  const [kind, setKind] = useKept('rhapsode-card-kind', KINDS, 'words');
  const isOfPictures = kind === 'pictures';
  const isKnown = word !== '';
  const [wasKnown] = useState(isKnown);
  return (
    <Door
      wrong={wrong}
      busy={busy}
      onSubmit={() => {
        keep(word);
        comeIn({ class: word, name, words: isOfPictures ? pictures : words });
      }}
    >
      <Segments label={say('account.card-has')} value={kind} options={offered(kinds)} onChange={setKind} />
      <Soft>{say(isOfPictures ? 'account.as-on-the-card-pictures' : 'account.as-on-the-card')}</Soft>
      <Field
        label={say('account.class')}
        value={word}
        onChange={setWord}
        autoComplete="off"
        autoFocus={!wasKnown}
        isRequired
      />
      <Field
        label={say('account.my-name')}
        value={name}
        onChange={setName}
        autoComplete="off"
        autoFocus={wasKnown}
        isRequired
      />
      {isOfPictures ? (
        <ThreePictures value={pictures} onChange={setPictures} />
      ) : (
        <Field label={say('account.words')} value={words} onChange={setWords} autoComplete="off" isRequired />
      )}
      <Link to={JOIN}>{say('account.i-have-a-code')}</Link>
    </Door>
  );
}
