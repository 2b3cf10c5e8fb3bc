import { useRef } from 'react';
import { useMove, type MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import { say, type Code } from '../../../messages/say';
import { useWidth } from '../../../parts/useWidth';
import { FPS } from '../../../stage/ClipVideo';
import type { PlannedClip } from '../../../stage/layers/clip';
import { StripFrame } from '../../../stage/layers/StripFrame';
import type { PartInHand } from './usePart';

const HIGH = 56;
const Strip = styled.div`
  position: relative;
  height: 84px;
  margin-inline: 24px;
  .frames {
    position: absolute;
    inset: 0 0 auto;
    height: ${HIGH}px;
    display: flex;
    overflow: hidden;
    border-radius: 4px;
    cursor: pointer;
    touch-action: none;
  }
  .frames > span {
    position: relative;
    flex: 1 0 0;
    overflow: hidden;
  }
  .left-out {
    position: absolute;
    top: 0;
    height: ${HIGH}px;
    background: rgb(23 26 33 / 0.72);
    pointer-events: none;
  }
  button {
    position: absolute;
    top: -4px;
    width: 40px;
    height: ${HIGH + 8}px;
    translate: -50% 0;
    padding: 0;
    border: 0;
    background: none;
    cursor: ew-resize;
    touch-action: none;
  }
  button::before {
    content: '';
    position: absolute;
    inset-block: 0;
    inset-inline: 15px;
    border-radius: 5px;
    background: #fff;
    border: 2px solid #171a21;
  }
  button.here {
    top: ${HIGH - 4}px;
    height: 32px;
  }
  button.here::before {
    inset: 4px 12px;
    border-radius: 50% 50% 8px 8px;
    background: #f3d9a4;
  }
  .now {
    position: absolute;
    top: -2px;
    height: ${HIGH + 4}px;
    width: 2px;
    translate: -50% 0;
    background: #f3d9a4;
    outline: 1px solid #171a21;
    pointer-events: none;
  }
  button:focus-visible {
    outline: none;
  }
  button:focus-visible::before {
    outline: 3px solid #aeb9ee;
    outline-offset: 1px;
  }
`;
/** Frames of one press of an arrow with Shift; without it is one. */
const STRIDE = FPS;

interface Props {
  story: string;
  asset: string;
  clip: PlannedClip;
  /** Width over height of the clip. */
  ratio: number;
  held: PartInHand;
  /** The frame that is looked at. */
  here: number;
  onHere: (frame: number) => void;
}

/** All of a clip, laid out in small frames: where the slide begins and ends in it, and what is looked at. */
export function ClipStrip({ story, asset, clip, ratio, held, here, onHere }: Props) {
  const strip = useRef<HTMLDivElement>(null);
  const width = useWidth(strip);
  const { frames } = clip;
  const { part, show, set } = held;
  const cells = Math.max(1, Math.round(width / (HIGH * ratio)));
  const share = (frame: number) => `${(100 * frame) / frames}%`;
  const look = (clientX: number) => {
    const box = strip.current?.getBoundingClientRect();
    if (!box) return;
    onHere(Math.max(0, Math.min(frames - 1, Math.floor(((clientX - box.left) / box.width) * frames))));
  };
  return (
    // Time goes as the clip's own time goes, whatever way words are read.
    <Strip ref={strip} role="group" aria-label={say('clip.strip')} dir="ltr">
      <div
        className="frames"
        onPointerDown={({ clientX, currentTarget, pointerId }) => {
          currentTarget.setPointerCapture(pointerId);
          look(clientX);
        }}
        onPointerMove={({ clientX, buttons }) => buttons > 0 && look(clientX)}
      >
        {Array.from({ length: cells }, (_, i) => (
          <span key={i}>
            <StripFrame story={story} asset={asset} clip={clip} frame={((i + 0.5) / cells) * frames} />
          </span>
        ))}
      </div>
      <span className="left-out" style={{ left: 0, width: share(part.from) }} />
      <span className="left-out" style={{ left: share(part.to), right: 0 }} />
      <span className="now" style={{ left: share(here + 0.5) }} />
      <Hand
        name="clip.begins"
        at={part.from}
        most={part.to - 1}
        frames={frames}
        width={width}
        onMove={(from, isHeld) => {
          (isHeld ? show : set)({ from });
          onHere(Math.min(from, part.to - 1));
        }}
      />
      <Hand
        name="clip.ends"
        at={part.to}
        least={part.from + 1}
        most={frames}
        frames={frames}
        width={width}
        onMove={(to, isHeld) => {
          (isHeld ? show : set)({ to });
          onHere(Math.max(to, part.from + 1) - 1);
        }}
      />
      <Hand name="clip.here" at={here} most={frames - 1} frames={frames} width={width} onMove={onHere} />
    </Strip>
  );
}

interface HandProps {
  name: Code;
  /** A frame, and between which it may be. */
  at: number;
  least?: number;
  most: number;
  frames: number;
  width: number;
  onMove: (frame: number, isHeld: boolean) => void;
}

/** A place in the clip that is moved by mouse, finger and keys, frame by frame. */
function Hand({ name, at, least = 0, most, frames, width, onMove }: HandProps) {
  /** Where it is held, which may lie beyond where it can be. */
  const held = useRef(at);
  const within = (frame: number) => Math.max(least, Math.min(most, Math.round(frame)));
  const { moveProps } = useMove({
    onMoveStart: () => {
      held.current = at;
    },
    onMove: ({ deltaX, pointerType, shiftKey }: MoveMoveEvent) => {
      const byKeys = pointerType === 'keyboard';
      held.current += byKeys ? Math.sign(deltaX) * (shiftKey ? STRIDE : 1) : (deltaX / Math.max(1, width)) * frames;
      if (byKeys) held.current = within(held.current);
      onMove(within(held.current), true);
    },
    onMoveEnd: () => onMove(within(held.current), false),
  });
  const isHere = name === 'clip.here';
  return (
    <button
      type="button"
      role="slider"
      className={isHere ? 'here' : ''}
      style={{ left: `${(100 * (isHere ? at + 0.5 : at)) / frames}%` }}
      aria-label={say(name)}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={at}
      aria-valuetext={say('clip.at', { seconds: at / FPS, frame: at })}
      {...moveProps}
      onKeyDown={(event) => {
        const to = { Home: least, End: most }[event.key];
        if (to === undefined) return void moveProps.onKeyDown?.(event);
        event.preventDefault();
        onMove(to, false);
      }}
    />
  );
}
