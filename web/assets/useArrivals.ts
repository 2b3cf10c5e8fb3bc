import { useCallback, useEffect, useRef, useState } from 'react';
import { sentence, Unreachable } from '../api/client';
import { useSession } from '../api/session';
import { newId, type StoryHold } from '../story/useStory';
import { isClip } from './kinds';
import { keepFile, unsent, type Kept } from './keeper';
import { Sender } from './Sender';
import { useFetchStory } from './useSendIn';
import type { Waiting } from './waiting';

export interface Arrival {
  id: string;
  name: string;
  state: 'waiting' | 'sending' | 'preparing' | 'done' | 'same' | 'failed';
  share: number;
  problem?: string;
  /** The picture that the same file is already. */
  same?: string;
}

const SIDE_BY_SIDE = 2;
/** Of a clip most of the time goes by while it is made ready. */
const SENT = 0.3;

/** Brings pictures in, many at once, in the order of their names; one that fails does not stop the rest. What a reload cut off goes on. */
export function useArrivals(story: string, hold: StoryHold) {
  const [arrivals, setArrivals] = useState<Arrival[]>([]);
  const { person } = useSession();
  const me = person?.id ?? '';
  const busy = useRef(0);
  const queue = useRef<Kept[]>([]);
  const senders = useRef(new Map<string, Sender>());
  const fetchStory = useFetchStory();
  const { edit } = hold;

  const mark = useCallback(
    (id: string, change: Partial<Arrival>) =>
      setArrivals((all) => all.map((a) => (a.id === id ? { ...a, ...change } : a))),
    [],
  );

  const work = useCallback(async () => {
    if (busy.current >= SIDE_BY_SIDE) return;
    busy.current += 1;
    for (let next = queue.current.shift(); next; next = queue.current.shift()) {
      const { id } = next;
      const whole = next.kind === 'clip' ? SENT : 1;
      const sender = new Sender(next, (share) =>
        mark(id, { share: whole * share, state: 'sending', problem: undefined }),
      );
      senders.current.set(id, sender);
      const waiting: Waiting = (isWaiting, why) =>
        mark(id, { problem: isWaiting ? sentence(why ?? new Unreachable()) : undefined });
      const failed = (error: unknown) => mark(id, { state: 'failed', problem: sentence(error) });
      try {
        mark(id, { state: 'sending' });
        await sender.send(waiting);
        mark(id, { state: 'preparing', share: whole });
        // The next is sent while this one is made ready.
        void sender
          .prepared(waiting, (share) => mark(id, { share: SENT + (1 - SENT) * share }))
          .then(async ({ same }) => {
            if (!same) await fetchStory(story);
            mark(id, same ? { state: 'same', same } : { state: 'done', share: 1 });
          })
          .catch(failed);
      } catch (error) {
        failed(error);
      }
    }
    busy.current -= 1;
  }, [fetchStory, mark, story]);

  const enqueue = useCallback(
    (all: Kept[]) => {
      queue.current.push(...all);
      const made = all.map(({ id, file }): Arrival => ({ id, name: file, state: 'waiting', share: 0 }));
      setArrivals((now) => [...now.filter((a) => a.state !== 'done'), ...made]);
      for (let i = 0; i < SIDE_BY_SIDE; i += 1) void work();
    },
    [work],
  );

  /** Brings files in, in their order: behind a slide, or at the end; or all of them onto one that is there. */
  const bringIn = useCallback(
    (files: File[], behind?: string, beside?: string) => {
      const last = behind ?? hold.view?.story.slides.at(-1)?.id;
      const slides = files.map(newId);
      const made = files.map((whole, i): Kept => {
        // The nearest earlier one of this batch that is there, else the slide they were dropped behind or what was last before.
        const earlier = slides.slice(0, i).reverse().slice(0, 40);
        return {
          id: slides[i] ?? newId(),
          person: me,
          story,
          kind: isClip(whole) ? 'clip' : 'picture',
          file: whole.name,
          slide: beside ?? slides[i] ?? null,
          beside: beside !== undefined,
          after: last ? [...earlier, last] : earlier,
          begun: Date.now(),
          whole,
        };
      });
      // To keep a large one takes its time: what is changed of it later is written later too.
      for (const kept of made) void keepFile(kept);
      enqueue(made);
    },
    [enqueue, hold.view, me, story],
  );

  // What a closed tab or a reload cut off.
  const resumed = useRef('');
  useEffect(() => {
    if (me === '' || resumed.current === story) return;
    resumed.current = story;
    void unsent(me)
      .then((all) => all.filter((kept) => kept.story === story && (kept.kind === 'picture' || kept.kind === 'clip')))
      .then((all) => all.length > 0 && enqueue(all))
      .catch(() => undefined);
  }, [enqueue, me, story]);

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
      queue.current = queue.current.filter((kept) => kept.id !== id);
      void senders.current.get(id)?.giveUp();
    }
    setArrivals((all) =>
      all.filter((a) => (id === undefined ? !['done', 'failed', 'same'].includes(a.state) : a.id !== id)),
    );
  }, []);

  return { arrivals, bringIn, useAgain, putAway };
}
