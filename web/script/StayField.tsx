import { useState } from 'react';
import { Input, Label, NumberField } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import type { Slide } from '../api/types';
import { Button, Soft, fieldLook } from '../parts/controls';
import { threadOf } from '../stage/plan';
import { useActs, useView } from '../story/StoryContext';
import { say } from '../messages/say';

const Beside = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
`;
const Seconds = styled(NumberField)`
  ${fieldLook}
  input {
    width: 92px;
  }
`;

/** How long the chosen slides stay: as long as their voices, or a time of their own. */
export function StayField({ slides }: { slides: Slide[] }) {
  const { edit } = useActs();
  const { plan } = useView();
  const free = slides.filter((s) => s.voice.length === 0);
  const ids = free.map((s) => s.id);
  const [total, setTotal] = useState(90);
  const [first] = free;
  if (!first) return <Soft>{say('stay.voiced', { count: slides.length })}</Soft>;
  const planned = threadOf(plan).find((s) => s.id === first.id);
  return (
    <>
      <Beside>
        <Seconds
          value={(planned?.stay ?? 0) / plan.fps}
          minValue={limits.leastStay}
          maxValue={limits.mostStay}
          formatOptions={{ maximumFractionDigits: 2 }}
          onChange={(stay) => {
            // An emptied field says nothing.
            if (!Number.isNaN(stay)) void edit({ do: 'set stay', slides: ids, stay });
          }}
        >
          <Label>{say('stay.seconds', { count: free.length })}</Label>
          <Input />
        </Seconds>
        {free.some((s) => s.stay !== null) && (
          <Button onPress={() => void edit({ do: 'set stay', slides: ids, stay: null })}>{say('stay.usual')}</Button>
        )}
      </Beside>
      {free.length > 1 && (
        <Beside>
          <Seconds
            value={total}
            minValue={1}
            maxValue={36_000}
            onChange={(next) => !Number.isNaN(next) && setTotal(next)}
          >
            <Label>{say('stay.share')}</Label>
            <Input />
          </Seconds>
          <Button onPress={() => void edit({ do: 'share length', slides: ids, seconds: total })}>
            {say('stay.share-out')}
          </Button>
        </Beside>
      )}
    </>
  );
}
