import { forwardRef, useEffect, useImperativeHandle, useRef, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Remark } from '../api/types';
import { useTell } from '../parts/notices';
import { Playbar, spacePlays } from '../parts/Playbar';
import type { ThreadSlide } from '../parts/Thread';
import { clock } from '../parts/time';
import { say } from '../messages/say';
import { OverPicture } from './OverPicture';

const Box = styled.figure`
  display: grid;
  gap: 4px;
  min-width: 0;
  .screen {
    position: relative;
    display: grid;
  }
  video {
    width: 100%;
    max-height: 76vh;
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
const Flag = styled.button`
  position: absolute;
  top: -4px;
  width: 26px;
  height: 26px;
  translate: -13px 0;
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

/** How finely a position is told: a tenth of a second. */
const FRAMES = 10;

export interface FilmPlayerHandle {
  jump: (seconds: number) => void;
  pause: () => number;
}

interface Props {
  film: string;
  title: string;
  seconds: number;
  /** Its slides, in seconds. */
  slides: (Omit<ThreadSlide, 'stay'> & { end: number })[];
  remarks: Remark[];
  /** What lies over its picture at a moment, by its seconds and the picture's width over its height. */
  over?: (at: number, ratio: number) => ReactNode;
}

/** The finished film, with captions, over its thread; remarks stand on it as flags. */
export const FilmPlayer = forwardRef<FilmPlayerHandle, Props>(function FilmPlayer(
  { film, title, seconds, slides, remarks, over },
  ref,
) {
  const video = useRef<HTMLVideoElement>(null);
  const box = useRef<HTMLElement>(null);
  const tell = useTell();
  const [at, setAt] = useState(0);
  const [ratio, setRatio] = useState(16 / 9);
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
  const thread = slides.map((s) => ({
    ...s,
    start: s.start * FRAMES,
    stay: (s.end - s.start) * FRAMES,
    comesIn: s.comesIn * FRAMES,
  }));
  const play = async (film: HTMLVideoElement) => {
    // What could not be fetched before is asked for anew.
    if (film.error) film.load();
    try {
      await film.play();
    } catch (error) {
      if (error instanceof DOMException && error.name === 'AbortError') return; // Stopped before it began.
      tell(say('play.cannot'), { tone: 'trouble' });
    }
  };
  const toggle = () => {
    if (video.current?.paused) void play(video.current);
    else video.current?.pause();
  };
  return (
    <Box ref={box} aria-label={say('play.film', { title })} onKeyDown={spacePlays(toggle)}>
      <div className="screen">
        <video
          ref={video}
          src={`/api/films/${film}/film.mp4`}
          preload="metadata"
          playsInline
          onClick={toggle}
          onLoadedMetadata={({ currentTarget: { videoWidth, videoHeight } }) =>
            videoHeight > 0 && setRatio(videoWidth / videoHeight)
          }
          onTimeUpdate={(e) => setAt(e.currentTarget.currentTime)}
          onPlay={() => setPlaying(true)}
          onPause={() => setPlaying(false)}
          aria-label={title}
        >
          <track
            kind="captions"
            src={`/api/films/${film}/captions.vtt`}
            srcLang="en"
            label={say('play.captions')}
            default
          />
        </video>
        {over && <OverPicture ratio={ratio}>{over(at, ratio)}</OverPicture>}
      </div>
      {remarks.length > 0 && (
        <Flags>
          {remarks.map((remark) => (
            <Flag
              key={remark.id}
              style={{ left: `${(remark.seconds / Math.max(1, seconds)) * 100}%` }}
              onClick={() => jump(remark.seconds)}
              aria-label={say('play.remark', { time: clock(remark.seconds), remark: remark.text || say('spoken.is') })}
              title={remark.text || say('spoken.is')}
            />
          ))}
        </Flags>
      )}
      <Playbar
        frame={Math.round(at * FRAMES)}
        frames={Math.round(seconds * FRAMES)}
        fps={FRAMES}
        slides={thread}
        onSeek={(frame) => jump(frame / FRAMES)}
        playing={playing}
        onToggle={toggle}
        captions={captions}
        onCaptions={setCaptions}
        whole={box}
      />
    </Box>
  );
});
