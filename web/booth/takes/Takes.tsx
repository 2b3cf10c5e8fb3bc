import { useState, type RefObject } from 'react';
import styled from 'styled-components';
import type { Slide, StoryView } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { Button, Quiet, Soft } from '../../parts/controls';
import { Drawer } from '../../parts/Drawer';
import { useTell } from '../../parts/notices';
import { SAMPLES } from '../../parts/time';
import type { PreviewHandle } from '../../stage/Preview';
import type { StoryHold } from '../../story/useStory';
import { TakeRow } from './TakeRow';
import { useTakes, type Take } from './takes';
import { useHearing } from './useHearing';

const Inside = styled.section`
  padding: 0 20px 24px;
  display: grid;
  gap: 12px;
`;

/** Seconds from which on a take may be for more than one slide. */
const LONG = 20;

interface Props {
  hold: StoryHold;
  view: StoryView;
  slide: Slide;
  /** Its place in the story, from 1. */
  number: number;
  preview: RefObject<PreviewHandle | null>;
  isDisabled: boolean;
}

/** Everything that was spoken for a slide, to be heard, chosen, joined, named, put away and had back. */
export function Takes({ isDisabled, ...props }: Props) {
  return (
    <Drawer
      dark
      label={say('take.of-slide', { slide: props.number })}
      button={<Button isDisabled={isDisabled}>{say('take.all')}</Button>}
    >
      <List {...props} />
    </Drawer>
  );
}

function List({ hold: { edit }, view, slide, number, preview }: Omit<Props, 'isDisabled'>) {
  const takes = useTakes(view, slide);
  const tell = useTell();
  const scene = view.plan.scenes.find(({ id }) => id === slide.id);
  const { heard, hear, stop } = useHearing(view.id, preview, scene, () =>
    tell(say('take.not-heard'), { tone: 'trouble' }),
  );
  const row = (take: Take) => (
    <TakeRow
      key={take.asset}
      take={take}
      isPlaying={heard?.asset === take.asset}
      canJoin={slide.voice.length > 0}
      divide={
        take.voice.samples > LONG * SAMPLES && view.story.slides.length > 1
          ? `/stories/${view.id}/split?voices=${take.asset}&from=${take.voice.take?.madeFor?.[0]?.slide ?? slide.id}`
          : undefined
      }
      onHear={() => (heard?.asset === take.asset ? stop() : hear(take))}
      onChoose={() => void edit({ do: 'choose voice', slide: slide.id, asset: take.asset })}
      onJoin={() => void edit({ do: 'choose voice', slide: slide.id, asset: take.asset, joined: true })}
      onSet={(changes) => void edit({ do: 'set take', asset: take.asset, changes })}
    />
  );
  return (
    <Inside>
      <h2>{say('take.of-slide', { slide: number })}</h2>
      <Soft>{say(takes?.own.length === 0 ? 'take.none' : 'take.hint')}</Soft>
      <ul>{takes?.own.map(row)}</ul>
      {takes && <Further said="take.others" takes={takes.others} row={row} />}
      {takes && <Further said="take.away" takes={takes.away} row={row} />}
    </Inside>
  );
}

/** What is seldom looked for. */
function Further({ said, takes, row }: { said: Code; takes: Take[]; row: (take: Take) => React.ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  if (takes.length === 0) return null;
  return (
    <div>
      <Quiet aria-expanded={isOpen} onPress={() => setOpen((now) => !now)}>
        {say(said, { count: takes.length })}
      </Quiet>
      {isOpen && <ul>{takes.map(row)}</ul>}
    </div>
  );
}
