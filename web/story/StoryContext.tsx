import { createContext, useContext, useMemo, type ReactNode } from 'react';
import type { StoryView } from '../api/types';
import type { StoryHold } from './useStory';

/** What can be done to the story of a place. It stays the same while the story changes: who only acts is not drawn again. */
type Acts = Pick<StoryHold, 'edit' | 'editLater' | 'receive' | 'undo' | 'redo'> & { id: string };

const ActsContext = createContext<Acts | null>(null);
const ViewContext = createContext<StoryView | null>(null);

/** The story of a place, for all that lies within it. */
export function StoryProvider({
  id,
  hold: { edit, editLater, receive, undo, redo },
  view,
  children,
}: {
  id: string;
  hold: StoryHold;
  view: StoryView;
  children: ReactNode;
}) {
  const acts = useMemo(
    () => ({ id, edit, editLater, receive, undo, redo }),
    [id, edit, editLater, receive, undo, redo],
  );
  return (
    <ActsContext value={acts}>
      <ViewContext value={view}>{children}</ViewContext>
    </ActsContext>
  );
}

function given<T>(value: T | null): T {
  if (value === null) throw new Error('There is no story here.');
  return value;
}

export const useActs = (): Acts => given(useContext(ActsContext));
export const useView = (): StoryView => given(useContext(ViewContext));
