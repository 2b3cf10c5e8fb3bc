import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { WordsLayer } from '../../api/types';
import { say } from '../../messages/say';
import { optionLook } from '../../parts/Choice';
import { spots } from '../spots';

type Place = WordsLayer['place'];

const Group = styled(RadioGroup)`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 12px;
  align-items: center;
  > span {
    grid-column: 1 / -1;
    font-size: 0.875rem;
    color: var(--soft);
  }
  .slide {
    display: grid;
    grid-template-columns: repeat(3, 40px);
    grid-auto-rows: 28px;
    @media (hover: none) {
      grid-auto-rows: 40px;
    }
    border: 1px solid var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
    overflow: hidden;
  }
`;
const Spot = styled(Radio)`
  display: grid;
  place-items: center;
  cursor: pointer;
  &::before {
    content: '';
    width: 8px;
    height: 8px;
    border-radius: 50%;
    background: var(--edge);
  }
  &[data-hovered] {
    background: var(--indigo-wash);
  }
  &[data-selected]::before {
    width: 24px;
    height: 10px;
    border-radius: 3px;
    background: var(--indigo);
  }
  &[data-focus-visible] {
    outline-offset: -3px;
  }
`;
const ByItself = styled(Radio)`
  justify-self: start;
  ${optionLook}
`;

/** Where words stand, pressed on a small slide; or where they cover nobody's face. */
export function SpotField({ value, onChange }: { value: Place | null; onChange: (place: Place) => void }) {
  return (
    <Group value={value} onChange={(place) => onChange(place as Place)}>
      <Label>{say('words.where')}</Label>
      <div className="slide">
        {spots.map(([spot, name]) => (
          <Spot key={spot} value={spot} aria-label={say(name)} />
        ))}
      </div>
      <ByItself value="auto">{say('place.auto')}</ByItself>
    </Group>
  );
}
