import { useState } from 'react';
import { Input, Label, NumberField } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import type { Bed } from '../api/types';
import { Select } from '../parts/Choice';
import { Button, fieldLook, Row, Soft } from '../parts/controls';
import { Level } from '../parts/Level';
import { clock, inSeconds } from '../parts/time';
import { Toggle } from '../parts/Toggle';
import { useActs, useView } from '../story/StoryContext';
import { assetOf, writtenOn } from '../story/slides';
import { SourceFields } from './SourceFields';
import { say } from '../messages/say';

const One = styled.section`
  display: grid;
  gap: 10px;
  padding: 12px;
  border: 1px solid var(--line);
  border-inline-start: 4px solid var(--indigo);
  border-radius: var(--radius);
  summary {
    cursor: pointer;
    min-height: 32px;
  }
  details > div {
    display: grid;
    gap: 10px;
    padding-top: 8px;
  }
`;
const Two = styled.div`
  display: grid;
  gap: 10px;
  grid-template-columns: 1fr 1fr;
`;
const Seconds = styled(NumberField)`
  ${fieldLook}
`;
const QUIETEST = 30;

/** One piece of music under the story: where it lies, how loud it is, whose it is. */
export default function BedSettings({ bed }: { bed: Bed }) {
  const { story } = useView();
  const { edit } = useActs();
  const music = assetOf(story, bed.asset, 'music');
  const set = (changes: Partial<Omit<Bed, 'id' | 'asset'>>) => void edit({ do: 'set bed', bed: bed.id, changes });
  const [level, setLevel] = useState<number | null>(null);
  const slides = story.slides.map((slide, i) => {
    const words = writtenOn(slide, story.title);
    return [
      slide.id,
      words === ''
        ? say('slide.number', { slide: i + 1 })
        : say('slide.written', { slide: i + 1, words: words.slice(0, 30) }),
    ] as [string, string];
  });
  const seconds = inSeconds(music?.samples ?? 0);
  const loud = QUIETEST - (level ?? bed.under);
  return (
    <One aria-label={say('bed.of', { file: music?.file ?? '' })}>
      <Row>
        <strong style={{ overflowWrap: 'anywhere' }}>{music?.file}</strong>
        <Soft as="span">{clock(seconds)}</Soft>
        <span style={{ flex: 1 }} />
        <Button onPress={() => void edit({ do: 'delete bed', bed: bed.id })}>{say('bed.take-out')}</Button>
      </Row>
      <Two>
        <Select
          label={say('bed.from')}
          value={bed.from ?? ''}
          options={[['', say('bed.beginning')], ...slides]}
          onChange={(from) => set({ from: from === '' ? null : from })}
        />
        <Select
          label={say('bed.through')}
          value={bed.to ?? ''}
          options={[['', say('bed.end')], ...slides]}
          onChange={(to) => set({ to: to === '' ? null : to })}
        />
      </Two>
      <Level
        label={say('bed.loudness')}
        value={loud}
        min={0}
        max={QUIETEST}
        text={say('bed.under', { decibels: QUIETEST - loud })}
        onChange={(value) => setLevel(QUIETEST - value)}
        onChangeEnd={(value) => {
          setLevel(null);
          set({ under: QUIETEST - value });
        }}
      />
      <Toggle isSelected={bed.ducks} onChange={(ducks) => set({ ducks })}>
        {say('bed.gives-way')}
      </Toggle>
      <details>
        <summary>{say('bed.more')}</summary>
        <div>
          <Two>
            <Seconds
              value={bed.fadeIn}
              minValue={0}
              maxValue={limits.fade}
              step={0.5}
              onChange={(fadeIn) => set({ fadeIn })}
            >
              <Label>{say('bed.fade-in')}</Label>
              <Input />
            </Seconds>
            <Seconds
              value={bed.fadeOut}
              minValue={0}
              maxValue={limits.fade}
              step={0.5}
              onChange={(fadeOut) => set({ fadeOut })}
            >
              <Label>{say('bed.fade-out')}</Label>
              <Input />
            </Seconds>
          </Two>
          <Seconds
            value={bed.start}
            minValue={0}
            maxValue={Math.max(0, Math.floor(seconds - 1))}
            step={0.5}
            onChange={(start) => set({ start })}
          >
            <Label>{say('bed.start')}</Label>
            <Input />
          </Seconds>
          <Toggle isSelected={bed.loops} onChange={(loops) => set({ loops })}>
            {say('bed.loops')}
          </Toggle>
          <SourceFields
            assets={[bed.asset]}
            mine={say('mend.made-myself', { count: 1 })}
            labels={{
              title: say('bed.source.title'),
              author: say('bed.source.author'),
              link: say('bed.source.link'),
              licence: say('bed.source.licence'),
            }}
          />
        </div>
      </details>
    </One>
  );
}
