import { useEffect, useRef } from 'react';

/** Inputs in which nobody writes: a switch that was just pressed has the focus, and is no reason for keys to do nothing. */
const NOT_WRITTEN = ['range', 'checkbox', 'radio'];

/** The Booth's keys, by their letters; none of them acts while somebody writes or chooses. */
export function useBoothKeys(acts: Record<string, () => void>) {
  const latest = useRef(acts);
  latest.current = acts;
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        (['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) &&
          !NOT_WRITTEN.includes((target as HTMLInputElement).type)) ||
        target.closest('[role=dialog], [role=listbox]:not(.said), [aria-haspopup=listbox]')
      )
        return;
      // Space on a focused button is that button's, and on a sentence that sentence's.
      if (event.key === ' ' && target.closest('button, input, .said') && !target.closest('.control')) return;
      if (event.altKey) return;
      const held = event.ctrlKey || event.metaKey ? 'ctrl+' : '';
      const act = latest.current[`${held}${event.shiftKey && held ? 'shift+' : ''}${event.key.toLowerCase()}`];
      if (act && !event.repeat) {
        event.preventDefault();
        event.stopPropagation();
        act();
      }
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, []);
}
