import { useRef, useState } from 'react';
import styled from 'styled-components';

/** What is marked of the voice as it is heard, in samples from its beginning. */
export interface Mark {
  from: number;
  to: number;
}

const Wave = styled.div`
  position: relative;
  height: 56px;
  background: #1f242e;
  border-radius: 4px;
  touch-action: pan-y;
  cursor: crosshair;
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  path {
    stroke: #aeb9ee;
    stroke-width: 1.4;
    vector-effect: non-scaling-stroke;
  }
  .pause {
    position: absolute;
    inset-block: calc(50% - 1px);
    height: 2px;
    background: #6f788c;
  }
  .twice {
    position: absolute;
    inset-block: 0;
    border-block: 3px solid #d9a441;
    background: rgb(217 164 65 / 0.16);
  }
  .marked {
    position: absolute;
    inset-block: 0;
    background: rgb(174 185 238 / 0.28);
    border-inline: 2px solid #f1eee6;
  }
`;

interface Props {
  peaks: number[];
  samples: number;
  pauses: number[][];
  /** What may have been said and then again. */
  repeats: number[][];
  mark: Mark | null;
  onMark: (mark: Mark) => void;
  /** It was pressed, not drawn along. */
  onPoint: (place: number) => void;
}

/** Pixels that a finger may move while it presses. */
const PRESS = 6;
/** A place, or a length, as a share of the whole. */
export const shareOf = (place: number, samples: number) => `${(100 * place) / Math.max(1, samples)}%`;

/** What is heard, drawn. Drawing along it marks a stretch; its pauses are bare thread. */
export function Waveform({ peaks, samples, pauses, repeats, mark, onMark, onPoint }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const begun = useRef<number | null>(null);
  const [drawn, setDrawn] = useState<Mark | null>(null);
  const placeOf = (x: number) => {
    const { left, width } = box.current?.getBoundingClientRect() ?? { left: 0, width: 1 };
    return Math.round(Math.max(0, Math.min(1, (x - left) / width)) * samples);
  };
  const stretch = (x: number): Mark | null =>
    begun.current === null || Math.abs(x - begun.current) < PRESS
      ? null
      : { from: placeOf(Math.min(x, begun.current)), to: placeOf(Math.max(x, begun.current)) };
  const marked = drawn ?? mark;
  return (
    <Wave
      ref={box}
      dir="ltr"
      aria-hidden
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        begun.current = event.clientX;
      }}
      onPointerMove={(event) => setDrawn(stretch(event.clientX))}
      onPointerUp={(event) => {
        const made = stretch(event.clientX);
        if (made) onMark(made);
        else if (begun.current !== null) onPoint(placeOf(event.clientX));
        begun.current = null;
        setDrawn(null);
      }}
      onPointerCancel={() => {
        begun.current = null;
        setDrawn(null);
      }}
    >
      {pauses.map(([from = 0, to = 0]) => (
        <div
          key={from}
          className="pause"
          style={{ left: shareOf(from, samples), width: shareOf(to - from, samples) }}
        />
      ))}
      {repeats.map(([from = 0, to = 0]) => (
        <div
          key={from}
          className="twice"
          style={{ left: shareOf(from, samples), width: shareOf(to - from, samples) }}
        />
      ))}
      <svg viewBox={`0 0 ${peaks.length} 100`} preserveAspectRatio="none">
        <path
          d={peaks
            .map((peak, i) =>
              peak > 0.004 ? `M${i + 0.5} ${50 - 46 * Math.sqrt(peak)}V${50 + 46 * Math.sqrt(peak)}` : '',
            )
            .join('')}
        />
      </svg>
      {marked && (
        <div
          className="marked"
          style={{ left: shareOf(marked.from, samples), width: shareOf(marked.to - marked.from, samples) }}
        />
      )}
    </Wave>
  );
}
