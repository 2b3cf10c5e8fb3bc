import { useRef, useState } from 'react';
import styled from 'styled-components';
import type { PictureLayer } from '../api/types';
import { say } from '../messages/say';
import { Picks } from '../parts/Choice';

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
/** Milliseconds for which a colour rests before it is taken: one is found by moving over many. */
const RESTS = 350;

interface Props {
  picture: PictureLayer;
  onChange: (ground: string) => void;
}

/** What a picture lies on where it is shown whole. */
export function GroundField({ picture, onChange }: Props) {
  // What is as usual is not told.
  const told = (picture.ground as string | undefined) ?? 'blurred';
  const isColour = told.startsWith('#');
  const [hand, setHand] = useState<string | null>(null);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const take = (colour: string) => {
    setHand(colour);
    clearTimeout(rest.current);
    rest.current = setTimeout(() => {
      onChange(colour);
      setHand(null);
    }, RESTS);
  };
  return (
    <>
      <Picks
        label={say('ground.title')}
        value={isColour ? 'colour' : told}
        options={[
          ['blurred', say('ground.blurred')],
          ['paper', say('ground.paper')],
          ['colour', say('ground.colour')],
        ]}
        onChange={(ground) => onChange(ground === 'colour' ? FIRST : ground)}
      />
      {isColour && (
        <Colour>
          {say('ground.which')}
          <input type="color" value={hand ?? told} onChange={(event) => take(event.target.value)} />
        </Colour>
      )}
    </>
  );
}
