import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** While something is on its way to the server, closing the tab is asked about. */
export function useUnsaved(): void {
  const queries = useQueryClient();
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (queries.isMutating() > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [queries]);
}
