import { useRef } from 'react';
import type { MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import type { Mark } from '../../../api/types';
import { say } from '../../../messages/say';
import { percent } from '../../../parts/boxes';
import { wayOver } from '../../../parts/byHand';
import { Held } from '../../../parts/Held';
import { drawn, moved, stretched } from './mark';
import { MarkDrawn } from './MarkDrawn';

const Ground = styled.div`
  position: absolute;
  inset: 0;
  pointer-events: auto;
  touch-action: none;
  user-select: none;
  cursor: crosshair;
  outline: 2px dashed #d63a2f;
  outline-offset: -2px;
  button {
    position: absolute;
    width: 40px;
    height: 40px;
    padding: 0;
    border: 0;
    background: none;
    translate: -50% -50%;
    touch-action: none;
    cursor: move;
  }
  button::before {
    content: '';
    position: absolute;
    inset: 11px;
    border-radius: 50%;
    /* What it lies on is seen through it. */
    background: rgb(255 255 255 / 0.45);
    border: 2px solid #fff;
    box-shadow: 0 0 0 2px var(--indigo);
  }
  button:focus-visible {
    outline: 3px solid #fff;
    box-shadow: 0 0 0 6px var(--indigo);
  }
`;

interface Props {
  mark: Mark;
  ratio: number;
  onChange: (mark: Mark) => void;
}

/** A ring or an arrow as it is drawn over the film: by mouse or finger, or by two handles and keys. */
export function MarkInHand({ mark, ratio, onChange }: Props) {
  const ground = useRef<HTMLDivElement>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  /** Of two moves before the next drawing the second goes on from the first. */
  const now = useRef(mark);
  now.current = mark;
  const change = (next: Mark) => {
    now.current = next;
    onChange(next);
  };
  const at = (event: React.PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (of: number) => Math.max(0, Math.min(1, of));
    return { x: share((event.clientX - box.left) / box.width), y: share((event.clientY - box.top) / box.height) };
  };
  const by = (how: typeof moved) => ({
    onMove: (event: MoveMoveEvent) => change(how(now.current, ...wayOver(ground.current, event))),
  });
  const isRing = mark.form === 'ring';
  const whole = isRing ? { x: (mark.x + mark.toX) / 2, y: (mark.y + mark.toY) / 2 } : mark;
  return (
    <Ground
      ref={ground}
      data-testid="mark-ground"
      // Else the browser selects what stands about the film, and at the next pull drags that.
      onMouseDown={(event) => event.target === event.currentTarget && event.preventDefault()}
      onPointerDown={(event) => {
        if (event.target !== event.currentTarget || !event.isPrimary || event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = at(event);
      }}
      onPointerMove={(event) => from.current && change(drawn(mark.form, from.current, at(event)))}
      onPointerUp={(event) => {
        if (from.current) change(drawn(mark.form, from.current, at(event)));
        from.current = null;
      }}
      onPointerCancel={() => (from.current = null)}
    >
      <div style={{ pointerEvents: 'none' }}>
        <MarkDrawn mark={mark} ratio={ratio} />
      </div>
      <Held
        name={say(isRing ? 'mark.ring-place' : 'mark.arrow-place')}
        about={say('mark.keys')}
        className="place"
        style={{ left: percent(whole.x), top: percent(whole.y) }}
        moves={by(moved)}
      />
      <Held
        name={say(isRing ? 'mark.ring-size' : 'mark.arrow-tip')}
        about={say('mark.keys')}
        className="to"
        style={{ left: percent(mark.toX), top: percent(mark.toY) }}
        moves={by(stretched)}
      />
    </Ground>
  );
}
