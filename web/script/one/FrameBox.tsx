import { useRef, type KeyboardEvent } from 'react';
import type { MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import { say, type Code } from '../../messages/say';
import { moved, placed, scaled, sized, type Box, type Hold } from '../../parts/boxes';
import { wayOver } from '../../parts/byHand';
import { Held } from '../../parts/Held';

const Ground = styled.div`
  position: absolute;
  inset: 0;
  pointer-events: none;
  overflow: clip;
  overflow-clip-margin: 14px;
  touch-action: none;
`;
const Kept = styled.div`
  position: absolute;
  outline: 2px solid #fff;
  &.crop {
    box-shadow: 0 0 0 9999px rgb(23 26 33 / 0.6);
  }
  &.opens {
    outline: 3px solid #fff;
    box-shadow: 0 0 0 5px var(--indigo);
  }
  &.closes {
    outline: 3px dashed #fff;
    box-shadow: 0 0 0 5px var(--ochre);
  }
  .tag {
    position: absolute;
    top: 6px;
    inset-inline-start: 6px;
    padding: 2px 8px;
    border-radius: 4px;
    background: var(--indigo);
    color: #fff;
    font-size: 0.875rem;
    pointer-events: none;
  }
  &.stop {
    outline: 3px dotted #fff;
    box-shadow: 0 0 0 5px #3c3f46;
  }
  &.stop .tag {
    background: #3c3f46;
    top: 50%;
    translate: 0 -50%;
  }
  &.eye {
    outline: 2px solid #fff;
    border-radius: 50%;
    box-shadow: 0 0 0 3px var(--madder);
  }
  &.eye.top {
    box-shadow: 0 0 0 4px var(--ochre);
  }
  &.closes .tag {
    background: var(--ochre);
    top: auto;
    bottom: 6px;
  }
  button {
    pointer-events: auto;
    position: absolute;
    padding: 0;
    border: 0;
    background: none;
    touch-action: none;
  }
  .all {
    inset: 0;
    cursor: move;
  }
  &.crop .all {
    /* The thirds help to place what matters. */
    background:
      linear-gradient(
        90deg,
        transparent calc(33.3% - 1px),
        rgb(255 255 255 / 0.5) 33.3%,
        transparent calc(33.3% + 1px)
      ),
      linear-gradient(
        90deg,
        transparent calc(66.6% - 1px),
        rgb(255 255 255 / 0.5) 66.6%,
        transparent calc(66.6% + 1px)
      ),
      linear-gradient(transparent calc(33.3% - 1px), rgb(255 255 255 / 0.5) 33.3%, transparent calc(33.3% + 1px)),
      linear-gradient(transparent calc(66.6% - 1px), rgb(255 255 255 / 0.5) 66.6%, transparent calc(66.6% + 1px));
  }
  .hold {
    width: 40px;
    height: 40px;
    translate: -50% -50%;
    &::before {
      content: '';
      position: absolute;
      inset: 11px;
      background: #fff;
      border: 2px solid var(--indigo);
      border-radius: 3px;
    }
  }
  button:focus-visible {
    outline: 3px solid var(--indigo);
    outline-offset: -2px;
  }
`;

interface Handle {
  hold: Hold;
  hand: Code;
  left: number;
  top: number;
  cursor: string;
}
const corners: Handle[] = [
  { hold: 'wn', hand: 'crop.top-left', left: 0, top: 0, cursor: 'nwse-resize' },
  { hold: 'en', hand: 'crop.top-right', left: 100, top: 0, cursor: 'nesw-resize' },
  { hold: 'ws', hand: 'crop.bottom-left', left: 0, top: 100, cursor: 'nesw-resize' },
  { hold: 'es', hand: 'crop.bottom-right', left: 100, top: 100, cursor: 'nwse-resize' },
];
const edges: Handle[] = [
  { hold: 'n', hand: 'crop.top', left: 50, top: 0, cursor: 'ns-resize' },
  { hold: 'w', hand: 'crop.left', left: 0, top: 50, cursor: 'ew-resize' },
  { hold: 'e', hand: 'crop.right', left: 100, top: 50, cursor: 'ew-resize' },
  { hold: 's', hand: 'crop.bottom', left: 50, top: 100, cursor: 'ns-resize' },
];
const GROWS = 1.05;

interface Props {
  /** What it is for, and so how it looks. */
  as: 'crop' | 'opens' | 'closes' | 'stop' | 'eye';
  name: string;
  box: Box;
  /** It lies over another, whose hands are put away. */
  isOnTop?: boolean;
  /** It was taken hold of, or come to by keys. */
  onTaken?: () => void;
  /** The share of the width over the share of the height that it keeps, where it keeps one. */
  ratio: number | null;
  /** The share of a side that it takes at least. */
  least?: number;
  /** It is taken away by a key. */
  onTakenAway?: () => void;
  onChange: (box: Box) => void;
  /** It was let go of. */
  onEnd: (box: Box) => void;
}

/** A part of a picture: moved and sized by mouse, finger and keys. */
export function FrameBox({
  as,
  name,
  box,
  isOnTop = true,
  onTaken,
  ratio,
  least,
  onTakenAway,
  onChange,
  onEnd,
}: Props) {
  const ground = useRef<HTMLDivElement>(null);
  const latest = useRef(box);
  latest.current = box;
  /** Where it began, and how far it was moved since: it can be pulled beyond an edge and back. */
  const begun = useRef({ box, x: 0, y: 0 });
  const change = (next: Box) => {
    latest.current = next;
    onChange(next);
  };
  const moves = (as: (from: Box, dx: number, dy: number) => Box) => ({
    onMoveStart: () => {
      onTaken?.();
      begun.current = { box: latest.current, x: 0, y: 0 };
    },
    onMove: (event: MoveMoveEvent) => {
      const [dx, dy] = wayOver(ground.current, event);
      begun.current.x += dx;
      begun.current.y += dy;
      change(as(begun.current.box, begun.current.x, begun.current.y));
    },
    onMoveEnd: () => onEnd(latest.current),
  });
  const grow = (event: KeyboardEvent) => {
    if (onTakenAway && (event.key === 'Delete' || event.key === 'Backspace')) {
      event.preventDefault();
      onTakenAway();
      return;
    }
    const by = { '+': GROWS, '=': GROWS, '-': 1 / GROWS }[event.key];
    if (by === undefined || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    change(scaled(latest.current, by, least));
    onEnd(latest.current);
  };
  const shown = ratio === null ? [...edges, ...corners] : corners;
  // An eye is smaller than the hands would be.
  const hands = isOnTop && as !== 'eye' ? shown : [];
  return (
    <Ground ref={ground} style={{ zIndex: isOnTop ? 1 : 0 }} onFocus={onTaken} onPointerDown={onTaken}>
      <Kept className={isOnTop ? `${as} top` : as} style={placed(box)}>
        {as !== 'crop' && as !== 'eye' && <span className="tag">{name}</span>}
        <Held className="all" name={name} moves={moves(moved)} onKeyDown={grow} />
        {hands.map(({ hold, hand, left, top, cursor }) => (
          <Held
            key={hold}
            className="hold"
            name={as === 'crop' ? say(hand) : say('frame.hand', { frame: name, hand: say(hand) })}
            style={{ left: `${left}%`, top: `${top}%`, cursor }}
            moves={moves((from, dx, dy) => sized(from, hold, dx, dy, ratio))}
          />
        ))}
      </Kept>
    </Ground>
  );
}
