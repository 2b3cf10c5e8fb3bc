import { QueryClient } from '@tanstack/react-query';
import { expect, it } from 'vitest';
import { told } from '../../web/api/told';

it('does not let a look that was under way show what was before an act', async () => {
  const queries = new QueryClient();
  queries.setQueryData(['film'], { points: 0 });
  let arrive: (seen: { points: number }) => void = () => undefined;
  const look = queries
    .fetchQuery({ queryKey: ['film'], queryFn: () => new Promise<{ points: number }>((done) => (arrive = done)) })
    .catch(() => undefined);
  await told<{ points: number }>(queries, ['film'], (old) => old && { ...old, points: old.points + 1 });
  arrive({ points: 0 });
  await look;
  expect(queries.getQueryData(['film'])).toEqual({ points: 1 });
});
