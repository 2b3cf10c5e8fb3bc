import { Input, Label, NumberField } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../../../schema/limits.json';
import { say } from '../../../messages/say';
import { Picks } from '../../../parts/Choice';
import { Button, fieldLook, Row as Line, Soft } from '../../../parts/controls';
import { Level } from '../../../parts/Level';
import { Toggle } from '../../../parts/Toggle';
import { FPS } from '../../../stage/ClipVideo';
import type { PartInHand } from './usePart';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
`;
const Seconds = styled(NumberField)`
  ${fieldLook}
  input {
    width: 100%;
  }
`;

interface Props {
  held: PartInHand;
  /** Of the whole clip. */
  frames: number;
  here: number;
  /** The clip has a sound. */
  isHeard: boolean;
  /** The slide has a voice. */
  speaks: boolean;
  watches: boolean;
  onWatch: () => void;
  /** A frame is being made a picture of. */
  isTaking: boolean;
  onTake: () => void;
  onCut: () => void;
}

/** What is shown of a clip and how it is heard, told in words and numbers. */
export function ClipFields({ held, frames, here, isHeard, speaks, watches, onWatch, isTaking, onTake, onCut }: Props) {
  const { part, show, set } = held;
  const seconds = (label: string, frame: number, least: number, most: number, set: (frame: number) => void) => (
    <Seconds
      value={Math.round((100 * frame) / FPS) / 100}
      minValue={least / FPS}
      maxValue={most / FPS}
      formatOptions={{ minimumFractionDigits: 2, maximumFractionDigits: 2 }}
      // An emptied field says nothing.
      onChange={(to) => !Number.isNaN(to) && set(Math.round(to * FPS))}
    >
      <Label>{label}</Label>
      <Input />
    </Seconds>
  );
  return (
    <>
      <Two>
        {seconds(say('clip.begins-seconds'), part.from, 0, part.to - 1, (from) => set({ from }))}
        {seconds(say('clip.ends-seconds'), part.to, part.from + 1, frames, (to) => set({ to }))}
      </Two>
      <Line>
        <Button onPress={() => set({ from: here })} isDisabled={here >= part.to}>
          {say('clip.begin-here')}
        </Button>
        <Button onPress={() => set({ to: here + 1 })} isDisabled={here < part.from}>
          {say('clip.end-here')}
        </Button>
      </Line>
      <Soft>{say('clip.keys')}</Soft>
      {isHeard ? (
        <>
          <Toggle isSelected={!part.muted} onChange={(isHeard) => set({ muted: !isHeard })}>
            {say('clip.is-heard')}
          </Toggle>
          {!part.muted && (
            <Level
              label={say('clip.loudness')}
              value={part.level}
              min={limits.leastLevel}
              max={limits.mostLevel}
              rest={0}
              text={say('clip.level', { decibels: part.level })}
              onChange={(level) => show({ level })}
              onChangeEnd={(level) => set({ level })}
            />
          )}
        </>
      ) : (
        <Soft>{say('clip.silent')}</Soft>
      )}
      {speaks && (
        <Picks
          label={say('clip.lasts')}
          value={part.lasts}
          options={[
            ['clip', say('clip.lasts-clip')],
            ['voice', say('clip.lasts-voice')],
          ]}
          onChange={(lasts) => set({ lasts })}
        />
      )}
      <Line>
        <Button onPress={onTake} isPending={isTaking}>
          {say('clip.take')}
        </Button>
        <Button onPress={onCut} isDisabled={here <= part.from || here >= part.to}>
          {say('clip.cut')}
        </Button>
      </Line>
      <Line>
        <Button onPress={onWatch} aria-keyshortcuts="Alt+P">
          {say(watches ? 'clip.stop' : 'eye.watch')}
        </Button>
        <Soft as="span">{say('eye.watch-key')}</Soft>
      </Line>
    </>
  );
}
