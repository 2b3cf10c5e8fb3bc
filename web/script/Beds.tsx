import { useState } from 'react';
import {
  FileTrigger,
  Input,
  Label,
  NumberField,
  Slider,
  SliderOutput,
  SliderThumb,
  SliderTrack,
} from 'react-aria-components';
import styled from 'styled-components';
import { sentence } from '../api/client';
import { soundFiles } from '../assets/kinds';
import { useSendIn } from '../assets/useSendIn';
import limits from '../../schema/limits.json';
import type { Bed } from '../api/types';
import { Select } from '../parts/Choice';
import { Button, fieldLook, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { clock, inSeconds } from '../parts/time';
import { Toggle } from '../parts/Toggle';
import { useActs, useView } from '../story/StoryContext';
import { assetOf, writtenOn } from '../story/slides';
import { SourceFields } from './SourceFields';

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
const Loudness = styled(Slider<number>)`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 8px;
  font-size: 0.875rem;
  color: var(--soft);
  .track {
    grid-column: 1 / -1;
    height: 32px;
    position: relative;
    &::before {
      content: '';
      position: absolute;
      inset: 14px 0;
      border-radius: 2px;
      background: var(--edge);
    }
  }
  .thumb {
    width: 22px;
    height: 22px;
    top: 50%;
    border-radius: 50%;
    background: var(--indigo);
    border: 2px solid #fff;
    outline: 1px solid var(--indigo);
    &[data-focus-visible] {
      outline-width: 3px;
    }
  }
`;
const Seconds = styled(NumberField)`
  ${fieldLook}
`;
const QUIETEST = 30;

/** The music under the story: brought in, laid under slides, made louder and quieter, credited. */
export function Beds() {
  const view = useView();
  const sendIn = useSendIn(view.id);
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const { beds } = view.story;
  const bringIn = (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    sendIn('music', file)
      .then(() => {
        tell('The music lies under the whole story. It gives way to every voice.');
      })
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      .finally(() => setBusy(false));
  };
  return (
    <>
      <h3>Bed</h3>
      {beds.length === 0 && <Soft>Music under the voice. It goes down by itself while somebody speaks.</Soft>}
      {beds.map((bed) => (
        <OneBed key={bed.id} bed={bed} />
      ))}
      <Row>
        <FileTrigger acceptedFileTypes={soundFiles} onSelect={(files) => bringIn(files?.[0])}>
          <Button isDisabled={busy}>{busy ? 'The music is on its way …' : 'Bring in music'}</Button>
        </FileTrigger>
      </Row>
    </>
  );
}

function OneBed({ bed }: { bed: Bed }) {
  const { story } = useView();
  const { edit } = useActs();
  const music = assetOf(story, bed.asset, 'music');
  const set = (changes: Partial<Omit<Bed, 'id' | 'asset'>>) => void edit({ do: 'set bed', bed: bed.id, changes });
  const [level, setLevel] = useState<number | null>(null);
  const slides = story.slides.map((slide, i) => {
    const words = writtenOn(slide, story.title);
    return [slide.id, `Slide ${i + 1}${words === '' ? '' : `: ${words.slice(0, 30)}`}`] as [string, string];
  });
  const seconds = inSeconds(music?.samples ?? 0);
  const loud = QUIETEST - (level ?? bed.under);
  return (
    <One aria-label={`Bed: ${music?.file ?? ''}`}>
      <Row>
        <strong style={{ overflowWrap: 'anywhere' }}>{music?.file}</strong>
        <Soft as="span">{clock(seconds)}</Soft>
        <span style={{ flex: 1 }} />
        <Button onPress={() => void edit({ do: 'delete bed', bed: bed.id })}>Take it out</Button>
      </Row>
      <Two>
        <Select
          label="From"
          value={bed.from ?? ''}
          options={[['', 'The beginning'], ...slides]}
          onChange={(from) => set({ from: from === '' ? null : from })}
        />
        <Select
          label="Through"
          value={bed.to ?? ''}
          options={[['', 'The end'], ...slides]}
          onChange={(to) => set({ to: to === '' ? null : to })}
        />
      </Two>
      <Loudness
        value={loud}
        minValue={0}
        maxValue={QUIETEST}
        onChange={(value) => setLevel(QUIETEST - value)}
        onChangeEnd={(value) => {
          setLevel(null);
          set({ under: QUIETEST - value });
        }}
      >
        <Label>How loud where nobody speaks</Label>
        <SliderOutput>{() => `${QUIETEST - loud} dB under a voice`}</SliderOutput>
        <SliderTrack className="track">
          <SliderThumb className="thumb" />
        </SliderTrack>
      </Loudness>
      <Toggle isSelected={bed.ducks} onChange={(ducks) => set({ ducks })}>
        It gives way to the voice
      </Toggle>
      <details>
        <summary>Fades, start and source</summary>
        <div>
          <Two>
            <Seconds
              value={bed.fadeIn}
              minValue={0}
              maxValue={limits.fade}
              step={0.5}
              onChange={(fadeIn) => set({ fadeIn })}
            >
              <Label>Fades in over (seconds)</Label>
              <Input />
            </Seconds>
            <Seconds
              value={bed.fadeOut}
              minValue={0}
              maxValue={limits.fade}
              step={0.5}
              onChange={(fadeOut) => set({ fadeOut })}
            >
              <Label>Fades out over (seconds)</Label>
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
            <Label>Begins at this second of the music</Label>
            <Input />
          </Seconds>
          <Toggle isSelected={bed.loops} onChange={(loops) => set({ loops })}>
            It begins again when it is over
          </Toggle>
          <SourceFields
            assets={[bed.asset]}
            mine="I made it myself"
            labels={{
              title: 'Title of the music',
              author: 'Who made it',
              link: 'Link to the music',
              licence: 'Its licence, such as CC BY 4.0',
            }}
          />
        </div>
      </details>
    </One>
  );
}
