import { useDragAndDrop, type DropItem } from 'react-aria-components';
import { say } from '../messages/say';
import { pictureOf } from '../story/slides';
import { behind } from './arrange';
import type { Row } from './rows';
import type { SlideActs } from './useArranging';

/** The kind of what is dragged within a sheet. */
export const SLIDE = 'rhapsode/slide';

/** Files were dropped behind a slide, or onto one that shows something. */
export type OnFiles = (items: DropItem[], behind: string | undefined, beside?: string) => void;

/** Slides are dragged to another place; files from outside go between two slides, never before the first, which is the title, or beside what a slide shows. */
export function useSlideDrag(rows: readonly Row[], move: SlideActs['move'], onFiles: OnFiles) {
  const order = rows.map(({ id }) => id);
  return useDragAndDrop({
    getItems: (keys) =>
      [...keys].map((key) => ({
        [SLIDE]: String(key),
        'text/plain': say('slide.number', { slide: order.indexOf(String(key)) + 1 }),
      })),
    acceptedDragTypes: 'all',
    getDropOperation: (target, types) => {
      if (types.has(SLIDE)) return target.type === 'item' && target.dropPosition === 'on' ? 'cancel' : 'move';
      if (types.has('text/plain')) return 'cancel';
      const onto = target.type === 'item' && target.dropPosition === 'on' ? String(target.key) : null;
      if (onto !== null) return rows.some(({ id, slide }) => id === onto && pictureOf(slide)) ? 'copy' : 'cancel';
      const isBetween = target.type === 'item';
      const isBehind = isBetween && !(target.dropPosition === 'before' && target.key === order[0]);
      return isBehind ? 'copy' : 'cancel';
    },
    onInsert: ({ target, items }) => {
      const after = behind(order, new Set(), String(target.key), target.dropPosition === 'before' ? 'before' : 'after');
      if (after !== null) onFiles(items, after);
    },
    onItemDrop: ({ target, items }) => onFiles(items, undefined, String(target.key)),
    onReorder: ({ keys, target }) => {
      const moving = new Set([...keys].map(String));
      const place = target.dropPosition === 'before' ? 'before' : 'after';
      move(
        order.filter((id) => moving.has(id)),
        behind(order, moving, String(target.key), place),
      );
    },
  }).dragAndDropHooks;
}
