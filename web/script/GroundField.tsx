import styled from 'styled-components';
import type { PictureLayer } from '../api/types';
import { say } from '../messages/say';
import { Picks } from '../parts/Choice';
import { useInHand } from '../story/useInHand';

const Colour = styled.label`
  display: flex;
  align-items: center;
  gap: 12px;
  input {
    width: 64px;
    height: 40px;
    padding: 2px;
    border: 1px solid var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
    cursor: pointer;
  }
`;
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
        <Colour>
          {say('ground.which')}
          <input type="color" value={value.ground} onChange={(event) => set({ ground: event.target.value })} />
        </Colour>
      )}
    </>
  );
}
