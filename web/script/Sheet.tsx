import { memo, useMemo, useRef } from 'react';
import { GridList, GridListItem, useDragAndDrop, type DropItem } from 'react-aria-components';
import styled from 'styled-components';
import type { Remark } from '../api/types';
import { threadOf } from '../stage/plan';
import { useActs, useView } from '../story/StoryContext';
import { assetOf, pictureOf } from '../story/slides';
import { useGradually } from './useGradually';
import { sameRow, SlideRow, type Row, type RowActs } from './SlideRow';
import { say } from '../messages/say';

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
  chosen: ReadonlySet<string>;
  onChoose: (keys: ReadonlySet<string>) => void;
  acts: RowActs;
  remarks: Remark[];
  /** Files were dropped behind a slide. */
  onFiles: (items: DropItem[], behind: string) => void;
}

/** The kind of what is dragged within the sheet. */
export const SLIDE = 'rhapsode/slide';

type Listed = Row & { id: string };

/** The rows of the sheet, each with all that it shows. One of which nothing changed is the very same, and is not drawn again. */
function useRows(remarks: Remark[]): Listed[] {
  const view = useView();
  const before = useRef(new Map<string, Listed>());
  return useMemo(() => {
    const { story, plan } = view;
    const said = new Map<string, Remark[]>();
    for (const remark of remarks) said.set(remark.slide, [...(said.get(remark.slide) ?? []), remark]);
    const loose = new Set(view.proof.flatMap((finding) => finding.slides.map((s) => s.id)));
    const thread = threadOf(plan);
    const rows = story.slides.map((slide, index): Listed => ({
      id: slide.id,
      index,
      last: index === story.slides.length - 1,
      slide,
      scene: plan.scenes[index],
      thread: thread[index],
      picture: assetOf(story, pictureOf(slide)?.asset, 'picture')?.file ?? '',
      voice: assetOf(story, slide.voice[0]?.asset, 'voice'),
      waveform: view.waveforms[slide.voice[0]?.asset ?? ''],
      title: story.title,
      ratio: plan.width / plan.height,
      fps: plan.fps,
      loose: loose.has(slide.id),
      remarks: said.get(slide.id),
    }));
    const kept = rows.map((row) => {
      const old = before.current.get(row.id);
      return old && sameRow(old, row) ? old : row;
    });
    before.current = new Map(kept.map((row) => [row.id, row]));
    return kept;
  }, [view, remarks]);
}

/** The two-column script: time and thread, the picture with its words, the script and the voice. Rows are dragged or moved by keys. */
export const Sheet = memo(function Sheet({ chosen, onChoose, acts, remarks, onFiles }: Props) {
  const { edit } = useActs();
  const { slides } = useView().story;
  // What is chosen can be gone to.
  const furthest = chosen.size === 0 ? -1 : slides.findLastIndex((slide) => chosen.has(slide.id));
  const rows = useRows(remarks);
  const shown = useGradually(rows.length, furthest + 1);
  const drawn = useMemo(() => rows.slice(0, shown), [rows, shown]);
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) =>
      [...keys].map((key) => ({
        [SLIDE]: String(key),
        'text/plain': say('slide.number', { slide: slides.findIndex((s) => s.id === key) + 1 }),
      })),
    acceptedDragTypes: 'all',
    // Pictures from outside go between two slides; nothing goes before the first, which is the title.
    getDropOperation: (target, types) => {
      if (types.has(SLIDE)) return 'move';
      const isBetween = target.type === 'item' && target.dropPosition !== 'on';
      const isBehind = isBetween && !(target.dropPosition === 'before' && target.key === slides[0]?.id);
      return isBehind && !types.has('text/plain') ? 'copy' : 'cancel';
    },
    onInsert: (event) => {
      const at = slides.findIndex((s) => s.id === event.target.key);
      const behind = slides[event.target.dropPosition === 'before' ? at - 1 : at];
      if (behind) onFiles(event.items, behind.id);
    },
    onReorder: (event) => {
      const moving = slides.map((s) => s.id).filter((slide) => event.keys.has(slide));
      const goal = slides.findIndex((s) => s.id === event.target.key);
      // Where the goal itself moves along, the nearest slide before it that stays is meant.
      let at = event.target.dropPosition === 'before' ? goal - 1 : goal;
      while (at >= 0 && event.keys.has(slides[at]?.id ?? '')) at -= 1;
      void edit({ do: 'move slides', slides: moving, after: at < 0 ? null : (slides[at]?.id ?? null) });
    },
  });
  return (
    <List
      aria-label={say('script.slides')}
      items={drawn}
      dependencies={[acts]}
      selectionMode="multiple"
      selectionBehavior="replace"
      selectedKeys={chosen}
      onSelectionChange={(keys) =>
        onChoose(keys === 'all' ? new Set(slides.map((s) => s.id)) : new Set([...keys].map(String)))
      }
      dragAndDropHooks={dragAndDropHooks}
      keyboardNavigationBehavior="tab"
    >
      {(row) => (
        <Item
          id={row.id}
          textValue={say(row.slide.layout === 'title' ? 'slide.title' : row.picture ? 'slide.pictured' : 'slide.bare', {
            slide: row.index + 1,
            picture: row.picture,
          })}
        >
          <SlideRow row={row} acts={acts} />
        </Item>
      )}
    </List>
  );
});
