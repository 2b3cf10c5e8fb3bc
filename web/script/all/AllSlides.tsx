import { memo, useMemo, useRef, useState } from 'react';
import { GridLayout, GridList, GridListItem, Size, Virtualizer, type Rect } from 'react-aria-components';
import styled from 'styled-components';
import { say } from '../../messages/say';
import { chosenOf, nameOf, type Row } from '../rows';
import type { SlideActs } from '../useArranging';
import { useMeant } from '../useMeant';
import { useSlideDrag, type OnFiles } from '../useSlideDrag';
import { AROUND, EDGE, SmallSlide } from './SmallSlide';
import { useSweep } from './useSweep';

/** The width of a wide slide in each of the sizes; in another shape it is as large. Pixels. */
export const SIZES = { small: 132, medium: 208, large: 312 } as const;
export type SlideSize = keyof typeof SIZES;
/** On a phone: three, two or one beside each other. */
const NARROW = 600;
const ON_A_PHONE: Record<SlideSize, number> = { small: 104, medium: 160, large: 312 };
const WIDE = 16 / 9;
const GAP = new Size(8, 8);

const Ground = styled.div`
  position: relative;
  display: flex;
  flex: 1;
  /* A slide or two, however little room a phone has: then the page scrolls. */
  min-height: 280px;
`;
const List = styled(GridList)`
  position: relative;
  overflow: auto;
  flex: 1;
  min-width: 0;
  outline-offset: -3px;
  scrollbar-width: thin;
  /* What has just been scrolled can be taken at once, not only when it has rested. */
  > div {
    pointer-events: auto !important;
  }
  .react-aria-DropIndicator {
    outline: none;
  }
  .react-aria-DropIndicator[data-drop-target] {
    border-radius: 2px;
    background: var(--indigo);
  }
` as typeof GridList;
const Item = styled(GridListItem)`
  position: relative;
  height: 100%;
  border-radius: var(--radius);
  outline-offset: -2px;
  cursor: default;
  -webkit-user-select: none;
  user-select: none;
  &[data-hovered] {
    background: var(--raised);
  }
  &[data-selected] {
    background: var(--indigo-wash);
    box-shadow: inset 0 0 0 3px var(--indigo);
  }
  &[data-dragging] {
    opacity: 0.45;
  }
` as typeof GridListItem;
const Swept = styled.div`
  position: absolute;
  border: 1px solid var(--indigo);
  background: rgb(47 63 127 / 0.1);
  pointer-events: none;
  z-index: 2;
`;

interface Props {
  rows: Row[];
  size: SlideSize;
  chosen: ReadonlySet<string>;
  onChoose: (keys: ReadonlySet<string>) => void;
  /** A slide was opened: pressed twice, or by Enter. */
  onOpen: (slide: string) => void;
  move: SlideActs['move'];
  onFiles: OnFiles;
  meant: string | null;
  onMet: () => void;
}

/** Every slide small on the thread, as many as fit: for arranging, and to see the shape of the whole. */
export const AllSlides = memo(function AllSlides({
  rows,
  size,
  chosen,
  onChoose,
  onOpen,
  move,
  onFiles,
  meant,
  onMet,
}: Props) {
  const list = useRef<HTMLDivElement>(null);
  const [layout] = useState(() => new GridLayout<Row>());
  const ratio = rows[0]?.ratio ?? WIDE;
  const width = Math.max(
    96,
    Math.round((window.innerWidth < NARROW ? ON_A_PHONE : SIZES)[size] * Math.sqrt(Math.min(1, ratio / WIDE))),
  );
  const options = useMemo(() => {
    const high = (wide: number) => Math.round((wide - 2 * EDGE) / ratio) + AROUND + 2 * EDGE;
    // Never wider than a phone: heights are worked out between the two, so that none has to be measured while one scrolls.
    const most = Math.max(width, Math.min(Math.round(width * 1.5), window.innerWidth - 24));
    return {
      minItemSize: new Size(width, high(width)),
      maxItemSize: new Size(most, high(most)),
      minSpace: GAP,
      preserveAspectRatio: true,
    };
  }, [ratio, width]);
  // Whether it is drawn or not, its place is known; there it is shown as soon as the list is as high as its slides.
  const show = (slide: string) => {
    const ground = list.current;
    const place = layout.getLayoutInfo(slide)?.rect;
    if (!ground || !place) return false;
    ground.scrollTop = place.y - (ground.clientHeight - place.height) / 2;
    const row = ground.querySelector(`[data-key="${CSS.escape(slide)}"]`)?.getBoundingClientRect();
    const box = ground.getBoundingClientRect();
    return row !== undefined && row.top >= box.top - 1 && row.top < box.bottom;
  };
  useMeant(meant, show, onMet);
  const dragAndDropHooks = useSlideDrag(rows, move, onFiles);
  const within = (area: Rect) =>
    layout
      .getVisibleLayoutInfos(area)
      .filter(({ rect }) => rect.intersects(area))
      .map(({ key }) => String(key));
  const { area, onPointerDown } = useSweep(list, within, chosen, onChoose);
  // A list's own action would take the tap of a finger, which is to choose.
  const open = (target: EventTarget) => {
    const key = (target as Element).closest('[role=row]')?.getAttribute('data-key');
    if (key) onOpen(key);
  };
  return (
    <Ground
      onPointerDown={onPointerDown}
      onDoubleClick={(event) => open(event.target)}
      onKeyDownCapture={(event) => {
        if (event.key !== 'Enter' || !(event.target as Element).matches('[role=row]')) return;
        event.preventDefault();
        event.stopPropagation();
        open(event.target);
      }}
    >
      <Virtualizer layout={layout} layoutOptions={options}>
        <List
          ref={list}
          aria-label={say('script.slides')}
          layout="grid"
          items={rows}
          dependencies={[width]}
          selectionMode="multiple"
          selectionBehavior="replace"
          selectedKeys={chosen}
          onSelectionChange={(keys) => onChoose(chosenOf(keys, rows))}
          dragAndDropHooks={dragAndDropHooks}
        >
          {(row) => (
            <Item id={row.id} textValue={nameOf(row)}>
              <SmallSlide row={row} width={width - 2 * EDGE} />
            </Item>
          )}
        </List>
      </Virtualizer>
      {area && (
        <Swept
          style={{
            left: area.x,
            top: area.y - (list.current?.scrollTop ?? 0),
            width: area.width,
            height: area.height,
          }}
        />
      )}
    </Ground>
  );
});
