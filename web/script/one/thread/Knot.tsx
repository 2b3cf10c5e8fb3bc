import { useRef, type ReactNode } from 'react';
import { useMove, type MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import type { Spoken } from '../../../api/types';
import { say } from '../../../messages/say';
import { momentAt, type Moment } from '../framing';

const Button = styled.button`
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
  span {
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
  &.on-top span {
    background: #f3d9a4;
    border-color: #f3d9a4;
  }
  &.on-light span {
    border-color: var(--indigo);
  }
  &.on-light.loose span {
    border-style: dashed;
  }
  &:focus-visible {
    outline: none;
    span {
      outline: 3px solid #fff;
      outline-offset: 2px;
    }
  }
  &.on-light:focus-visible span {
    outline-color: var(--indigo);
  }
`;
/** Pixels from a word within which it is tied to it. */
const REACH = 9;
/** Seconds of one press of an arrow; with Shift more. */
const STEP = 0.1;
const STRIDE = 1;

interface Props {
  name: string;
  className: string;
  spoken: Spoken;
  /** That the slide is seen, and at which of them it is. */
  seconds: number;
  second: number;
  /** As which word, where it is tied to one. */
  word: number | undefined;
  /** Of the strip, in pixels. */
  width: number;
  children: ReactNode;
  onTake?: () => void;
  onMove: (moment: Moment, isHeld: boolean) => void;
  onTakeAway: () => void;
}

/** Something that happens on a slide, on its thread: moved in time, tied to a word where it comes near one. */
export function Knot({
  name,
  className,
  spoken,
  seconds,
  second,
  word,
  width,
  children,
  onTake,
  onMove,
  onTakeAway,
}: Props) {
  /** Where it is held, which is not where it is tied. */
  const held = useRef<{ second: number; moment: Moment | null }>({ second, moment: null });
  const { moveProps } = useMove({
    onMoveStart: () => {
      held.current = { second, moment: null };
      onTake?.();
    },
    onMove: ({ deltaX, pointerType, shiftKey }: MoveMoveEvent) => {
      const byKeys = pointerType === 'keyboard';
      const by = byKeys ? deltaX * (shiftKey ? STRIDE : STEP) : (deltaX / Math.max(1, width)) * seconds;
      const now = Math.max(0, Math.min(seconds, held.current.second + by));
      const moment = momentAt(now, spoken, byKeys ? -1 : (REACH / Math.max(1, width)) * seconds);
      held.current = { second: now, moment };
      onMove(moment, true);
    },
    // A press that moves nothing changes nothing.
    onMoveEnd: () => held.current.moment && onMove(held.current.moment, false),
  });
  const tied = word === undefined ? undefined : spoken.words[Math.min(word, spoken.words.length - 1)];
  return (
    <Button
      type="button"
      role="slider"
      className={className}
      style={{ insetInlineStart: `${(100 * Math.max(0, Math.min(seconds, second))) / Math.max(0.1, seconds)}%` }}
      aria-label={name}
      aria-valuemin={0}
      aria-valuemax={Math.round(seconds * 10) / 10}
      aria-valuenow={Math.round(second * 10) / 10}
      aria-valuetext={
        tied ? say('stop.at-word', { seconds: second, word: tied.text }) : say('stop.at-second', { seconds: second })
      }
      {...moveProps}
      onFocus={onTake}
      onKeyDown={(event) => {
        if (event.key === 'Delete' || event.key === 'Backspace') {
          event.preventDefault();
          onTakeAway();
        } else moveProps.onKeyDown?.(event);
      }}
    >
      <span>{children}</span>
    </Button>
  );
}
