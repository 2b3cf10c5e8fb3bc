import { reader, say } from '../messages/say';

/** Some people, as a sentence has them; somebody, where nobody is named. */
export const names = (some: string[]): string =>
  some.length === 0 ? say('class.somebody') : new Intl.ListFormat(reader()).format(some);
