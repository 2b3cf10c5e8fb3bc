import { lazy, useState, type ComponentType } from 'react';
import { pause } from '../api/client';

type Module<P> = { default: ComponentType<P> };
const TRIES = 20;

/** Fetches a part of the page, again and again: for as long as there is no connection, however long that is. */
async function patient<P>(fetch: () => Promise<Module<P>>): Promise<Module<P>> {
  for (let n = 1; ; n += 1) {
    try {
      return await fetch();
    } catch (problem) {
      if (n >= TRIES && navigator.onLine) throw problem;
      await pause(Math.min(n, 5));
    }
  }
}

const places: (() => Promise<unknown>)[] = [];

/**
 * A place, or a part of one, with its own script, fetched when it is opened, or before that while nothing else is to be done.
 * What has been fetched is shown at once: React keeps whatever it had to wait for, however shortly, out of view for 0.3 s.
 */
export function place<P extends object>(fetch: () => Promise<Module<P>>) {
  let here: ComponentType<P> | null = null;
  const ahead = () =>
    fetch().then((module) => {
      here = module.default;
      return module;
    });
  const Awaited = lazy(() => patient(ahead)) as unknown as ComponentType<P>;
  places.push(ahead);
  function Place(props: P) {
    // What it was at first it stays, so that nothing in it is lost.
    const [Shown] = useState(() => here ?? Awaited);
    return <Shown {...props} />;
  }
  return Object.assign(Place, { ahead });
}

/** Fetches all places ahead, so that they open at once, and without a network too. */
export function fetchPlacesAhead(): () => void {
  const begin = () => places.forEach((ahead) => void ahead().catch(() => undefined));
  const timer = setTimeout(begin, 1500);
  return () => clearTimeout(timer);
}
