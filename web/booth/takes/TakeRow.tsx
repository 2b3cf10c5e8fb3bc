import { useState } from 'react';
import styled from 'styled-components';
import type { TakeMade, Voice } from '../../api/types';
import limits from '../../../schema/limits.json';
import { say, type Code } from '../../messages/say';
import { Button, Field, GoTo, Mark, Quiet, Row, Soft } from '../../parts/controls';
import { ago, inSeconds, secondsText } from '../../parts/time';
import { useSavedText } from '../../story/useSavedText';
import type { Take } from './takes';

const Item = styled.li`
  display: grid;
  gap: 6px;
  padding: 12px 0;
  border-block-start: 1px solid var(--line);
  h3 {
    overflow-wrap: anywhere;
  }
`;
const sounds: Record<TakeMade['sounds'][number], Code> = {
  silent: 'take.silent',
  'too-quiet': 'take.too-quiet',
  clipped: 'take.clipped',
  noisy: 'take.noisy',
};

interface Props {
  take: Take;
  isPlaying: boolean;
  /** Whether the slide speaks anything that it could be put after. */
  canJoin: boolean;
  /** Where it is divided over the slides, if it is long enough for that. */
  divide: string | undefined;
  onHear: () => void;
  onChoose: () => void;
  onJoin: () => void;
  onSet: (changes: { name?: string; speaker?: string; away?: boolean }) => void;
}

/** One take: when it was made, how long it is, how it sounds, and what can be done with it. */
export function TakeRow({ take, isPlaying, canJoin, divide, onHear, onChoose, onJoin, onSet }: Props) {
  const [names, setNames] = useState(false);
  const told: NonNullable<Voice['take']> = take.voice.take ?? {};
  const isAway = told.away === true && !take.isHeard;
  const numbered = say('take.number', { number: take.number });
  const called = told.name || numbered;
  const name = useSavedText(told.name ?? '', (text) => onSet({ name: text.trim() }));
  const speaker = useSavedText(told.speaker ?? '', (text) => onSet({ speaker: text.trim() }));
  const length = secondsText(inSeconds(take.to - take.from));
  return (
    <Item aria-label={called}>
      <Row>
        <h3>{called}</h3>
        {told.speaker && <Soft as="span">{told.speaker}</Soft>}
        {take.isHeard && <Mark $tone="accepted">{say('take.chosen')}</Mark>}
      </Row>
      <Soft>
        {say('take.made', { when: ago(take.at), length })}
        {' · '}
        {take.sounds.length === 0 ? say('take.good') : take.sounds.map((flaw) => say(sounds[flaw])).join(' · ')}
      </Soft>
      <Row>
        <Button
          onPress={onHear}
          aria-label={say(isPlaying ? 'take.stop-of' : 'take.hear-of', { take: called })}
          aria-pressed={isPlaying}
        >
          {say(isPlaying ? 'take.stop' : 'take.hear')}
        </Button>
        {!take.isHeard && !isAway && (
          <>
            <Button onPress={onChoose} aria-label={say('take.choose-of', { take: called })}>
              {say('take.choose')}
            </Button>
            {canJoin && (
              <Button onPress={onJoin} aria-label={say('take.join-of', { take: called })}>
                {say('take.join')}
              </Button>
            )}
          </>
        )}
        {divide && (
          <GoTo to={divide} aria-label={say('split.divide-of', { take: called })}>
            {say('split.divide')}
          </GoTo>
        )}
        <Quiet
          aria-expanded={names}
          aria-label={say('take.name-of', { take: called })}
          onPress={() => setNames((now) => !now)}
        >
          {say('take.name-it')}
        </Quiet>
        {!take.isHeard && (
          <Quiet
            aria-label={say(isAway ? 'take.have-back-of' : 'take.put-away-of', { take: called })}
            onPress={() => onSet({ away: !isAway })}
          >
            {say(isAway ? 'take.have-back' : 'take.put-away')}
          </Quiet>
        )}
      </Row>
      {names && (
        <>
          <Field label={say('take.name')} max={limits.takeName} autoFocus {...name} />
          <Field label={say('take.speaker')} max={limits.speaker} {...speaker} />
        </>
      )}
    </Item>
  );
}
