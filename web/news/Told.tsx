import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useNews } from '../api/news';
import type { News } from '../api/types';
import { say } from '../messages/say';
import { useTell } from '../parts/notices';

const nameOf = ({ kind, id, count }: News) => `${kind} ${id} ${count}`;
const wayTo = ({ kind, id }: News) => (kind === 'watched' ? `/assignments/${id}/watched` : `/handins/${id}`);

/** What a page shows of it is looked up anew. */
function refresh(queries: QueryClient, { kind, id }: News): void {
  void queries.invalidateQueries({ queryKey: ['desk'] });
  if (kind === 'said') void queries.invalidateQueries({ queryKey: ['handin', id] });
  if (kind === 'handed-in') void queries.invalidateQueries({ queryKey: ['assignment'] });
}

function text(kind: News['kind'], title: string): string {
  switch (kind) {
    case 'handed-in':
      return say('news.handed-in', { title });
    case 'said':
      return say('news.said', { title });
    case 'to-watch':
      return say('news.to-watch', { title });
    case 'watched':
      return say('news.watched', { title });
  }
}

/** Tells what has come while somebody looks at something else. Whoever records a voice is told when they have left the Booth. */
export function Told() {
  const { pathname } = useLocation();
  const { data } = useNews(!pathname.endsWith('/booth'));
  const queries = useQueryClient();
  const navigate = useNavigate();
  const tell = useTell();
  /** What was there before; null until it is known. */
  const known = useRef<Set<string> | null>(null);
  useEffect(() => {
    if (!data) return;
    const before = known.current;
    known.current = new Set(data.map(nameOf));
    // What waited before the page was opened stands on the desk.
    if (before === null) return;
    const fresh = data.filter((one) => !before.has(nameOf(one)));
    for (const one of fresh) refresh(queries, one);
    const elsewhere = fresh.filter((one) => wayTo(one) !== pathname);
    const [first] = elsewhere;
    if (!first) return;
    if (elsewhere.length === 1)
      tell(text(first.kind, first.title), {
        action: { label: say('news.look'), run: () => void navigate(wayTo(first)) },
      });
    else
      tell(say('news.many', { count: elsewhere.length }), {
        action: { label: say('news.to-desk'), run: () => void navigate('/') },
      });
  }, [data, pathname, queries, navigate, tell]);
  return null;
}
