import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, api } from '../api/client';
import { told } from '../api/told';
import type { HandInView } from '../api/types';

/** Whoever made a film has read what is said of it when they see it; what was new stays marked until they leave. */
export function useRead(data: HandInView | undefined): ReadonlySet<string> {
  const queries = useQueryClient();
  const [fresh, setFresh] = useState<ReadonlySet<string>>(new Set());
  const id = data?.id;
  const unread = data?.unread;
  useEffect(() => {
    if (id === undefined || !unread || unread.length === 0) return;
    setFresh((before) => (unread.every((key) => before.has(key)) ? before : new Set([...before, ...unread])));
    answer(api.POST('/api/handins/{id}/read', { params: { path: { id } }, body: { read: unread } }))
      .then(() => {
        void queries.invalidateQueries({ queryKey: ['news'] });
        return told<HandInView>(queries, ['handin', id], (old) => old && { ...old, unread: [] });
      })
      // It is new once more when they look again.
      .catch(() => undefined);
  }, [id, unread, queries]);
  return fresh;
}
