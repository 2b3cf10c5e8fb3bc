import { Dialog, DialogTrigger, Heading } from 'react-aria-components';
import styled from 'styled-components';
import type { Slide, Spoken } from '../../api/types';
import { say } from '../../messages/say';
import { Button } from '../../parts/controls';
import { Toggle } from '../../parts/Toggle';
import { assetOf } from '../../story/slides';
import type { StoryHold } from '../../story/useStory';
import { Above } from '../Above';

type What = keyof Spoken['beside'];
const ALL: What[] = ['noise', 'breaths', 'clicks'];

const Inside = styled.div`
  display: grid;
  gap: 12px;
  label[data-rac],
  label[data-selected] {
    background: none;
    color: inherit;
  }
`;

interface Props {
  hold: StoryHold;
  story: NonNullable<StoryHold['view']>['story'];
  slide: Slide;
  beside: Spoken['beside'];
  onListen: () => void;
}

/** What is heard beside the voice of a slide: each of it lowered, or as it was recorded. */
export function LoweredRoom({ hold, story, slide, beside, onListen }: Props) {
  const isAsRecorded = (what: What) =>
    slide.voice.some(({ asset }) => assetOf(story, asset, 'voice')?.take?.asRecorded?.includes(what));
  const labels: Record<What, string> = {
    noise: say('lowered.noise', { decibels: beside.noise }),
    breaths: say('lowered.breaths', { count: beside.breaths }),
    clicks: say('lowered.clicks', { count: beside.clicks }),
  };
  const there = ALL.filter((what) => beside[what] > 0);
  return (
    <DialogTrigger>
      <Button>{say('lowered.title')}</Button>
      <Above>
        <Dialog>
          <Inside>
            <Heading slot="title">{say('lowered.title')}</Heading>
            {there.map((what) => (
              <Toggle
                key={what}
                isSelected={!isAsRecorded(what)}
                onChange={(isLowered) => void hold.edit({ do: 'set lowered', voice: slide.voice, what, isLowered })}
              >
                {labels[what]}
              </Toggle>
            ))}
            <p>{say(there.length > 0 ? 'lowered.hint' : 'lowered.none')}</p>
            {there.length > 0 && (
              <div>
                <Button onPress={onListen}>{say('booth.listen')}</Button>
              </div>
            )}
          </Inside>
        </Dialog>
      </Above>
    </DialogTrigger>
  );
}
