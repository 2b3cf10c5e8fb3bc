import { useDragAndDrop, type DropItem } from 'react-aria-components';
import { say } from '../messages/say';
import { behind } from './arrange';
import type { Row } from './rows';
import type { SlideActs } from './useArranging';

/** The kind of what is dragged within a sheet. */
export const SLIDE = 'rhapsode/slide';

/** Slides are dragged to another place; files from outside go between two slides, never before the first, which is the title. */
export function useSlideDrag(
  rows: readonly Row[],
  move: SlideActs['move'],
  /** Files were dropped behind a slide. */
  onFiles: (items: DropItem[], behind: string) => void,
) {
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
      const isBetween = target.type === 'item' && target.dropPosition !== 'on';
      const isBehind = isBetween && !(target.dropPosition === 'before' && target.key === order[0]);
      return isBehind && !types.has('text/plain') ? 'copy' : 'cancel';
    },
    onInsert: ({ target, items }) => {
      const after = behind(order, new Set(), String(target.key), target.dropPosition === 'before' ? 'before' : 'after');
      if (after !== null) onFiles(items, after);
    },
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
