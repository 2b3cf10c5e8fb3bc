import type { RefObject } from 'react';
import { Slider, SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import { IconButton, Row, Soft } from './controls';
import { PauseIcon, PlayIcon, WholeIcon, WordsIcon } from './icons';
import { FlatThread, type ThreadSlide } from './Thread';
import { clock } from './time';
import { say } from '../messages/say';

const Track = styled(SliderTrack)`
  position: relative;
  height: 42px;
  width: 100%;
  cursor: pointer;
  display: grid;
  align-items: center;
  .here {
    top: 50%;
    width: 14px;
    height: 26px;
    border-radius: 7px;
    background: var(--madder);
    border: 2px solid #fff;
    z-index: 2;
  }
`;

interface Props {
  /** Where it stands and how long it is, in frames of `fps` to the second. */
  frame: number;
  frames: number;
  fps: number;
  slides: ThreadSlide[];
  onSeek: (frame: number) => void;
  playing: boolean;
  onToggle: () => void;
  captions: boolean;
  onCaptions: (shown: boolean) => void;
  /** What fills the screen when that is asked for. */
  whole: RefObject<HTMLElement | null>;
  dark?: boolean;
}

/** The thread laid flat as a position bar, and what one plays with: for the preview and for the finished film. */
export function Playbar({
  frame,
  frames,
  fps,
  slides,
  onSeek,
  playing,
  onToggle,
  captions,
  onCaptions,
  whole,
  dark = false,
}: Props) {
  const place = `${clock(frame / fps)} / ${clock(frames / fps)}`;
  return (
    <>
      <Slider
        aria-label={say('play.position')}
        value={frame}
        minValue={0}
        maxValue={Math.max(1, frames - 1)}
        step={1}
        onChange={onSeek}
      >
        <Track>
          <FlatThread plan={{ frames, fps, slides }} dark={dark} />
          <SliderThumb className="here" aria-valuetext={place} />
        </Track>
      </Slider>
      <Row>
        <IconButton label={say(playing ? 'play.pause' : 'play.play')} onPress={onToggle} isDisabled={frames === 0}>
          {playing ? <PauseIcon /> : <PlayIcon />}
        </IconButton>
        <Soft as="span" style={dark ? { color: '#d9dce3' } : undefined}>
          {place}
        </Soft>
        <span style={{ flex: 1 }} />
        <IconButton
          label={say(captions ? 'play.hide-captions' : 'play.show-captions')}
          aria-pressed={captions}
          onPress={() => onCaptions(!captions)}
        >
          <WordsIcon />
        </IconButton>
        <IconButton
          label={say('play.full-screen')}
          onPress={() =>
            void (document.fullscreenElement ? document.exitFullscreen() : whole.current?.requestFullscreen())
          }
        >
          <WholeIcon />
        </IconButton>
      </Row>
    </>
  );
}

/** Space plays and pauses wherever no button has it. */
export const spacePlays = (toggle: () => void) => (event: React.KeyboardEvent) => {
  if (event.key === ' ' && !(event.target as HTMLElement).closest('button')) {
    event.preventDefault();
    toggle();
  }
};
