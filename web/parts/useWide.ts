import { useSyncExternalStore } from 'react';

const query = '(min-width: 1024px)';
const subscribe = (changed: () => void) => {
  const list = window.matchMedia(query);
  list.addEventListener('change', changed);
  return () => list.removeEventListener('change', changed);
};

/** Whether the window has room for two columns. */
export const useWide = (): boolean => useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
