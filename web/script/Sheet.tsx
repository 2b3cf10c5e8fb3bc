import { memo, useMemo } from 'react';
import { GridList, GridListItem } from 'react-aria-components';
import styled from 'styled-components';
import { say } from '../messages/say';
import { chosenOf, nameOf, type Row } from './rows';
import { SlideRow, type RowActs } from './SlideRow';
import type { SlideActs } from './useArranging';
import { useGradually } from './useGradually';
import { useMeant } from './useMeant';
import { useSlideDrag, type OnFiles } from './useSlideDrag';

const List = styled(GridList)`
  display: grid;
  outline-offset: 4px;
  .react-aria-DropIndicator {
    height: 0;
    outline: none;
  }
  .react-aria-DropIndicator[data-drop-target] {
    height: 4px;
    border-radius: 2px;
    background: var(--indigo);
  }
` as typeof GridList;
const Item = styled(GridListItem)`
  border-top: 1px solid var(--line);
  outline-offset: -3px;
  content-visibility: auto;
  contain-intrinsic-size: auto 128px;
  &[data-selected] {
    background: var(--indigo-wash);
  }
  .tools {
    opacity: 0;
  }
  &[data-selected] .tools,
  &[data-focus-visible] .tools,
  &:focus-within .tools {
    opacity: 1;
  }
  @media (hover: hover) {
    &:hover .tools {
      opacity: 1;
    }
  }
  &[data-dragging] {
    opacity: 0.45;
  }
  &:last-child {
    border-bottom: 1px solid var(--line);
  }
` as typeof GridListItem;

interface Props {
  rows: Row[];
  chosen: ReadonlySet<string>;
  onChoose: (keys: ReadonlySet<string>) => void;
  acts: RowActs;
  move: SlideActs['move'];
  onFiles: OnFiles;
  /** A slide that is to be brought into view, until it is. */
  meant: string | null;
  onMet: () => void;
}

/** The two-column script: time and thread, the picture with its words, the script and the voice. Rows are dragged or moved by keys. */
export const Sheet = memo(function Sheet({ rows, chosen, onChoose, acts, move, onFiles, meant, onMet }: Props) {
  // What is chosen can be gone to.
  const furthest = chosen.size === 0 ? -1 : rows.findLastIndex((row) => chosen.has(row.id));
  const shown = useGradually(rows.length, furthest + 1);
  const drawn = useMemo(() => rows.slice(0, shown), [rows, shown]);
  const show = (slide: string) => {
    const row = document.querySelector(`[data-key="${CSS.escape(slide)}"]`);
    row?.scrollIntoView({ block: 'center' });
    return row !== null;
  };
  useMeant(meant, show, onMet);
  const dragAndDropHooks = useSlideDrag(rows, move, onFiles);
  return (
    <List
      aria-label={say('script.slides')}
      items={drawn}
      dependencies={[acts]}
      selectionMode="multiple"
      selectionBehavior="replace"
      selectedKeys={chosen}
      onSelectionChange={(keys) => onChoose(chosenOf(keys, rows))}
      dragAndDropHooks={dragAndDropHooks}
      keyboardNavigationBehavior="tab"
    >
      {(row) => (
        <Item id={row.id} textValue={nameOf(row)}>
          <SlideRow row={row} acts={acts} />
        </Item>
      )}
    </List>
  );
});
