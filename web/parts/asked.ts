import type { Assignment } from '../api/types';
import { say, type Code } from '../messages/say';

type Asked = Assignment['asked'][number];

/** What an assignment may ask a story to have (core/Proof/Asked). */
export const ASKED: readonly (readonly [Asked, Code])[] = [
  ['title', 'task.asks-title'],
  ['voice', 'task.asks-voice'],
  ['words', 'task.asks-words'],
  ['captions', 'task.asks-captions'],
  ['sources', 'task.asks-sources'],
  ['free', 'task.asks-free'],
  ['readable', 'task.asks-readable'],
  ['clear', 'task.asks-clear'],
];

/** How many slides are asked for; '' where as many as one likes. */
export function slidesAsked({ leastSlides: least, mostSlides: most }: Assignment): string {
  if (least !== null && most !== null) return say('task.slides-between', { least, most });
  if (least !== null) return say('task.slides-least', { least });
  return most === null ? '' : say('task.slides-most', { most });
}

/** All that is asked for besides a length, in a row; '' where nothing is. */
export const askedText = (assignment: Assignment): string =>
  [slidesAsked(assignment), ...ASKED.filter(([one]) => assignment.asked.includes(one)).map(([, code]) => say(code))]
    .filter((one) => one !== '')
    .join(' · ');
