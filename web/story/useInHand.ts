import { useEffect, useRef, useState } from 'react';
import type { Edit } from '../api/types';
import { useSteady } from '../parts/useSteady';
import { useActs } from './StoryContext';

/** Milliseconds that it rests before it is saved: many presses of a key are one change, and one to undo. */
const RESTS = 350;

/**
 * What is set of something: as it is saved, or as it is in somebody's hand.
 *
 * @param editOf what is asked of the server for some changes
 */
export function useInHand<T extends object>(saved: T, editOf: (changes: Partial<T>) => Edit) {
  const { editLater } = useActs();
  const [draft, setDraft] = useState<T | null>(null);
  const value = draft ?? saved;
  const latest = useRef(value);
  latest.current = value;
  const asked = useSteady(editOf);
  const rest = useRef<{ changes: Partial<T>; timer?: ReturnType<typeof setTimeout>; save: () => void } | null>(null);
  /** Shows it, while it is still in somebody's hand. */
  const show = (changes: Partial<T>) => {
    latest.current = { ...latest.current, ...changes };
    setDraft(latest.current);
  };
  const begin = () => {
    let mine: T;
    const edits = new Promise<Edit[]>((resolve) => {
      const changes: Partial<T> = {};
      rest.current = {
        changes,
        save: () => {
          rest.current = null;
          mine = latest.current;
          resolve([asked(changes)]);
        },
      };
    });
    // What was changed since stays in hand.
    void editLater(edits).finally(() => setDraft((now) => (now === mine ? null : now)));
    return rest.current;
  };
  const set = (changes: Partial<T>) => {
    show(changes);
    const now = rest.current ?? begin();
    if (!now) return;
    Object.assign(now.changes, changes);
    clearTimeout(now.timer);
    now.timer = setTimeout(now.save, RESTS);
  };
  // Whoever goes on to something else has it saved before.
  useEffect(
    () => () => {
      clearTimeout(rest.current?.timer);
      rest.current?.save();
    },
    [],
  );
  return { value, show, set };
}
