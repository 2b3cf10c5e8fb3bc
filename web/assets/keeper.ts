import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { AssetState, Stroke } from '../api/types';
import type { Message } from '../messages/say';
import type { Stretch } from '../story/spans';

/**
 * Keeps what is on its way in safe: a recording part by part from the moment it is spoken, a file as it was chosen. It lies in
 * the browser (IndexedDB) until the server has said that it holds the whole. What a closed tab, a reload or a lost network left
 * unsent is sent at the next visit. What was spoken goes in two cases only: the server has it ready, or its maker deletes it.
 */
export interface Kept {
  id: string;
  person: string;
  story: string;
  kind: AssetState['kind'];
  file: string;
  /** A picture's new slide, or the slide that a voice is for. */
  slide: string | null;
  /** It goes beside what its slide shows. */
  beside?: boolean;
  /** The layer of its slide whose picture it replaces. */
  layer?: string;
  /** What a voice is spoken for, where that is a part of what its slide speaks. */
  around?: Stretch;
  /** From slide to slide, where one recording is for many: samples of it. */
  steps?: { slide: string; at: number }[];
  /** Where somebody pointed while they spoke. */
  pointing?: Stroke[];
  /** Samples that were recorded, by the clock by which steps and pointing are noted. */
  recorded?: number;
  /** Slides that a picture's should follow, the nearest first. */
  after: string[];
  begun: number;
  /** The server's own id, once it has given one. */
  server?: string;
  /** How many parts there are, once a recording has ended. */
  parts?: number;
  /** The whole, of what was chosen as a file: its parts are cut from it as they are sent. */
  whole?: File;
  /** Why the server would not have it. Its maker decides what becomes of it then. */
  refused?: Message;
}

/** Spoken here, and nowhere else to be had: not a file that somebody chose. */
export const isSpoken = ({ kind, whole }: Kept): boolean => kind === 'voice' && whole === undefined;

interface Keep extends DBSchema {
  takes: { key: string; value: Kept };
  parts: { key: [string, number]; value: { take: string; number: number; bytes: ArrayBuffer } };
}

/** What a recording is for, besides one whole slide. */
export type Part = Pick<Kept, 'around' | 'steps'>;

const FILE_PART = 4_000_000;
let opened: Promise<IDBPDatabase<Keep>> | null = null;
const keep = () =>
  (opened ??= openDB<Keep>('rhapsode-recordings', 1, {
    upgrade: (db) => {
      db.createObjectStore('takes', { keyPath: 'id' });
      db.createObjectStore('parts', { keyPath: ['take', 'number'] });
    },
  }).catch((error: unknown) => {
    opened = null;
    throw error;
  }));
/** What the browser holds, or what it comes to where it can hold nothing. */
async function stored<T>(ask: (db: IDBPDatabase<Keep>) => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await ask(await keep());
  } catch {
    return otherwise;
  }
}
const partsOf = (id: string) => IDBKeyRange.bound([id, 0], [id, Infinity]);

/** What is being sent from this page just now. */
export const underWay = new Set<string>();

/** Tells whoever listens that something is kept, or no longer. */
export const changes = new EventTarget();
const changed = () => changes.dispatchEvent(new Event('change'));

export async function put(kept: Kept): Promise<void> {
  await (await keep()).put('takes', kept);
  changed();
}

export async function beginTake(person: string, story: string, slide: string, part: Part = {}): Promise<Kept> {
  // Asked for, a browser does not clear it away when its own room grows short.
  void navigator.storage?.persist?.().catch(() => undefined);
  const kept: Kept = {
    id: crypto.randomUUID(),
    person,
    story,
    kind: 'voice',
    file: 'recording',
    slide,
    ...part,
    after: [],
    begun: Date.now(),
  };
  // Where the browser can keep nothing the first part says so, while one speaks.
  await put(kept).catch(() => undefined);
  return kept;
}

/** Parts for which the browser had no room: they are held for as long as the page is open. */
const inHand = new Map<string, Map<number, ArrayBuffer>>();

/** Whether closing the page would lose something. */
export const isOnlyInHand = (): boolean => inHand.size > 0;

/** Tells whether the browser keeps it, also when it is killed or the battery is empty the moment after. */
export async function addPart(kept: Kept, number: number, bytes: ArrayBuffer): Promise<boolean> {
  try {
    const act = (await keep()).transaction('parts', 'readwrite', { durability: 'strict' });
    await Promise.all([act.store.put({ take: kept.id, number, bytes }), act.done]);
    return true;
  } catch {
    const held = inHand.get(kept.id) ?? new Map<number, ArrayBuffer>();
    inHand.set(kept.id, held.set(number, bytes));
    return false;
  }
}

export async function endTake(kept: Kept, parts: number): Promise<void> {
  kept.parts = parts;
  // Without room for that, the page knows it still; and how far it goes is counted at the next visit.
  await put(kept).catch(() => undefined);
}

/** Keeps a chosen file. Where there is no room for it, it is sent all the same, and only a reload would lose it. */
export async function keepFile(kept: Kept): Promise<void> {
  await put(kept).catch(() => undefined);
}

export async function drop(kept: Kept): Promise<void> {
  inHand.delete(kept.id);
  const db = await keep();
  await db.delete('parts', partsOf(kept.id));
  await db.delete('takes', kept.id);
  changed();
}

/** What there is of it so far: the number of each part, and the bytes of one. */
export async function numbersOf(kept: Kept): Promise<number[]> {
  if (kept.whole) return Array.from({ length: Math.ceil(kept.whole.size / FILE_PART) }, (_, n) => n);
  const keys = await stored((db) => db.getAllKeys('parts', partsOf(kept.id)), []);
  return [...keys.map(([, number]) => number), ...(inHand.get(kept.id)?.keys() ?? [])];
}

export async function bytesOf(kept: Kept, number: number): Promise<ArrayBuffer | undefined> {
  if (kept.whole) return kept.whole.slice(number * FILE_PART, (number + 1) * FILE_PART).arrayBuffer();
  return (
    inHand.get(kept.id)?.get(number) ?? (await stored((db) => db.get('parts', [kept.id, number]), undefined))?.bytes
  );
}

/** How many parts it has: of a recording that a closed tab cut off, as far as it goes without a gap. */
export async function countOf(kept: Kept): Promise<number> {
  if (kept.whole) return Math.ceil(kept.whole.size / FILE_PART);
  if (kept.parts !== undefined) return kept.parts;
  const there = new Set(await numbersOf(kept));
  let count = 0;
  while (there.has(count)) count += 1;
  await endTake(kept, count);
  return count;
}

/** What was spoken and the server would not have, also while it is tried again. */
export const isRefused = (kept: Kept): boolean => isSpoken(kept) && kept.refused !== undefined;

/** What of this person's the server does not hold whole, and nobody is sending; and what it would not have. */
export async function unsent(person: string): Promise<Kept[]> {
  const found: Kept[] = [];
  for (const kept of (await stored((db) => db.getAll('takes'), [])) as (Kept & { kind?: Kept['kind'] })[]) {
    if (kept.person !== person || (underWay.has(kept.id) && !isRefused(kept))) continue;
    // As an earlier version kept recordings.
    const whole = { ...kept, kind: kept.kind ?? 'voice', after: kept.after ?? [] };
    if ((await numbersOf(whole)).length > 0) found.push(whole);
    else await drop(whole).catch(() => undefined);
  }
  // What was said last counts.
  return found.toSorted((a, b) => a.begun - b.begun);
}
