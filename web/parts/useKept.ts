import { useState } from 'react';

/** One of a few that this browser remembers; where it cannot, it is the usual one again next time. */
export function useKept<T extends string>(key: string, offered: readonly T[], usual: T): [T, (next: T) => void] {
  const [value, setValue] = useState(() => {
    try {
      return offered.find((one) => one === localStorage.getItem(key)) ?? usual;
    } catch {
      return usual;
    }
  });
  const change = (next: T) => {
    setValue(next);
    try {
      localStorage.setItem(key, next);
    } catch {
      // It is as it was, next time.
    }
  };
  return [value, change];
}
