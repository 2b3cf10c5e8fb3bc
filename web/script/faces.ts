import type { WordsLayer } from '../api/types';
import type { Code } from '../messages/say';

/** The faces of words, as they are called. */
export const faces: [NonNullable<WordsLayer['face']>, Code][] = [
  ['reading', 'face.reading'],
  ['plain', 'face.plain'],
  ['hand', 'face.hand'],
  ['typed', 'face.typed'],
  ['solemn', 'face.solemn'],
  ['loud', 'face.loud'],
];
