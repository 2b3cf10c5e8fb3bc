import { useMemo } from 'react';
import { GridList, GridListItem, useDragAndDrop } from 'react-aria-components';
import styled from 'styled-components';
import type { Remark, StoryView } from '../api/types';
import type { StoryHold } from '../story/useStory';
import { SlideRow } from './SlideRow';

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
  id: string;
  view: StoryView;
  edit: StoryHold['edit'];
  take: StoryHold['take'];
  chosen: ReadonlySet<string>;
  onChoose: (keys: ReadonlySet<string>) => void;
  onRemove: (ids: string[]) => void;
  onDuplicate: (ids: string[]) => void;
  onMove: (ids: string[], by: -1 | 1) => void;
  onPlay: (slide: string) => void;
  remarks: Remark[];
}

/** The two-column script: time and thread, the picture with its words, the script and the voice. Rows are dragged or moved by keys. */
export function Sheet({
  id,
  view,
  edit,
  take,
  chosen,
  onChoose,
  onRemove,
  onDuplicate,
  onMove,
  onPlay,
  remarks,
}: Props) {
  const { slides, pictures } = view.story;
  const rows = useMemo(() => slides.map((slide, index) => ({ id: slide.id, slide, index })), [slides]);
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) =>
      [...keys].map((key) => ({
        'rhapsode/slide': String(key),
        'text/plain': `Slide ${slides.findIndex((s) => s.id === key) + 1}`,
      })),
    onReorder: (event) => {
      const moving = slides.map((s) => s.id).filter((slide) => event.keys.has(slide));
      const goal = slides.findIndex((s) => s.id === event.target.key);
      // Where the goal itself moves along, the nearest slide before it that stays is meant.
      let at = event.target.dropPosition === 'before' ? goal - 1 : goal;
      while (at >= 0 && event.keys.has(slides[at]?.id ?? '')) at -= 1;
      void edit({ do: 'move slides', slides: moving, after: at < 0 ? null : (slides[at]?.id ?? null) });
    },
  });
  const said = useMemo(() => {
    const bySlide = new Map<string, Remark[]>();
    for (const remark of remarks) bySlide.set(remark.slide, [...(bySlide.get(remark.slide) ?? []), remark]);
    return bySlide;
  }, [remarks]);
  const loose = useMemo(() => new Set(view.proof.flatMap((finding) => finding.slides.map((s) => s.id))), [view.proof]);
  return (
    <List
      aria-label="Slides"
      items={rows}
      dependencies={[view, said]}
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
          textValue={`Slide ${row.index + 1}, ${row.slide.kind === 'title' ? 'title' : (pictures[row.slide.picture ?? '']?.file ?? 'no picture')}`}
        >
          <SlideRow
            story={id}
            index={row.index}
            last={row.index === slides.length - 1}
            slide={row.slide}
            picture={pictures[row.slide.picture ?? '']}
            planned={view.plan.slides[row.index]}
            fps={view.plan.fps}
            waveform={view.waveforms[row.slide.take ?? '']}
            takeLength={view.story.takes[row.slide.take ?? '']}
            title={view.story.title}
            ratio={view.plan.width / view.plan.height}
            loose={loose.has(row.id)}
            remarks={said.get(row.id)}
            edit={edit}
            take={take}
            onRemove={onRemove}
            onDuplicate={onDuplicate}
            onMove={onMove}
            onPlay={onPlay}
          />
        </Item>
      )}
    </List>
  );
}
