import { answer, api, isItsOwn, pause, Unreachable } from '../api/client';
import type { AssetState } from '../api/types';

/** Hears whether it waits, and for what. */
export type Waiting = (isWaiting: boolean, why?: unknown) => void;

/** Seconds from one question to the next, at first and at last. */
const FIRST = 0.3;
const LAST = 1.5;
type Waiter = {
  resolve: (state: AssetState) => void;
  reject: (error: unknown) => void;
  tell: Waiting;
  made: (share: number) => void;
};
const stories = new Map<string, Map<string, Waiter[]>>();

/** Waits for what was sent to be made ready. A story is asked once for all that it waits for, a little less often with time. */
export function ready(
  story: string,
  asset: string,
  tell: Waiter['tell'] = () => undefined,
  made: Waiter['made'] = () => undefined,
): Promise<AssetState> {
  return new Promise((resolve, reject) => {
    const waiters = stories.get(story) ?? new Map<string, Waiter[]>();
    const begins = waiters.size === 0;
    waiters.set(asset, [...(waiters.get(asset) ?? []), { resolve, reject, tell, made }]);
    stories.set(story, waiters);
    if (begins) void ask(story, waiters);
  });
}

async function ask(story: string, waiters: Map<string, Waiter[]>): Promise<void> {
  let rest = FIRST;
  for (; waiters.size > 0; rest = Math.min(rest * 1.3, LAST)) {
    await pause(rest);
    const all = [...waiters.values()].flat();
    try {
      const states = new Map(
        (await answer(api.GET('/api/stories/{id}/assets', { params: { path: { id: story } } }))).map((s) => [s.id, s]),
      );
      for (const one of all) one.tell(false);
      for (const [asset, those] of [...waiters]) {
        // One that was begun long ago is no longer in the list.
        const state =
          states.get(asset) ?? (await answer(api.GET('/api/assets/{id}', { params: { path: { id: asset } } })));
        if (state.progress !== null) for (const one of those) one.made(state.progress / 100);
        if (state.state !== 'ready' && state.state !== 'refused') continue;
        waiters.delete(asset);
        for (const one of those) one.resolve(state);
        rest = FIRST;
      }
    } catch (error) {
      if (error instanceof Unreachable || isItsOwn(error)) {
        for (const one of all) one.tell(isItsOwn(error) || (error as Unreachable).seconds === 0, error);
        continue;
      }
      waiters.clear();
      for (const one of all) one.reject(error);
    }
  }
}
