import { ListBox, ListBoxItem, Label } from 'react-aria-components';
import styled from 'styled-components';
import { say, type Code } from '../../messages/say';
import { Picks, Segments } from '../../parts/Choice';
import { Button, Mark, Row as Line, Soft } from '../../parts/controls';
import type { Pace } from '../../stage/comfort';
import { hasRoom, inOrder, type Framing } from './framing';
import type { FramingInHand } from './useFraming';

const motions: [Framing['motion'], Code][] = [
  ['auto', 'eye.by-itself'],
  ['still', 'eye.still'],
  ['set', 'eye.as-i-say'],
];
const paces: Record<Pace, [code: Code, tone: 'accepted' | 'returned' | 'must']> = {
  calm: ['eye.calm', 'accepted'],
  brisk: ['eye.brisk', 'returned'],
  'too-fast': ['eye.too-fast', 'must'],
};

const Words = styled.div`
  display: grid;
  gap: 4px;
  > span {
    font-size: 0.875rem;
    color: var(--soft);
  }
  .said {
    display: flex;
    flex-wrap: wrap;
    max-height: 176px;
    overflow: auto;
    scrollbar-width: thin;
    padding: 6px;
    border: 1px solid var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
    font-family: var(--reading);
    /* What is hidden within it stays within it. */
    position: relative;
  }
  .unit {
    padding: 4px 3px;
    border-radius: 4px;
    cursor: pointer;
    outline-offset: -2px;
  }
  .unit[data-hovered] {
    background: var(--indigo-wash);
  }
  .unit[data-selected] {
    background: var(--indigo);
    color: #fff;
  }
`;

interface Props {
  framing: FramingInHand;
  /** What is shown moves already. */
  isClip: boolean;
  /** Opens on what the slide before closes on; left out where that shows nothing of the kind. */
  onGoOn: (() => void) | undefined;
  watches: boolean;
  onWatch: () => void;
}

/** How the look goes over the picture, told in words and numbers. */
export function EyeFields({ framing, isClip, onGoOn, watches, onWatch }: Props) {
  const { spoken, onTop } = framing;
  const ordered = inOrder(framing.stops, spoken);
  const stop = typeof onTop === 'number' ? framing.stops[onTop] : undefined;
  const frames: [string, string][] = [
    ['opensOn', say('eye.opens-on')],
    ...ordered.map((place, i): [string, string] => [String(place), say('stop.number', { stop: i + 1 })]),
    ['closesOn', say('eye.closes-on')],
  ];
  return (
    <>
      <Picks
        label={say('eye.title')}
        value={framing.motion}
        options={motions
          .filter(([motion]) => motion !== 'auto' || !isClip)
          .map(([motion, name]) => [motion, say(name)])}
        onChange={framing.move}
      />
      {framing.motion !== 'still' && (
        <>
          <Segments
            label={say('eye.on-top')}
            value={String(onTop)}
            options={frames}
            onChange={(key) => framing.take(key === 'opensOn' || key === 'closesOn' ? key : Number(key))}
          />
          <Soft>{say('eye.keys')}</Soft>
          <Line role="status">
            <Mark $tone={paces[framing.pace][1]}>{say(paces[framing.pace][0])}</Mark>
          </Line>
          {stop && typeof onTop === 'number' && spoken.words.length > 0 && (
            <Words>
              <Label id="stop-words">{say('stop.as-it-is-said')}</Label>
              <ListBox
                aria-labelledby="stop-words"
                className="said"
                layout="grid"
                selectionMode="single"
                selectedKeys={stop.word === undefined ? [] : [Math.min(stop.word, spoken.words.length - 1)]}
                onSelectionChange={(keys) => {
                  const [word] = keys === 'all' ? [] : keys;
                  if (word !== undefined) framing.time(onTop, { word: Number(word) }, false);
                }}
                disallowEmptySelection={stop.word !== undefined}
              >
                {spoken.words.map(({ text }, i) => (
                  <ListBoxItem key={i} id={i} className="unit" textValue={text}>
                    {text}
                  </ListBoxItem>
                ))}
              </ListBox>
            </Words>
          )}
          <Line>
            {/* It is tied to a word, so these have to be known. */}
            <Button onPress={framing.addStop} isDisabled={!hasRoom(framing) || spoken.isComing}>
              {say('stop.add')}
            </Button>
            {stop && typeof onTop === 'number' && (
              <Button onPress={() => framing.takeAway(onTop)}>{say('stop.take-away')}</Button>
            )}
          </Line>
          <Line>
            <Button onPress={framing.swap}>{say('eye.swap')}</Button>
            {onGoOn && <Button onPress={onGoOn}>{say('eye.go-on')}</Button>}
          </Line>
        </>
      )}
      <Line>
        <Button onPress={onWatch} aria-keyshortcuts="Alt+P">
          {say(watches ? 'eye.stop' : 'eye.watch')}
        </Button>
        <Soft as="span">{say('eye.watch-key')}</Soft>
      </Line>
    </>
  );
}
