import type { StoryDocument } from '../api/types';
import type { Code } from '../messages/say';

export type StyleName = NonNullable<NonNullable<StoryDocument['style']>['name']>;

/** The styles that a story can have, each with what it is called and its temper. */
export const styles: [StyleName, Code, Code][] = [
  ['thread', 'style.thread', 'style.thread.is'],
  ['clay', 'style.clay', 'style.clay.is'],
  ['slate', 'style.slate', 'style.slate.is'],
  ['stone', 'style.stone', 'style.stone.is'],
  ['tin', 'style.tin', 'style.tin.is'],
  ['ledger', 'style.ledger', 'style.ledger.is'],
  ['lantern', 'style.lantern', 'style.lantern.is'],
  ['reed', 'style.reed', 'style.reed.is'],
];

/** What music goes with each. */
export const musicOf: Record<StyleName, Code> = {
  thread: 'style.thread.music',
  clay: 'style.clay.music',
  slate: 'style.slate.music',
  stone: 'style.stone.music',
  tin: 'style.tin.music',
  ledger: 'style.ledger.music',
  lantern: 'style.lantern.music',
  reed: 'style.reed.music',
};
