import { useEffect, useRef, useState } from 'react';
import type { MoveMoveEvent } from 'react-aria/useMove';
import styled from 'styled-components';
import limits from '../../../../schema/limits.json';
import type { Edit, PlannedWords, WordsLayer } from '../../../api/types';
import { say } from '../../../messages/say';
import { moved, placed, type Box } from '../../../parts/boxes';
import { wayOver } from '../../../parts/byHand';
import { Held } from '../../../parts/Held';
import { useSteady } from '../../../parts/useSteady';
import { wordsUrl } from '../../../stage/layers/words';
import { useActs } from '../../../story/StoryContext';
import { useInHand } from '../../../story/useInHand';
import { useSavedText } from '../../../story/useSavedText';
import { snapped, type Guide } from './snap';

const Place = styled.div`
  position: absolute;
  z-index: 1;
  &.chosen {
    z-index: 2;
    outline: 2px solid #fff;
    box-shadow: 0 0 0 4px var(--indigo);
  }
  &:hover:not(.chosen) {
    outline: 2px dashed #fff;
    box-shadow: 0 0 0 3px rgb(23 26 33 / 0.55);
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
    cursor: text;
  }
  .all.moves {
    cursor: move;
  }
  .edge {
    top: 50%;
    width: 40px;
    height: 40px;
    translate: -50% -50%;
    cursor: ew-resize;
    &::before {
      content: '';
      position: absolute;
      inset: 9px 15px;
      background: #fff;
      border: 2px solid var(--indigo);
      border-radius: 4px;
    }
  }
  button:focus-visible {
    outline: 3px solid var(--indigo);
    outline-offset: -2px;
  }
  textarea {
    pointer-events: auto;
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    margin: 0;
    border: 0;
    border-radius: 4px;
    /* As on a plate. */
    padding: calc(100cqh * 12 / 720) calc(100cqh * 20 / 720);
    background: rgb(23 26 33 / 0.94);
    color: #fff;
    line-height: 1.28;
    font-weight: 600;
    resize: none;
    overflow: hidden;
    field-sizing: content;
    height: auto;
    min-height: 100%;
    outline: none;
  }
`;
const FACES: Record<string, string> = {
  reading: 'var(--reading)',
  hand: "'Patrick Hand', var(--plain)",
  typed: "'Courier Prime', monospace",
  solemn: "'Forum', var(--reading)",
  loud: "'Rubik Variable', var(--plain)",
};
const WEIGHTS: Record<string, number> = { regular: 400, bold: 800 };
/** Where words are put: the middle of all of them, and the width that they may take. */
export interface Put {
  at?: { x: number; y: number };
  width?: number;
}

interface Props {
  /** Of the words on their slide, from 1 on. */
  number: number;
  layer: WordsLayer;
  planned: PlannedWords;
  /** Width over height of the slide. */
  ratio: number;
  /** Other words on the slide, which it is brought in line with. */
  others: Box[];
  isChosen: boolean;
  /** It can be put anywhere; else it stands where its slide has it. */
  moves: boolean;
  onChoose: () => void;
  onGuides: (guides: Guide[]) => void;
  /** It is in hand, or no longer: the stage shows it or not. */
  onHeld: (isHeld: boolean) => void;
  /** What is asked of the server where they are put. */
  editOf: (put: Put) => Edit;
  onText: (text: string) => void;
  onTakenAway: () => void;
}

