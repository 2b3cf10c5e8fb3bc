import { forwardRef, useEffect, useImperativeHandle, useRef, useState } from 'react';
import { Slider, SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';
import type { Remark } from '../api/types';
import { IconButton, Row, Soft } from '../parts/controls';
import { PauseIcon, PlayIcon, WholeIcon, WordsIcon } from '../parts/icons';
import { FlatThread, type ThreadSlide } from '../parts/Thread';
import { clock } from '../parts/time';

const Box = styled.figure`
  display: grid;
  gap: 4px;
  min-width: 0;
  video {
    width: 100%;
    aspect-ratio: 16 / 9;
    background: #000;
    outline: 1px solid var(--line);
  }
  &:fullscreen {
    background: #000;
    align-content: center;
    color: #fff;
    padding: 0 12px;
  }
  &:fullscreen video {
    max-height: calc(100vh - 100px);
  }
`;
const Track = styled(SliderTrack)`
  position: relative;
  height: 44px;
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
const Flag = styled.button`
  position: absolute;
  top: -4px;
  width: 26px;
  height: 26px;
  margin-left: -13px;
  border: 2px solid #fff;
  border-radius: 50% 50% 50% 0;
  transform: rotate(-45deg);
  background: var(--ochre);
  cursor: pointer;
  padding: 0;
  z-index: 3;
`;
const Flags = styled.div`
  position: relative;
  height: 26px;
`;

export interface FilmPlayerHandle {
  jump: (seconds: number) => void;
  pause: () => number;
}

interface Props {
  film: string;
  title: string;
  seconds: number;
  fps: number;
  slides: ThreadSlide[];
  remarks: Remark[];
}

/** The finished film, with captions, over its thread; remarks stand on it as flags. */
export const FilmPlayer = forwardRef<FilmPlayerHandle, Props>(function FilmPlayer(
  { film, title, seconds, fps, slides, remarks },
  ref,
) {
  const video = useRef<HTMLVideoElement>(null);
  const box = useRef<HTMLElement>(null);
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [captions, setCaptions] = useState(true);
  useEffect(() => {
    const track = video.current?.textTracks[0];
    if (track) track.mode = captions ? 'showing' : 'hidden';
  }, [captions, film]);
  const jump = (to: number) => {
    if (!video.current) return;
    video.current.currentTime = to;
    setAt(to);
  };
  useImperativeHandle(ref, () => ({
    jump,
    pause: () => {
      video.current?.pause();
      return video.current?.currentTime ?? 0;
    },
  }));
  const toggle = () => void (video.current?.paused ? video.current.play() : video.current?.pause());
  return (
    <Box
      ref={box}
      aria-label={`Film: ${title}`}
      onKeyDown={(event) => {
        if (event.key === ' ' && !(event.target as HTMLElement).closest('button')) {
          event.preventDefault();
          toggle();
        }
      }}
    >
      <video
        ref={video}
        src={`/api/films/${film}/film.mp4`}
        preload="metadata"
        playsInline
        onClick={toggle}
        onTimeUpdate={(e) => setAt(e.currentTarget.currentTime)}
        onPlay={() => setPlaying(true)}
        onPause={() => setPlaying(false)}
        aria-label={title}
      >
        <track kind="captions" src={`/api/films/${film}/captions.vtt`} srcLang="en" label="Captions" default />
      </video>
      {remarks.length > 0 && (
        <Flags>
          {remarks.map((remark) => (
            <Flag
              key={remark.id}
              style={{ left: `${(remark.seconds / Math.max(1, seconds)) * 100}%` }}
              onClick={() => jump(remark.seconds)}
              aria-label={`Remark at ${clock(remark.seconds)}: ${remark.text}`}
              title={remark.text}
            />
          ))}
        </Flags>
      )}
      <Slider
        aria-label="Position in the film"
        value={at}
        minValue={0}
        maxValue={Math.max(0.1, seconds)}
        step={0.1}
        onChange={jump}
      >
        <Track>
          <FlatThread plan={{ frames: Math.round(seconds * fps), fps, slides }} />
          <SliderThumb className="here" />
        </Track>
      </Slider>
      <Row>
        <IconButton label={playing ? 'Pause' : 'Play'} onPress={toggle}>
          {playing ? <PauseIcon /> : <PlayIcon />}
        </IconButton>
        <Soft as="span">
          {clock(at)} / {clock(seconds)}
        </Soft>
        <span style={{ flex: 1 }} />
        <IconButton
          label={captions ? 'Hide the captions' : 'Show the captions'}
          aria-pressed={captions}
          onPress={() => setCaptions(!captions)}
        >
          <WordsIcon />
        </IconButton>
        <IconButton
          label="Full screen"
          onPress={() =>
            void (document.fullscreenElement ? document.exitFullscreen() : box.current?.requestFullscreen())
          }
        >
          <WholeIcon />
        </IconButton>
      </Row>
    </Box>
  );
});
