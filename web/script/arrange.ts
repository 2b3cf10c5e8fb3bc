/** What was asked to become of slides: they go, or stand behind another (null: first). */
export type Arranging =
  { do: 'go'; slides: readonly string[] } | { do: 'move'; slides: readonly string[]; after: string | null };

interface Placed {
  id: string;
  index: number;
  last: boolean;
}

/** The rows as they will stand when what was asked is done, one after the other; the first may be done already. */
export function arrange<R extends Placed>(rows: readonly R[], asked: readonly Arranging[]): R[] {
  const order = asked.reduce<readonly R[]>((all, act) => {
    const named = new Set(act.slides);
    const rest = all.filter(({ id }) => !named.has(id));
    if (act.do === 'go') return rest;
    const at = act.after === null ? 0 : rest.findIndex(({ id }) => id === act.after) + 1;
    return [...rest.slice(0, at), ...all.filter(({ id }) => named.has(id)), ...rest.slice(at)];
  }, rows);
  return order.map((row, index) => {
    const last = index === order.length - 1;
    return row.index === index && row.last === last ? row : { ...row, index, last };
  });
}

/**
 * Behind which slide others stand when they are dropped before or behind a goal: where the goal itself moves along, the nearest
 * slide before it that stays is meant.
 */
export function behind(
  order: readonly string[],
  moving: ReadonlySet<string>,
  goal: string,
  place: 'before' | 'after',
): string | null {
  let at = order.indexOf(goal) - (place === 'before' ? 1 : 0);
  while (at >= 0 && moving.has(order[at] ?? '')) at -= 1;
  return order[at] ?? null;
}

/** Behind which slide others stand when they go one place back (-1) or on (1); undefined where there is no such place. */
export function stepped(order: readonly string[], moving: readonly string[], by: -1 | 1): string | null | undefined {
  const places = moving.map((id) => order.indexOf(id));
  const goal = by < 0 ? Math.min(...places) - 2 : Math.max(...places) + 1;
  if ((by < 0 && Math.min(...places) <= 0) || (by > 0 && goal >= order.length)) return undefined;
  return goal < 0 ? null : (order[goal] ?? null);
}
