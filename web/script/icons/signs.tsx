import paths from '../../../schema/signs.json';
import type { Code } from '../../messages/say';

type Name = keyof typeof paths;
/** Signs of our own, each of one colour: a path on a ground of 24 by 24. */
export const signs: [name: Name, called: Code][] = [
  ['star', 'icon.star'],
  ['heart', 'icon.heart'],
  ['arrow', 'icon.arrow'],
  ['pin', 'icon.pin'],
  ['drop', 'icon.drop'],
  ['tick', 'icon.tick'],
];
export const isSign = (name: string): name is Name => name in paths;

/** A sign in the colour of what is written about it. */
export function Sign({ name }: { name: Name }) {
  return (
    <svg viewBox="0 0 24 24" aria-hidden>
      <path d={paths[name]} fill="currentColor" fillRule="evenodd" />
    </svg>
  );
}
