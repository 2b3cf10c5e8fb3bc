import type { QueryClient } from '@tanstack/react-query';

/**
 * What the server answered to an act is what there is now. A look that was under way when it was done would show what was before:
 * it is let go.
 */
export async function told<T>(
  queries: QueryClient,
  queryKey: readonly unknown[],
  now: T | ((old: T | undefined) => T | undefined),
): Promise<void> {
  await queries.cancelQueries({ queryKey });
  queries.setQueryData<T>(queryKey, now as T);
}
