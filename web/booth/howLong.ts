import type { Rehearsal, StoryView } from '../api/types';
import { say } from '../messages/say';
import { clock, secondsText } from '../parts/time';

/** How long a slide takes at one's own pace; and the film when all is spoken, where a length is asked for. */
export function howLong(
  { wordsPerMinute: words, isLearned, seconds }: Rehearsal,
  takes: number,
  assignment: StoryView['assignment'],
): string {
  const own = say(isLearned ? 'booth.at-your-pace' : 'booth.at-usual-pace', { length: secondsText(takes), words });
  if (!assignment) return own;
  const { leastSeconds: least, mostSeconds: most } = assignment;
  const fits = seconds < least ? 'booth.too-short' : seconds > most ? 'booth.too-long' : 'booth.fits';
  return `${own} ${say(fits, { length: clock(seconds), least: clock(least), most: clock(most) })}`;
}
