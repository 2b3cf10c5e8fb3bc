import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { isTyping } from './typing';

/** While something is typed and not sent yet, or on its way to the server, closing the tab is asked about. */
export function useUnsaved(): void {
  const queries = useQueryClient();
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (queries.isMutating() > 0 || isTyping()) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [queries]);
}
