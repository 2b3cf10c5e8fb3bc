import { useCallback, useEffect, useRef, useState } from 'react';
import { typing } from './typing';

/**
 * Text that saves itself: a little after the last keystroke, on leaving the field, and on leaving the page. What comes from
 * the server is shown while nobody is writing here.
 */
export function useSavedText(saved: string, save: (text: string) => void) {
  const [draft, setDraft] = useState<string | null>(null);
  const latest = useRef<{ draft: string | null; saved: string; save: (text: string) => void }>({ draft, saved, save });
  latest.current.saved = saved;
  latest.current.save = save;

  const flush = useCallback(() => {
    const { draft: text, saved: there, save: keep } = latest.current;
    if (text !== null && text !== there) keep(text);
    typing(latest, false);
  }, []);

  useEffect(() => {
    if (draft === null) return undefined;
    const timer = setTimeout(flush, 900);
    return () => clearTimeout(timer);
  }, [draft, flush]);

  useEffect(() => {
    const now = latest.current;
    return () => {
      if (now.draft !== null && now.draft !== now.saved) now.save(now.draft);
      typing(latest, false);
    };
  }, []);

  const change = useCallback((text: string) => {
    latest.current.draft = text;
    setDraft(text);
    typing(latest, text !== latest.current.saved);
  }, []);
  const leave = useCallback(() => {
    flush();
    latest.current.draft = null;
    setDraft(null);
  }, [flush]);
  // Until the server has answered, what was written stays on the page.
  const [left, setLeft] = useState<string | null>(null);
  const onBlur = useCallback(() => {
    setLeft(latest.current.draft);
    leave();
  }, [leave]);
  useEffect(() => setLeft(null), [saved]);

  return { value: draft ?? left ?? saved, onChange: change, onBlur };
}
