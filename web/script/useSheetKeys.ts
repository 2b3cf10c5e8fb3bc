import { useEffect, useRef } from 'react';
import type { StoryHold } from '../story/useStory';
import type { Distance } from './Distance';
import type { SlideActs } from './useArranging';

interface Doing {
  hold: StoryHold;
  picked: string[];
  acts: SlideActs;
  play: () => void;
  none: () => void;
  look: (distance: Distance) => void;
}

const WRITTEN =
  'textarea, select, [contenteditable=true], input:not([type=radio], [type=checkbox], [type=range], [type=file])';

export const isWriting = (target: EventTarget | null): boolean => target instanceof Element && target.matches(WRITTEN);

/** The sheet's own keys; none of them acts while somebody writes. */
export function useSheetKeys(doing: Doing) {
  const latest = useRef(doing);
  latest.current = doing;
  const root = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const { hold, picked, acts: slide, play, none, look } = latest.current;
      const some = picked.length > 0;
      if (isWriting(event.target)) return;
      const ctrl = event.ctrlKey || event.metaKey;
      const acts: Record<string, (() => void) | undefined> = {
        'ctrl+z': () => void hold.undo(),
        'ctrl+shift+z': () => void hold.redo(),
        'ctrl+y': () => void hold.redo(),
        delete: some ? () => slide.remove(picked) : undefined,
        'alt+arrowup': some ? () => slide.step(picked, -1) : undefined,
        'alt+arrowdown': some ? () => slide.step(picked, 1) : undefined,
        'alt+c': some ? () => slide.duplicate(picked) : undefined,
        'alt+p': play,
        'alt+a': () => look('all'),
        'alt+s': () => look('script'),
        'alt+o': () => look('one'),
        // Where something is open above the page, it is that which Escape closes.
        escape: some && document.querySelector('[role=dialog]') === null ? none : undefined,
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
