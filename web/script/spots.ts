import type { IconLayer } from '../api/types';
import type { Code } from '../messages/say';

/** The nine places on a slide, as they are read. */
export const spots: [IconLayer['place'], Code][] = [
  ['top-left', 'place.top-left'],
  ['top', 'place.top'],
  ['top-right', 'place.top-right'],
  ['left', 'place.left'],
  ['middle', 'place.middle'],
  ['right', 'place.right'],
  ['bottom-left', 'place.bottom-left'],
  ['bottom', 'place.bottom'],
  ['bottom-right', 'place.bottom-right'],
];
