import { useEffect, useRef } from 'react';
import type { StoryHold } from '../story/useStory';

interface Doing {
  hold: StoryHold;
  picked: string[];
  remove: (ids: string[]) => void;
  duplicate: (ids: string[]) => void;
  move: (ids: string[], by: -1 | 1) => void;
  play: () => void;
  none: () => void;
}

const isWriting = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** The sheet's own keys; none of them acts while somebody writes. */
export function useSheetKeys(doing: Doing) {
  const latest = useRef(doing);
  latest.current = doing;
  const root = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const { hold, picked, remove, duplicate, move, play, none } = latest.current;
      if (isWriting(event.target)) return;
      const ctrl = event.ctrlKey || event.metaKey;
      const acts: Record<string, (() => void) | undefined> = {
        'ctrl+z': () => void hold.undo(),
        'ctrl+shift+z': () => void hold.redo(),
        'ctrl+y': () => void hold.redo(),
        delete: picked.length > 0 ? () => remove(picked) : undefined,
        'alt+arrowup': picked.length > 0 ? () => move(picked, -1) : undefined,
        'alt+arrowdown': picked.length > 0 ? () => move(picked, 1) : undefined,
        'alt+c': picked.length > 0 ? () => duplicate(picked) : undefined,
        'alt+p': play,
        // Where something is open above the page, it is that which Escape closes.
        escape: picked.length > 0 && document.querySelector('[role=dialog]') === null ? none : undefined,
      };
      const name = `${ctrl ? 'ctrl+' : ''}${event.altKey ? 'alt+' : ''}${event.shiftKey ? 'shift+' : ''}${event.key.toLowerCase()}`;
      const act = acts[name];
      if (act) {
        event.preventDefault();
        event.stopPropagation();
        act();
      }
    };
    // Before the list's own keys: the arrows with Alt are ours.
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, []);
  return root;
}
