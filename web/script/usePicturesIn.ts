import { useCallback, useRef, useState } from 'react';
import { pause, refusal, sentence, Unreachable } from '../api/client';
import type { Added } from '../api/types';
import { newId, type StoryHold } from '../story/useStory';

export interface Arrival {
  id: string;
  name: string;
  state: 'waiting' | 'sending' | 'preparing' | 'done' | 'same' | 'failed';
  share: number;
  problem?: string;
  /** The picture that the same file is already. */
  same?: string;
  file: File;
}

const SIDE_BY_SIDE = 2;

/** Sends one file, telling how much of it has gone. XMLHttpRequest, since fetch cannot tell. */
function send(story: string, arrival: Arrival, after: string[], tell: (share: number) => void): Promise<Added> {
  return new Promise((resolve, reject) => {
    const form = new FormData();
    form.set('slide', arrival.id);
    form.set('after', after.join(','));
    form.set('file', arrival.file, arrival.name);
    const request = new XMLHttpRequest();
    request.open('POST', `/api/stories/${story}/pictures`);
    request.responseType = 'json';
    request.upload.onprogress = (event) => tell(event.total > 0 ? event.loaded / event.total : 0);
    request.onload = () =>
      request.status < 300
        ? resolve(request.response as Added)
        : reject(refusal(request.status, request.response, request.getResponseHeader('Retry-After')));
    request.onerror = () => reject(new Unreachable());
    request.send(form);
  });
}

/** Brings pictures in, many at once, in the order of their names; one that fails does not stop the rest. */
export function usePicturesIn(story: string, hold: StoryHold) {
  const [arrivals, setArrivals] = useState<Arrival[]>([]);
  const busy = useRef(0);
  /** Taken off the list while they waited. */
  const left = useRef(new Set<string>());
  const queue = useRef<{ arrival: Arrival; after: string[] }[]>([]);
  const { receive, edit } = hold;

  const mark = useCallback(
    (id: string, change: Partial<Arrival>) =>
      setArrivals((all) => all.map((a) => (a.id === id ? { ...a, ...change } : a))),
    [],
  );

  const work = useCallback(async () => {
    if (busy.current >= SIDE_BY_SIDE) return;
    busy.current += 1;
    for (let next = queue.current.shift(); next; next = queue.current.shift()) {
      const { arrival, after } = next;
      for (let tries = 0; ; tries += 1) {
        try {
          mark(arrival.id, { state: 'sending', share: 0, problem: undefined });
          const added = await send(story, arrival, after, (share) =>
            mark(arrival.id, { share, state: share >= 1 ? 'preparing' : 'sending' }),
          );
          if ('same' in added) {
            mark(arrival.id, { state: 'same', same: added.same });
          } else {
            receive(added.story);
            mark(arrival.id, { state: 'done', share: 1 });
          }
          break;
        } catch (error) {
          if (!(error instanceof Unreachable)) {
            mark(arrival.id, { state: 'failed', problem: sentence(error) });
            break;
          }
          // However long it takes: it is sent when there is a connection again, unless it is taken off the list.
          mark(arrival.id, { state: 'waiting', problem: error.seconds > 0 ? undefined : sentence(error) });
          await pause(error.seconds > 0 ? error.seconds : Math.min(tries + 1, 10));
          if (left.current.delete(arrival.id)) break;
        }
      }
    }
    busy.current -= 1;
  }, [mark, receive, story]);

  const bringIn = useCallback(
    (files: File[]) => {
      // Natural order of names: 2 before 10.
      const order = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });
      const sorted = [...files].sort((a, b) => order.compare(a.name, b.name));
      const made = sorted.map((file): Arrival => ({ id: newId(), name: file.name, state: 'waiting', share: 0, file }));
      const last = hold.view?.story.slides.at(-1)?.id;
      made.forEach((arrival, i) => {
        // The nearest earlier one of this batch that is there, else what was last before.
        const earlier = made
          .slice(0, i)
          .reverse()
          .slice(0, 40)
          .map((a) => a.id);
        queue.current.push({ arrival, after: last ? [...earlier, last] : earlier });
      });
      setArrivals((all) => [...all.filter((a) => a.state !== 'done'), ...made]);
      for (const each of made) left.current.delete(each.id);
      for (let i = 0; i < SIDE_BY_SIDE; i += 1) void work();
    },
    [hold.view, work],
  );

  /** The same picture again, on a slide of its own. */
  const useAgain = useCallback(
    (arrival: Arrival) => {
      const last = hold.view?.story.slides.at(-1)?.id ?? null;
      const layers = [{ id: 'picture', kind: 'picture', asset: arrival.same }];
      void edit({ do: 'add slide', slide: { id: newId(), layers }, after: last });
      mark(arrival.id, { state: 'done' });
    },
    [edit, hold.view, mark],
  );
  /** Takes one off the list, or all that are over. */
  const putAway = useCallback((id?: string) => {
    if (id !== undefined) {
      left.current.add(id);
      queue.current = queue.current.filter(({ arrival }) => arrival.id !== id);
    }
    setArrivals((all) =>
      all.filter((a) => (id === undefined ? !['done', 'failed', 'same'].includes(a.state) : a.id !== id)),
    );
  }, []);

  return { arrivals, bringIn, useAgain, putAway };
}
