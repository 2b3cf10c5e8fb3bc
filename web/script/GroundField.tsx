import type { PictureLayer } from '../api/types';
import { say } from '../messages/say';
import { Picks } from '../parts/Choice';
import { ColourField } from '../parts/ColourField';
import { useInHand } from '../story/useInHand';

/** What is offered at first: dark enough for any picture. */
const FIRST = '#2f3e50';

interface Props {
  slides: string[];
  picture: PictureLayer;
}

/** What pictures lie on where they are shown whole. */
export function GroundField({ slides, picture }: Props) {
  // What is as usual is not told.
  const saved = { ground: (picture.ground as string | undefined) ?? 'blurred' };
  // A colour is found by moving over many: the one that it rests on is taken.
  const { value, set } = useInHand(saved, (changes) => ({ do: 'set layers', slides, kind: 'picture', changes }));
  const isColour = value.ground.startsWith('#');
  return (
    <>
      <Picks
        label={say('ground.title')}
        value={isColour ? 'colour' : value.ground}
        options={[
          ['blurred', say('ground.blurred')],
          ['paper', say('ground.paper')],
          ['colour', say('ground.colour')],
        ]}
        onChange={(ground) => set({ ground: ground === 'colour' ? FIRST : ground })}
      />
      {isColour && (
        <ColourField label={say('colour.which')} value={value.ground} onChange={(ground) => set({ ground })} />
      )}
    </>
  );
}
