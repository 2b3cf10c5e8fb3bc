import { lazy, type ComponentType } from 'react';
import { pause } from '../api/client';

type Module<P> = { default: ComponentType<P> };
const TRIES = 20;

/** Fetches a part of the page, again and again while there is no connection. */
async function patient<P>(fetch: () => Promise<Module<P>>): Promise<Module<P>> {
  for (let n = 1; ; n += 1) {
    try {
      return await fetch();
    } catch (problem) {
      if (n >= TRIES) throw problem;
      await pause(Math.min(n, 5));
    }
  }
}

const places: (() => Promise<unknown>)[] = [];

/** A place, or a part of one, with its own script, fetched when it is opened, or before that while nothing else is to be done. */
export function place<P>(fetch: () => Promise<Module<P>>) {
  places.push(fetch);
  return lazy(() => patient(fetch));
}

/** Fetches all places ahead, so that they open at once, and without a network too. */
export function fetchPlacesAhead(): () => void {
  const begin = () => places.forEach((fetch) => void fetch().catch(() => undefined));
  const timer = setTimeout(begin, 1500);
  return () => clearTimeout(timer);
}
