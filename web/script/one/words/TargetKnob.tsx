import { useRef } from 'react';
import type { MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import type { Edit, PlannedPointer } from '../../../api/types';
import type { Box } from '../../../parts/boxes';
import { wayOver } from '../../../parts/byHand';
import { Held } from '../../../parts/Held';
import { useInHand } from '../../../story/useInHand';

const Knob = styled.div`
  position: absolute;
  z-index: 3;
  button {
    pointer-events: auto;
    position: absolute;
    width: 40px;
    height: 40px;
    translate: -50% -50%;
    padding: 0;
    border: 0;
    background: none;
    cursor: move;
    touch-action: none;
    &::before {
      content: '';
      position: absolute;
      inset: 9px;
      border: 3px solid #fff;
      border-radius: 50%;
      box-shadow: 0 0 0 3px var(--indigo);
    }
  }
`;
const within = (share: number) => Math.round(10_000 * Math.max(0, Math.min(1, share))) / 10_000;
type Point = PlannedPointer['target'];

interface Props {
  name: string;
  target: Point;
  /** What is seen of the picture now. */
  frame: Box;
  /** What its picture takes of the slide. */
  box: Box;
  onHeld: (isHeld: boolean) => void;
  /** What is asked of the server where it is put. */
  editOf: (target: Point) => Edit;
}

/** The point that a label names: moved over the picture. */
export function TargetKnob({ name, target, frame, box, onHeld, editOf }: Props) {
  const ground = useRef<HTMLDivElement>(null);
  const { value: shown, show, set } = useInHand(target, (changes) => editOf({ ...target, ...changes }));
  const latest = useRef(shown);
  return (
    <Knob
      ref={ground}
      style={{
        left: `${100 * (box.x + (box.width * (shown.x - frame.x)) / frame.width)}%`,
        top: `${100 * (box.y + (box.height * (shown.y - frame.y)) / frame.height)}%`,
      }}
    >
      <Held
        className="target"
        name={name}
        moves={{
          onMoveStart: () => {
            latest.current = shown;
            onHeld(true);
          },
          onMove: (event: MoveMoveEvent) => {
            const [dx, dy] = wayOver(ground.current?.parentElement, event);
            const now = latest.current;
            latest.current = {
              x: within(now.x + (dx * frame.width) / box.width),
              y: within(now.y + (dy * frame.height) / box.height),
            };
            show(latest.current);
          },
          onMoveEnd: () => {
            set(latest.current);
            onHeld(false);
          },
        }}
      />
    </Knob>
  );
}
