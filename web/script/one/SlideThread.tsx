import { useRef } from 'react';
import { useMove, type MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import type { Spoken } from '../../api/types';
import { say } from '../../messages/say';
import { useWidth } from '../../parts/useWidth';
import { inOrder, momentAt, secondOf, type Moment, type Stop } from './framing';
import type { FramingInHand } from './useFraming';

const Strip = styled.div`
  position: relative;
  height: 72px;
  margin-inline: 16px;
  color: #f5f3ee;
  .thread {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 34px;
    overflow: visible;
  }
  .word {
    position: absolute;
    font-size: 0.8125rem;
    line-height: 1.2;
    white-space: nowrap;
    pointer-events: none;
  }
  .word.reached {
    font-weight: 700;
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 3px;
  }
  button {
    position: absolute;
    top: -3px;
    width: 40px;
    height: 40px;
    translate: -50% 0;
    padding: 0;
    border: 0;
    background: none;
    cursor: ew-resize;
    touch-action: none;
    font: inherit;
    color: #171a21;
  }
  button span {
    position: absolute;
    inset: 7px;
    display: grid;
    place-items: center;
    border-radius: 50%;
    background: #fff;
    border: 3px solid #f5f3ee;
    font-size: 0.8125rem;
    font-weight: 700;
  }
  button.on-top span {
    background: #f3d9a4;
    border-color: #f3d9a4;
  }
  button:focus-visible {
    outline: none;
    span {
      outline: 3px solid #fff;
      outline-offset: 2px;
    }
  }
`;
/** Pixels from a word within which a stop is tied to it, and how wide a letter is, about. */
const REACH = 9;
const LETTER = 7.6;
/** Seconds of one press of an arrow; with Shift more. */
const STEP = 0.1;
const STRIDE = 1;

/** A slide's own length of thread from near: its words as they are said, and when the look is at its stops. */
export function SlideThread({ framing }: { framing: FramingInHand }) {
  const { stops, spoken, seconds } = framing;
  const strip = useRef<HTMLDivElement>(null);
  const width = useWidth(strip);
  const place = (second: number) => Math.max(0, Math.min(1, second / Math.max(0.1, seconds)));
  const reached = new Set(stops.map(({ word }) => word));
  const labels = labelled(spoken, place, width, reached);
  return (
    <Strip ref={strip} role="group" aria-label={say('stop.thread')}>
      <svg className="thread" viewBox="0 0 100 34" preserveAspectRatio="none" aria-hidden>
        <line
          x1="0"
          x2="100"
          y1="17"
          y2="17"
          stroke="#7d8492"
          strokeWidth={2}
          strokeDasharray="8 6"
          vectorEffect="non-scaling-stroke"
        />
        {spoken.words.map(({ at, to }, i) => (
          <line
            key={i}
            x1={100 * place(at)}
            x2={100 * place(Math.max(at, to - 0.04))}
            y1="17"
            y2="17"
            stroke={reached.has(i) ? '#f3d9a4' : '#aeb9ee'}
            strokeWidth={spoken.spoken ? 7 : 3}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      {labels.map(({ i, row }) => (
        <span
          key={i}
          aria-hidden
          className={reached.has(i) ? 'word reached' : 'word'}
          style={{ insetInlineStart: `${100 * place(spoken.words[i]?.at ?? 0)}%`, top: 36 + 17 * row }}
        >
          {spoken.words[i]?.text}
        </span>
      ))}
      {inOrder(stops, spoken).map((where, number) => {
        const stop = stops[where];
        if (!stop) return null;
        return <Knot key={where} framing={framing} place={where} stop={stop} number={number + 1} width={width} />;
      })}
    </Strip>
  );
}

/** The words for which there is room, in two rows; those that a stop is tied to before the others. */
function labelled(
  { words }: Spoken,
  place: (second: number) => number,
  width: number,
  first: ReadonlySet<number | undefined>,
): { i: number; row: number }[] {
  const rows: [from: number, to: number][][] = [[], []];
  const shown: { i: number; row: number }[] = [];
  const put = (i: number) => {
    const word = words[i];
    if (!word) return;
    const from = place(word.at) * width;
    const to = from + word.text.length * LETTER + 6;
    if (to > width + 16) return;
    const row = rows.findIndex((taken) => taken.every(([a, b]) => to <= a || from >= b));
    if (row === -1) return;
    rows[row]?.push([from, to]);
    shown.push({ i, row });
  };
  words.forEach((_, i) => first.has(i) && put(i));
  words.forEach((_, i) => !first.has(i) && put(i));
  return shown;
}

interface KnotProps {
  framing: FramingInHand;
  /** In the story's list. */
  place: number;
  stop: Stop;
  /** In the order of time, from 1 on. */
  number: number;
  width: number;
}

/** A stop on the thread: moved in time, tied to a word where it comes near one. */
function Knot({ framing, place, stop, number, width }: KnotProps) {
  const { spoken, seconds } = framing;
  const second = secondOf(stop, spoken);
  /** Where it is held, which is not where it is tied. */
  const held = useRef({ second, moment: {} as Moment });
  const { moveProps } = useMove({
    onMoveStart: () => {
      held.current = { second, moment: { word: stop.word, at: stop.at } };
      framing.take(place);
    },
    onMove: ({ deltaX, pointerType, shiftKey }: MoveMoveEvent) => {
      const byKeys = pointerType === 'keyboard';
      const by = byKeys ? deltaX * (shiftKey ? STRIDE : STEP) : (deltaX / Math.max(1, width)) * seconds;
      const now = Math.max(0, Math.min(seconds, held.current.second + by));
      const moment = momentAt(now, spoken, byKeys ? -1 : (REACH / Math.max(1, width)) * seconds);
      held.current = { second: now, moment };
      framing.time(place, moment, true);
    },
    onMoveEnd: () => framing.time(place, held.current.moment, false),
  });
  const word = stop.word === undefined ? undefined : spoken.words[Math.min(stop.word, spoken.words.length - 1)];
  return (
    <button
      type="button"
      role="slider"
      className={framing.onTop === place ? 'on-top' : ''}
      style={{ insetInlineStart: `${(100 * Math.max(0, Math.min(seconds, second))) / Math.max(0.1, seconds)}%` }}
      aria-label={say('stop.name', { stop: number })}
      aria-valuemin={0}
      aria-valuemax={Math.round(seconds * 10) / 10}
      aria-valuenow={Math.round(second * 10) / 10}
      aria-valuetext={
        word ? say('stop.at-word', { seconds: second, word: word.text }) : say('stop.at-second', { seconds: second })
      }
      {...moveProps}
      onFocus={() => framing.take(place)}
      onKeyDown={(event) => {
        if (event.key === 'Delete' || event.key === 'Backspace') {
          event.preventDefault();
          framing.takeAway(place);
        } else moveProps.onKeyDown?.(event);
      }}
    >
      <span>{number}</span>
    </button>
  );
}
