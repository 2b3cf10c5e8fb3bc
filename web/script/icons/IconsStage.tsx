import { useRef } from 'react';
import type { MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import type { IconLayer, PlannedIcon, Slide } from '../../api/types';
import { say } from '../../messages/say';
import { moved, placed, WHOLE } from '../../parts/boxes';
import { wayOver } from '../../parts/byHand';
import { Held } from '../../parts/Held';
import { performerOf } from '../../stage/layers';
import { useActs, useView } from '../../story/StoryContext';
import { useInHand } from '../../story/useInHand';

const Over = styled.div`
  position: absolute;
  inset: 0;
  z-index: 4;
  pointer-events: none;
`;
const Place = styled.div`
  position: absolute;
  button {
    pointer-events: auto;
    position: absolute;
    inset: 0;
    min-width: 24px;
    min-height: 24px;
    padding: 0;
    border: 0;
    background: none;
    cursor: move;
    touch-action: none;
  }
  button:hover,
  button:focus-visible,
  &.held button {
    outline: 2px solid #fff;
    box-shadow: 0 0 0 4px var(--indigo);
  }
  > svg,
  > img {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
`;

interface Props {
  slide: Slide;
  /** Of the film, that is shown. */
  frame: number;
  /** Which of them is in hand: the stage leaves it out. */
  onHeld: (id: string | undefined) => void;
}

/** The icons of a slide, on the stage: moved by mouse, finger and keys, and taken off. */
export function IconsStage({ slide, frame, onHeld }: Props) {
  const { plan } = useView();
  const scene = plan.scenes.find(({ id }) => id === slide.id);
  if (!scene || frame < scene.start || frame >= scene.end) return null;
  const icons = slide.layers.filter((layer): layer is IconLayer => layer.kind === 'icon');
  return (
    <Over onPointerDown={(event) => event.stopPropagation()} onClick={(event) => event.stopPropagation()}>
      {icons.map((icon, i) => {
        const planned = scene.layers.find(
          (layer): layer is PlannedIcon => layer.kind === 'icon' && layer.id === icon.id,
        );
        return (
          planned &&
          icon.cell === undefined && (
            <IconBox
              key={icon.id}
              number={i + 1}
              slide={slide.id}
              planned={planned}
              onHeld={(isHeld) => onHeld(isHeld ? icon.id : undefined)}
            />
          )
        );
      })}
    </Over>
  );
}

const round = (share: number) => Math.round(10_000 * share) / 10_000;

function IconBox({
  number,
  slide,
  planned,
  onHeld,
}: {
  number: number;
  slide: string;
  planned: PlannedIcon;
  onHeld: (isHeld: boolean) => void;
}) {
  const { id, edit } = useActs();
  const place = useRef<HTMLDivElement>(null);
  const layer = planned.id;
  const {
    value: shown,
    show,
    set,
  } = useInHand(planned.box, (changes) => {
    const { x, y, width, height } = { ...planned.box, ...changes };
    const at = { x: round(x + width / 2), y: round(y + height / 2) };
    return { do: 'set layer', slide, layer, kind: 'icon', changes: { at } };
  });
  const begun = useRef({ box: shown, x: 0, y: 0 });
  const latest = useRef({ x: shown.x, y: shown.y });
  const isHeld = shown !== planned.box;
  const Still = performerOf(planned).still;
  return (
    <Place ref={place} className={isHeld ? 'held' : undefined} style={placed(shown)}>
      {isHeld && <Still story={id} layer={{ ...planned, box: WHOLE }} said="" />}
      <Held
        className="icon"
        name={say('icon.on-stage', { number })}
        moves={{
          onMoveStart: () => {
            begun.current = { box: shown, x: 0, y: 0 };
            onHeld(true);
          },
          onMove: (event: MoveMoveEvent) => {
            const [dx, dy] = wayOver(place.current?.parentElement, event);
            begun.current.x += dx;
            begun.current.y += dy;
            const { x, y } = moved(begun.current.box, begun.current.x, begun.current.y);
            latest.current = { x, y };
            show(latest.current);
          },
          onMoveEnd: () => {
            set(latest.current);
            onHeld(false);
          },
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Delete' && event.key !== 'Backspace') return;
          event.preventDefault();
          void edit({ do: 'delete layer', slide, layer });
        }}
      />
    </Place>
  );
}
