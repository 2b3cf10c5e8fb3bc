import type { Rehearsal, StoryView } from '../api/types';
import { say } from '../messages/say';
import { clock, secondsText } from '../parts/time';

const lengths = { 'too-short': 'booth.too-short', 'too-long': 'booth.too-long' } as const;

/** How long a slide takes at one's own pace; and the film when all is spoken, where a length is asked for. */
export function howLong(
  { wordsPerMinute: words, isLearned, seconds, length }: Rehearsal,
  takes: number,
  assignment: StoryView['assignment'],
): string {
  const own = say(isLearned ? 'booth.at-your-pace' : 'booth.at-usual-pace', { length: secondsText(takes), words });
  if (!assignment) return own;
  const { leastSeconds: least, mostSeconds: most } = assignment;
  return `${own} ${say(length === null ? 'booth.fits' : lengths[length], { length: clock(seconds), least: clock(least), most: clock(most) })}`;
}
