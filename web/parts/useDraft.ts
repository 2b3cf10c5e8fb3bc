import { useState } from 'react';

/** What was typed and not sent, while this page is open: whoever comes back finds it. */
const drafts = new Map<string, string>();

/** @param kept what stands there where nothing was typed */
export function useDraft(key: string, kept = ''): [string, (text: string) => void] {
  const [text, setText] = useState(() => drafts.get(key) ?? kept);
  const change = (next: string) => {
    if (next === kept) drafts.delete(key);
    else drafts.set(key, next);
    setText(next);
  };
  return [text, change];
}
