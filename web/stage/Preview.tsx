import { forwardRef, useCallback, useEffect, useImperativeHandle, useRef, useState } from 'react';
import styled from 'styled-components';
import type { Plan } from '../api/types';
import { Playbar, spacePlays } from '../parts/Playbar';
import { sceneAt, threadOf } from './plan';
import { Stage } from './Stage';
import { Sounds } from './sounds';
import { say } from '../messages/say';

const Box = styled.figure<{ $dark: boolean }>`
  display: grid;
  gap: 4px;
  min-width: 0;
  &:fullscreen {
    background: #000;
    align-content: center;
    padding: 0 16px 8px;
    color: #fff;
  }
  &:fullscreen .screen {
    max-height: calc(100vh - 90px);
    margin: 0 auto;
    width: min(100%, calc((100vh - 90px) * var(--ratio)));
  }
  .screen {
    position: relative;
    aspect-ratio: var(--ratio);
    background: #000;
    overflow: hidden;
    border-radius: 4px;
    width: 100%;
    outline: 1px solid var(--line);
  }
  .stage {
    position: absolute;
    inset: 0;
  }
  .cue {
    position: absolute;
    left: 8%;
    right: 8%;
    bottom: 6%;
    text-align: center;
    z-index: 3;
    pointer-events: none;
  }
  .cue.high {
    top: 6%;
    bottom: auto;
  }
  .cue span {
    background: rgb(0 0 0 / 0.82);
    color: #fff;
    padding: 2px 10px;
    white-space: pre-line;
    box-decoration-break: clone;
    -webkit-box-decoration-break: clone;
    font-size: clamp(12px, 1.1vw, 22px);
  }
`;
const Empty = styled.p`
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  color: #d9dce3;
  text-align: center;
  padding: 24px;
`;

export interface PreviewHandle {
  /** Plays from a frame to another (or to the end). */
  play: (from: number, to?: number) => void;
  /** Shows a frame without playing. */
  show: (frame: number) => void;
  /** The frame that is shown now. */
  frame: () => number;
  pause: () => void;
}

interface Props {
  story: string;
  plan: Plan;
  dark?: boolean;
  /** Hears which slide is shown, and whether it plays. */
  onSlide?: (id: string) => void;
  onEnd?: () => void;
  bare?: boolean;
  /** What lies over the stage while it does not play, at a frame. */
  over?: (frame: number) => React.ReactNode;
  /** A layer that is not shown, since it is in somebody's hand. */
  hidden?: string;
}

/** Performs the plan in the page, at any moment, without waiting. */
export const Preview = forwardRef<PreviewHandle, Props>(function Preview(
  { story, plan, dark = false, onSlide, onEnd, bare = false, over, hidden },
  ref,
) {
  const root = useRef<HTMLDivElement>(null);
  const box = useRef<HTMLElement>(null);
  const stage = useRef<Stage | null>(null);
  const sounds = useRef<Sounds | null>(null);
  const [frame, setFrame] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [captions, setCaptions] = useState(false);
  const run = useRef<{ begun: number; from: number; to: number | undefined } | null>(null);
  const now = useRef({ plan, onSlide, onEnd, hidden, frame: 0, slide: '' });
  now.current.hidden = hidden;
  now.current.plan = plan;
  now.current.onSlide = onSlide;
  now.current.onEnd = onEnd;

  const put = useCallback((next: number) => {
    const { plan: current } = now.current;
    const whole = Math.max(0, Math.min(current.frames - 1, Math.floor(next)));
    now.current.frame = whole;
    const { hidden: held } = now.current;
    stage.current?.show(current, Math.max(0, Math.min(current.frames - 1, next)), run.current !== null, held);
    setFrame(whole);
    const slide = current.scenes[sceneAt(current, whole)]?.id ?? '';
    if (slide !== now.current.slide) {
      now.current.slide = slide;
      if (run.current) now.current.onSlide?.(slide);
    }
  }, []);

  const pause = useCallback(() => {
    run.current = null;
    sounds.current?.stop();
    setPlaying(false);
    put(now.current.frame);
  }, [put]);

  const play = useCallback(
    (from: number, to?: number) => {
      const { plan: current } = now.current;
      if (current.frames === 0) return;
      sounds.current ??= new Sounds(story);
      const context = sounds.current.clock();
      const start = from >= current.frames - 1 ? 0 : from;
      const begun = context.currentTime + 0.06;
      run.current = { begun, from: start, to };
      sounds.current.play(current, start / current.fps, begun);
      setPlaying(true);
      const step = () => {
        const going = run.current;
        if (!going || going.begun !== begun) return;
        const { fps, frames } = now.current.plan;
        const next = going.from + Math.max(0, context.currentTime - going.begun) * fps;
        const end = Math.min(going.to ?? frames, frames);
        if (next >= end) {
          put(end - 1);
          pause();
          now.current.onEnd?.();
          return;
        }
        put(next);
        requestAnimationFrame(step);
      };
      requestAnimationFrame(step);
    },
    [pause, put, story],
  );

  useEffect(() => {
    if (!root.current) return undefined;
    const made = new Stage(root.current, story);
    stage.current = made;
    return () => {
      made.destroy();
      stage.current = null;
    };
  }, [story]);
  useEffect(() => () => sounds.current?.stop(), []);
  // The plan changed: what is shown follows at once; what is heard begins anew from here.
  useEffect(() => {
    put(Math.min(now.current.frame, plan.frames - 1));
    if (run.current) play(now.current.frame, run.current.to);
  }, [plan, put, play]);

  useEffect(() => {
    if (!run.current) put(now.current.frame);
  }, [hidden, put]);

  useImperativeHandle(
    ref,
    () => ({
      play,
      pause,
      frame: () => now.current.frame,
      show: (next) => {
        pause();
        put(next);
      },
    }),
    [play, pause, put],
  );

  const toggle = useCallback(() => (run.current ? pause() : play(now.current.frame)), [pause, play]);
  const pressed = useRef(false);
  const seconds = frame / plan.fps;
  const cue = captions ? plan.cues.find((c) => seconds >= c.start && seconds < c.end) : undefined;
  return (
    <Box
      ref={box}
      $dark={dark}
      style={{ '--ratio': plan.width / plan.height } as React.CSSProperties}
      aria-label={say('play.preview')}
      onKeyDown={spacePlays(toggle)}
    >
      <div
        className="screen"
        onPointerDown={() => {
          pressed.current = true;
        }}
        onClick={() => {
          // What was begun on something over the stage may end on it.
          if (pressed.current) toggle();
          pressed.current = false;
        }}
      >
        <div className="stage" ref={root} data-frame={frame} />
        {!playing && over?.(frame)}
        {plan.frames === 0 && <Empty>{say('play.empty')}</Empty>}
        {cue && (
          <div className={cue.high ? 'cue high' : 'cue'}>
            <span>{cue.text}</span>
          </div>
        )}
      </div>
      {!bare && (
        <Playbar
          frame={frame}
          frames={plan.frames}
          fps={plan.fps}
          slides={threadOf(plan)}
          onSeek={(to) => {
            pause();
            put(to);
          }}
          playing={playing}
          onToggle={toggle}
          captions={captions}
          onCaptions={setCaptions}
          whole={box}
          dark={dark}
        />
      )}
    </Box>
  );
});
