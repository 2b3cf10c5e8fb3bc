import { useRef, useState } from 'react';
import type { MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import type { Layer, Slide } from '../../api/types';
import { say } from '../../messages/say';
import { placed, type Box } from '../../parts/boxes';
import { Held } from '../../parts/Held';
import { useActs, useView } from '../../story/StoryContext';
import { inCell } from '../../story/slides';
import { calledIn } from './called';

const Over = styled.div`
  position: absolute;
  inset: 0;
  z-index: 4;
  pointer-events: none;
  touch-action: none;
  > * {
    position: absolute;
  }
  button {
    pointer-events: auto;
    position: absolute;
    inset: 0;
    padding: 0;
    border: 0;
    background: none;
    cursor: grab;
    touch-action: none;
  }
  button:hover,
  .held button,
  button:focus-visible {
    outline: 3px solid #fff;
    outline-offset: -3px;
    box-shadow: 0 0 0 3px var(--indigo);
  }
  .held {
    z-index: 1;
    cursor: grabbing;
  }
  .held button {
    background: rgb(47 63 127 / 0.35);
  }
  .goal {
    background: rgb(47 63 127 / 0.45);
    outline: 3px dashed #fff;
    outline-offset: -6px;
  }
  .bare {
    position: absolute;
    inset: 0;
    display: grid;
    place-items: center;
    margin: 0;
    border: 2px dashed var(--line);
    color: var(--ink);
    background: rgb(251 248 241 / 0.82);
  }
  .empty {
    display: grid;
    place-items: center;
    border: 2px dashed var(--line);
    border-radius: 6px;
    background: rgb(251 248 241 / 0.82);
    color: var(--ink);
    font-size: 0.9375rem;
    text-align: center;
    padding: 4px;
  }
`;
const middle = ({ x, y, width, height }: Box): [number, number] => [x + width / 2, y + height / 2];

/** The cell whose middle lies nearest to a point. */
function nearest(cells: Box[], [x, y]: [number, number]): number {
  const away = cells.map((cell) => Math.hypot(middle(cell)[0] - x, middle(cell)[1] - y));
  return away.indexOf(Math.min(...away));
}

/** The next cell in a direction, or the same. */
function beside(cells: Box[], from: number, dx: number, dy: number): number {
  const here = cells[from];
  if (!here) return from;
  const [x, y] = middle(here);
  const ahead = cells
    .map((cell, i) => ({ i, along: (middle(cell)[0] - x) * dx + (middle(cell)[1] - y) * dy, to: middle(cell) }))
    .filter(({ along }) => along > 0.05)
    .toSorted((a, b) => Math.hypot(a.to[0] - x, a.to[1] - y) - Math.hypot(b.to[0] - x, b.to[1] - y));
  return ahead[0]?.i ?? from;
}

interface Props {
  slide: Slide;
  /** Of the film, that is shown. */
  frame: number;
  /** Something was pressed, to be worked on. */
  onOpen: (layer: Layer) => void;
}

/** What lies in the cells of a slide, on the stage: put into another cell by mouse, finger and keys, and taken off. */
export function CellsStage({ slide, frame, onOpen }: Props) {
  const { edit } = useActs();
  const { plan, story } = useView();
  const ground = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<{ cell: number; dx: number; dy: number } | null>(null);
  const latest = useRef<typeof held>(null);
  /** The end of a move is no press. */
  const isMoved = useRef(false);
  const scene = plan.scenes.find(({ id }) => id === slide.id);
  const cells = plan.layouts[slide.layout] ?? [];
  if (!scene || frame < scene.start || frame >= scene.end) return null;
  const goalOf = ({ cell, dx, dy }: NonNullable<typeof held>) => {
    const [x, y] = middle(cells[cell] ?? { x: 0, y: 0, width: 0, height: 0 });
    return nearest(cells, [x + dx, y + dy]);
  };
  const goal = held ? goalOf(held) : -1;
  const put = (layer: string, from: number, to: number) => {
    if (to !== from) void edit({ do: 'put in cell', slide: slide.id, layer, cell: to });
  };
  return (
    <Over ref={ground} onPointerDown={(event) => event.stopPropagation()} onClick={(event) => event.stopPropagation()}>
      {cells.map((box, cell) => {
        const layer = inCell(slide, cell);
        const number = cell + 1;
        if (!layer)
          return (
            <div key={`empty ${number}`} className={goal === cell ? 'empty goal' : 'empty'} style={placed(box)}>
              {say('cells.empty', { number })}
            </div>
          );
        const isHeld = held?.cell === cell;
        return (
          <div
            key={layer.id}
            className={isHeld ? 'held' : held && goal === cell ? 'goal' : undefined}
            style={isHeld ? placed({ ...box, x: box.x + held.dx, y: box.y + held.dy }) : placed(box)}
          >
            <Held
              className="cell"
              name={say('cells.cell', { number, what: calledIn(story, layer) })}
              about={say('cells.moved-by')}
              moves={{
                onMoveStart: () => {
                  latest.current = { cell, dx: 0, dy: 0 };
                  isMoved.current = false;
                },
                onMove: (event: MoveMoveEvent) => {
                  if (event.pointerType === 'keyboard') {
                    put(layer.id, cell, beside(cells, cell, Math.sign(event.deltaX), Math.sign(event.deltaY)));
                    latest.current = null;
                    return;
                  }
                  isMoved.current = true;
                  const { width = 1, height = 1 } = ground.current?.getBoundingClientRect() ?? {};
                  const { dx, dy } = latest.current ?? { dx: 0, dy: 0 };
                  latest.current = { cell, dx: dx + event.deltaX / width, dy: dy + event.deltaY / height };
                  setHeld(latest.current);
                },
                onMoveEnd: () => {
                  if (latest.current) put(layer.id, cell, goalOf(latest.current));
                  latest.current = null;
                  setHeld(null);
                },
              }}
              onClick={() => {
                if (!isMoved.current) onOpen(layer);
                isMoved.current = false;
              }}
              onKeyDown={(event) => {
                if (event.key !== 'Delete' && event.key !== 'Backspace') return;
                event.preventDefault();
                void edit({ do: 'delete layer', slide: slide.id, layer: layer.id });
              }}
            />
            {layer.kind === 'words' && layer.text === '' && <p className="bare">{say('cells.write')}</p>}
          </div>
        );
      })}
    </Over>
  );
}
