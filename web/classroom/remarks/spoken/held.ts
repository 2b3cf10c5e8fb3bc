import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What was spoken of a film and is not left yet: it lies in the browser, so that a reload or an empty battery costs nothing. */
interface Held extends DBSchema {
  spoken: { key: string; value: { bytes: ArrayBuffer; type: string; spokenAt: number } };
}

/** Milliseconds after which nobody comes back to it. */
const WAITS = 7 * 24 * 3_600_000;
let opened: Promise<IDBPDatabase<Held>> | null = null;
const held = () =>
  (opened ??= openDB<Held>('rhapsode-spoken', 1, { upgrade: (db) => void db.createObjectStore('spoken') }));

let last: Promise<unknown> = Promise.resolve();
/**
 * One after the other: what is let go is not held again by what was asked before. A browser that has no room for it, or keeps nothing
 * for anybody, holds it while the page is open.
 */
const tried = <T>(what: () => Promise<T>): Promise<T | undefined> => {
  const done = last.then(what).catch(() => undefined);
  last = done;
  return done;
};

export const hold = (key: string, sound: Blob) =>
  tried(async () => {
    const bytes = await sound.arrayBuffer();
    await (await held()).put('spoken', { bytes, type: sound.type, spokenAt: Date.now() }, key);
  });

export const letGo = (key: string) => tried(async () => (await held()).delete('spoken', key));

export const waiting = (key: string): Promise<Blob | undefined> =>
  tried(async () => {
    const found = await (await held()).get('spoken', key);
    if (!found) return undefined;
    if (Date.now() - found.spokenAt < WAITS) return new Blob([found.bytes], { type: found.type });
    await (await held()).delete('spoken', key);
    return undefined;
  });
