import { useMemo } from 'react';
import { ListBox, ListBoxItem } from 'react-aria-components';
import styled from 'styled-components';
import type { Spoken, StoryView, Slide } from '../../api/types';
import { say } from '../../messages/say';
import { Button, IconButton } from '../../parts/controls';
import { RedoIcon, UndoIcon } from '../../parts/icons';
import { inSeconds, SAMPLES, secondsText } from '../../parts/time';
import type { StoryHold } from '../../story/useStory';
import { Key } from '../room';
import { Ends } from './Ends';
import { LoweredRoom } from './LoweredRoom';
import { SHORT } from './useSaid';
import { useWaveform } from './useWaveform';
import { shareOf, Waveform, type Mark } from './Waveform';

/** Of the drawing, at least and at most. */
const COLUMNS = { least: 800, most: 4000 };
/** What a sentence is as wide as, at least, so that a finger can press it. */
const LEAST = 56;

const Side = styled.section`
  display: grid;
  gap: 8px;
  max-width: 1500px;
  width: 100%;
  min-width: 0;
  margin: 0 auto;
  .along {
    overflow-x: auto;
    padding: 4px 8px;
  }
  .whole {
    min-width: 100%;
    position: relative;
  }
  .said {
    position: relative;
    height: 40px;
    margin-top: 4px;
    outline: none;
  }
  .sentence {
    position: absolute;
    inset-block: 0;
    border-inline-start: 2px solid var(--booth);
    padding: 8px 10px;
    background: #242935;
    border-radius: 4px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    cursor: pointer;
    &[data-selected] {
      background: #39415a;
    }
    &[data-focus-visible] {
      outline: 3px solid #aeb9ee;
      outline-offset: -3px;
    }
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
  }
  .acts .ask {
    border-color: #d9a441;
  }
  .hint {
    color: #b9c0ce;
    flex: 1;
    min-width: 12em;
  }
  .hint.marked {
    min-width: 6em;
    /* It stands whole above. */
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    overflow: hidden;
  }
  @media (max-width: 760px) {
    gap: 4px;
    .acts {
      flex-wrap: nowrap;
      overflow-x: auto;
    }
    .acts button {
      padding: 4px 10px;
      flex: none;
      white-space: nowrap;
    }
    .hint,
    .hint.marked {
      font-size: 0.875rem;
      min-width: 60%;
    }
  }
`;

interface Props {
  hold: StoryHold;
  view: StoryView;
  slide: Slide;
  spoken: Spoken;
  /** Nothing can be recorded just now. */
  isSaving: boolean;
  mark: Mark | null;
  onMark: (mark: Mark) => void;
  onHear: (mark: Mark) => void;
  onOnly: () => void;
  onFromHere: () => void;
  onLeaveOut: () => void;
  onShorten: () => void;
  onTwice: () => void;
  onUndo: () => void;
  onRedo: () => void;
}

/** What was said on a slide, sentence by sentence: to be heard, said again, or left out. */
export function SaidRoom({ hold, view, slide, spoken, isSaving, mark, onMark, onHear, ...acts }: Props) {
  const { samples, pauses, repeats } = spoken;
  // Keys of a list must be of this voice: as it changes, so do its sentences.
  const sentences = useMemo(
    () => spoken.sentences.map((sentence, i) => ({ ...sentence, id: `${i} ${sentence.from} ${sentence.to}` })),
    [spoken.sentences],
  );
  const peaks = useWaveform(
    view,
    slide.voice,
    Math.max(COLUMNS.least, Math.min(COLUMNS.most, sentences.length * LEAST)),
  );
  const chosen = sentences.find(({ from, to }) => from === mark?.from && to === mark.to);
  const take = (taken: Mark) => {
    onMark(taken);
    onHear(taken);
  };
  const isPaused = pauses.some(([from = 0, to = 0]) => to - from > SHORT * SAMPLES);
  return (
    <Side aria-label={say('said.title')}>
      <div className="along">
        <div className="whole" style={{ width: sentences.length * LEAST }}>
          <div style={{ position: 'relative' }}>
            <Waveform
              peaks={peaks}
              samples={samples}
              pauses={pauses}
              repeats={repeats}
              mark={mark}
              onMark={onMark}
              onPoint={(place) => {
                const at = sentences.find(({ to }) => place < to);
                if (at) take({ from: at.from, to: at.to });
              }}
            />
            {mark && <Ends mark={mark} samples={samples} onChange={onMark} />}
          </div>
          <ListBox
            aria-label={say('said.title')}
            className="said"
            dir="ltr"
            layout="grid"
            orientation="horizontal"
            selectionMode="single"
            selectionBehavior="replace"
            items={sentences}
            selectedKeys={chosen ? [chosen.id] : []}
            onSelectionChange={(keys) => {
              const [key] = keys === 'all' ? [] : [...keys];
              const sentence = sentences.find(({ id }) => id === key);
              if (sentence) take({ from: sentence.from, to: sentence.to });
            }}
          >
            {({ id, text, from, to }) => {
              const name = text || say('said.phrase', { number: sentences.findIndex((one) => one.id === id) + 1 });
              return (
                <ListBoxItem
                  id={id}
                  textValue={name}
                  className="sentence"
                  style={{ left: shareOf(from, samples), width: shareOf(to - from, samples) }}
                >
                  {name}
                </ListBoxItem>
              );
            }}
          </ListBox>
        </div>
      </div>
      <div className="acts">
        {mark ? (
          <>
            <Button onPress={() => onHear(mark)}>
              {say('said.hear')} <Key>H</Key>
            </Button>
            <Button onPress={acts.onOnly} isDisabled={isSaving}>
              {say('said.only')} <Key>O</Key>
            </Button>
            <Button onPress={acts.onFromHere} isDisabled={isSaving}>
              {say('said.from-here')} <Key>A</Key>
            </Button>
            <Button onPress={acts.onLeaveOut}>
              {say('said.leave-out')} <Key>X</Key>
            </Button>
            <span className="hint marked">
              {chosen?.text ?? say('said.long', { length: secondsText(inSeconds(mark.to - mark.from)) })}
            </span>
          </>
        ) : (
          <span className="hint">{say('said.hint')}</span>
        )}
        {repeats.length > 0 && (
          <Button className="ask" onPress={acts.onTwice}>
            {say('said.twice')} <Key>T</Key>
          </Button>
        )}
        <Button onPress={acts.onShorten} isDisabled={!isPaused}>
          {say('said.pauses', { length: secondsText(SHORT) })}
        </Button>
        <LoweredRoom
          hold={hold}
          story={view.story}
          slide={slide}
          beside={spoken.beside}
          onListen={() => onHear({ from: 0, to: samples })}
        />
        <IconButton label={say('story.undo')} onPress={acts.onUndo} isDisabled={!view.canUndo}>
          <UndoIcon />
        </IconButton>
        <IconButton label={say('story.redo')} onPress={acts.onRedo} isDisabled={!view.canRedo}>
          <RedoIcon />
        </IconButton>
      </div>
    </Side>
  );
}
