import { useRef } from 'react';
import styled from 'styled-components';
import type { Plan } from '../../api/types';
import { around, drawingOf } from '../../stage/pointers';
import type { usePointing } from './usePointing';

const Over = styled.div`
  position: absolute;
  inset: 0;
  z-index: 4;
  overflow: hidden;
  touch-action: none;
  cursor: none;
  border-radius: 4px;
  img {
    position: absolute;
    pointer-events: none;
  }
`;

/** Pixels and milliseconds from which on a press is no tap. */
const FAR = 12;
const LONG = 400;

interface Props {
  plan: Plan;
  pointing: ReturnType<typeof usePointing>;
  /** A tap on the picture. */
  onTap: () => void;
  /** Whether that does something, so that it does not point as well. */
  takesTaps: boolean;
}

/** Lies over the picture while one points: where a mouse, a finger or a pen is, is where the pointer is. */
export function Ground({ plan, pointing, onTap, takesTaps }: Props) {
  const pressed = useRef<{ x: number; y: number; at: number } | null>(null);
  const { shown } = pointing;
  if (!shown) return null;
  const at = (event: React.PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  const isTap = ({ clientX, clientY, timeStamp }: React.PointerEvent) =>
    pressed.current !== null &&
    Math.hypot(clientX - pressed.current.x, clientY - pressed.current.y) < FAR &&
    timeStamp - pressed.current.at < LONG;
  const pointer = plan.pointers[shown.form];
  return (
    <Over
      aria-hidden
      data-pointer={shown.form}
      onPointerDown={(event) => {
        pressed.current = { x: event.clientX, y: event.clientY, at: event.timeStamp };
        pointing.put(at(event));
      }}
      onPointerMove={(event) => pointing.put(at(event))}
      onPointerUp={(event) => {
        const tapped = isTap(event);
        pressed.current = null;
        if (event.pointerType !== 'mouse') {
          if (tapped && takesTaps) pointing.takeBack();
          pointing.lift();
        }
        if (tapped) onTap();
      }}
      onPointerLeave={() => pointing.lift()}
      onPointerCancel={() => pointing.lift()}
    >
      {shown.place && <img src={drawingOf(pointer)} alt="" style={around(pointer, shown.place)} />}
    </Over>
  );
}
