/**
 * A story that can be told without a connection: the page itself, the story, its scripts and pictures lie in the browser's cache,
 * from which web/public/worker.js serves them. Nobody else finds them there: they go when somebody signs out, when another signs in,
 * and with the browser's own session, as the sign-in does.
 */
const KEPT = 'kept ';
const MARK = 'kept=1';

export const isAble = () => 'serviceWorker' in navigator && 'caches' in window && window.isSecureContext;
/** What the caches of a person are called, before the story's id. */
export const ofPerson = (person: string) => `${KEPT}${person} `;
/** From now on, and for as long as the browser's session lasts, something is kept. */
export const mark = () => {
  document.cookie = `${MARK}; SameSite=Strict; Path=/`;
};

/** Lets go of what is kept, but for one person's. */
export async function forget(but: string | null = null): Promise<void> {
  if (!isAble()) return;
  for (const name of await caches.keys()) {
    if (name.startsWith(KEPT) && (but === null || !name.startsWith(ofPerson(but)))) await caches.delete(name);
  }
}

/** When the page begins: what an earlier session of the browser has left is nobody's any more. */
export async function forgetEarlier(): Promise<void> {
  if (isAble() && !document.cookie.includes(MARK)) await forget();
}
