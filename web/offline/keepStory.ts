import type { StoryView } from '../api/types';
import { performerOf } from '../stage/layers';
import { isAble, mark, ofPerson } from './kept';

/** How many stories are kept of one person. */
const MOST = 3;
const AT_ONCE = 4;

/** The page's own scripts, styles and faces, as it was opened with. */
const loaded = (): string[] =>
  performance
    .getEntriesByType('resource')
    .map(({ name }) => new URL(name))
    .filter(({ origin, pathname }) => origin === window.location.origin && pathname.startsWith('/assets/'))
    .map(({ pathname }) => pathname);

/** Whether a page is made of what this one was: a newer one would ask for scripts that are not kept. */
async function isThisPage(page: Response): Promise<boolean> {
  const scripts = [...(await page.text()).matchAll(/src="(\/assets\/[^"]+)"/g)].map(([, url = '']) => url);
  return scripts.length > 0 && scripts.every((url) => loaded().includes(url));
}

/** All that a page needs to show the story: what may change, and what is the same for ever. */
function wanted(view: StoryView): { changing: string[]; fixed: string[] } {
  const story = `/api/stories/${view.id}`;
  const drawn = view.plan.scenes.flatMap(({ layers }) => layers.map((layer) => performerOf(layer).url(view.id, layer)));
  return {
    changing: ['/', '/api/session', story, `${story}/rehearsal.json`],
    fixed: [...new Set([...loaded(), ...drawn.filter((url) => url.startsWith('/'))])],
  };
}

/** Keeps a story of that person as it is now. Tells whether all of it is; what cannot be had just now is tried again the next time. */
export async function keepStory(person: string, view: StoryView): Promise<boolean> {
  if (!isAble()) return false;
  await navigator.serviceWorker.register('/worker.js');
  mark();
  const name = ofPerson(person) + view.id;
  const cache = await caches.open(name);
  const { changing, fixed } = wanted(view);
  const there = new Set((await cache.keys()).map(({ url }) => new URL(url).pathname));
  const missing = [...changing, ...fixed.filter((url) => !there.has(new URL(url, window.location.origin).pathname))];
  let isWhole = true;
  const work = async () => {
    for (let url = missing.shift(); url !== undefined; url = missing.shift()) {
      const answer = await fetch(url).catch(() => null);
      const put =
        answer?.ok &&
        (url !== '/' || (await isThisPage(answer.clone()))) &&
        (await cache.put(url, answer).then(
          () => true,
          () => false,
        ));
      if (!put) isWhole = false;
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  const mine = (await caches.keys()).filter((one) => one.startsWith(ofPerson(person)));
  for (const old of mine.filter((one) => one !== name).slice(0, -(MOST - 1))) await caches.delete(old);
  return isWhole;
}