/** One of the words on a slide, on the stage: chosen, moved, made wider, written in place; by mouse, finger and keys. */
export function WordsBox(props: Props) {
  const { number, layer, planned, ratio, others, isChosen, moves, onChoose, onGuides, onHeld } = props;
  const place = useRef<HTMLDivElement>(null);
  const [writes, setWrites] = useState(false);
  const {
    value: shown,
    show,
    set,
  } = useInHand(planned.box, (changes) => {
    const { x, y, width, height } = { ...planned.box, ...changes };
    const at = { x: round(x + width / 2), y: round(y + height / 2) };
    return props.editOf(changes.width === undefined ? { at } : { at, width: round(width) });
  });
  const isHeld = shown !== planned.box;
  const tellHeld = useSteady(onHeld);
  useEffect(() => {
    if (isHeld) tellHeld(true);
    return () => {
      if (isHeld) tellHeld(false);
    };
  }, [isHeld, tellHeld]);
  /** Where it began, and how far it was moved since: it can be pulled beyond an edge and back. */
  const begun = useRef({ box: shown, x: 0, y: 0 });
  /** It was moved by hand since it was pressed: the end of a move is no press. */
  const isMoved = useRef(false);
  const wasChosen = useRef(false);
  const latest = useRef<Partial<Box>>({});
  const held = (change: (from: Box, dx: number, dy: number, byKeys: boolean) => Partial<Box>) => ({
    onMoveStart: () => {
      onChoose();
      begun.current = { box: shown, x: 0, y: 0 };
    },
    onMove: (event: MoveMoveEvent) => {
      const [dx, dy] = wayOver(place.current?.parentElement, event);
      const byKeys = event.pointerType === 'keyboard';
      isMoved.current = !byKeys;
      begun.current.x += dx;
      begun.current.y += dy;
      latest.current = change(begun.current.box, begun.current.x, begun.current.y, byKeys);
      show(latest.current);
    },
    onMoveEnd: () => {
      onGuides([]);
      set(latest.current);
    },
  });
  const dragged = held((from, dx, dy, byKeys) => {
    const to = moved(from, dx, dy);
    const { box: there, guides } = byKeys ? { box: to, guides: [] } : snapped(to, others, ratio);
    onGuides(guides);
    return { x: there.x, y: there.y };
  });
  const widened = (isFirst: boolean) =>
    held((from, dx) => {
      const most = isFirst ? from.x + from.width - limits.safeEdge : 1 - limits.safeEdge - from.x;
      const width = Math.max(limits.leastWords, Math.min(most, from.width + (isFirst ? -dx : dx)));
      return { width, x: isFirst ? from.x + from.width - width : from.x };
    });
  const keys = (event: React.KeyboardEvent) => {
    if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      onChoose();
      setWrites(true);
    } else if (moves && (event.key === 'Delete' || event.key === 'Backspace')) {
      event.preventDefault();
      props.onTakenAway();
    }
  };
  return (
    <Place
      ref={place}
      onPointerDownCapture={() => {
        wasChosen.current = isChosen;
      }}
      className={isChosen ? 'chosen' : ''}
      style={placed(shown)}
    >
      {isHeld && <Drawn planned={planned} box={shown} />}
      <Held
        className={moves ? 'all moves' : 'all'}
        name={say('words.on-stage', { number })}
        about={layer.text}
        moves={moves ? dragged : {}}
        onKeyDown={keys}
        onFocus={onChoose}
        onClick={() => {
          // Pressed again, they are written.
          if (isMoved.current) isMoved.current = false;
          else if (wasChosen.current) setWrites(true);
          else onChoose();
        }}
      />
      {isChosen && moves && !writes && (
        <>
          <Held
            className="edge"
            name={say('words.wider-first', { number })}
            style={{ left: 0 }}
            moves={widened(true)}
          />
          <Held
            className="edge"
            name={say('words.wider-last', { number })}
            style={{ left: '100%' }}
            moves={widened(false)}
          />
        </>
      )}
      {writes && (
        <Written
          {...props}
          onEnd={() => {
            setWrites(false);
            place.current?.querySelector('button')?.focus();
          }}
          onLeft={() => setWrites(false)}
        />
      )}
    </Place>
  );
}

const round = (share: number) => Math.round(10_000 * share) / 10_000;

/** The drawing of words while they are moved, where they are. */
function Drawn({ planned, box }: { planned: PlannedWords; box: Box }) {
  const { id } = useActs();
  const { x, y, width, height } = planned.box;
  return (
    <span style={{ position: 'absolute', inset: 0, overflow: 'hidden', opacity: 0.9 }}>
      <img
        src={wordsUrl(id, planned.hash)}
        alt=""
        draggable={false}
        style={{
          position: 'absolute',
          maxWidth: 'none',
          width: `${100 / box.width}%`,
          height: `${100 / box.height}%`,
          left: `${(-100 * (x + (width - box.width) / 2)) / box.width}%`,
          top: `${(-100 * (y + (height - box.height) / 2)) / box.height}%`,
        }}
      />
    </span>
  );
}

function Written({ number, layer, planned, onText, onEnd, onLeft }: Props & { onEnd: () => void; onLeft: () => void }) {
  const text = useSavedText(layer.text, onText);
  const { face = 'plain', weight = 'semibold', size = 0.05, align = 'center' } = planned.type ?? {};
  return (
    <textarea
      autoFocus
      aria-label={say('words.write-on', { number })}
      maxLength={layer.role === 'title' ? limits.title : limits.words}
      value={text.value}
      style={{
        fontFamily: FACES[face] ?? 'var(--plain)',
        fontWeight: WEIGHTS[weight] ?? 600,
        fontSize: `${100 * size}cqh`,
        textAlign: align as 'left',
      }}
      onFocus={(event) => event.target.setSelectionRange(0, event.target.value.length)}
      onChange={(event) => text.onChange(event.target.value)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape' || (event.key === 'Enter' && (event.ctrlKey || event.metaKey))) {
          event.preventDefault();
          text.onBlur();
          onEnd();
        }
      }}
      onBlur={() => {
        text.onBlur();
        onLeft();
      }}
      onClick={(event) => event.stopPropagation()}
    />
  );
}
