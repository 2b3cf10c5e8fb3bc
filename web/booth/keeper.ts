import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { answer, api, pause, Refusal, refusal, Unreachable } from '../api/client';
import type { components } from '../api/schema';

/**
 * Keeps recordings safe: every part lies in the browser (IndexedDB) from the moment it is spoken until the server has said
 * that it holds the whole. What a closed tab or a lost network left unsent is sent at the next visit.
 */
export interface KeptTake {
  id: string;
  person: string;
  story: string;
  slide: string;
  file: string;
  begun: number;
  /** The server's own id, once it has given one. */
  server?: string;
  /** How many parts there are, once the recording has ended. */
  parts?: number;
}

interface Keep extends DBSchema {
  takes: { key: string; value: KeptTake };
  parts: { key: [string, number]; value: { take: string; number: number; bytes: ArrayBuffer } };
}

export type Finished = components['schemas']['Finished'];

let opened: Promise<IDBPDatabase<Keep>> | null = null;
const keep = () =>
  (opened ??= openDB<Keep>('rhapsode-recordings', 1, {
    upgrade: (db) => {
      db.createObjectStore('takes', { keyPath: 'id' });
      db.createObjectStore('parts', { keyPath: ['take', 'number'] });
    },
  }));

const partsOf = (take: string) => IDBKeyRange.bound([take, 0], [take, Infinity]);

export async function beginTake(person: string, story: string, slide: string, file = 'recording'): Promise<KeptTake> {
  const take: KeptTake = { id: crypto.randomUUID(), person, story, slide, file, begun: Date.now() };
  await (await keep()).put('takes', take);
  return take;
}

export async function addPart(take: KeptTake, number: number, bytes: ArrayBuffer): Promise<void> {
  await (await keep()).put('parts', { take: take.id, number, bytes });
}

export async function endTake(take: KeptTake, parts: number): Promise<void> {
  take.parts = parts;
  await (await keep()).put('takes', take);
}

export async function dropTake(take: KeptTake): Promise<void> {
  const db = await keep();
  await db.delete('parts', partsOf(take.id));
  await db.delete('takes', take.id);
}

/** Recordings of this person that the server does not hold whole. */
export async function unsent(person: string): Promise<KeptTake[]> {
  const db = await keep();
  const takes = (await db.getAll('takes')).filter((take) => take.person === person && !sending.has(take.id));
  const whole: KeptTake[] = [];
  for (const take of takes) {
    if ((await db.count('parts', partsOf(take.id))) > 0) whole.push(take);
    else await dropTake(take);
  }
  return whole;
}

const sending = new Set<string>();

/** Sends what there is so far; quietly leaves off where there is no connection, since all is kept here. */
export class Sender {
  private readonly held = new Set<number>();
  private working: Promise<void> | null = null;
  private stopped = false;

  constructor(private readonly take: KeptTake) {
    sending.add(take.id);
  }

  /** A new part is kept: send it along. */
  nudge(): void {
    void this.work().catch(() => undefined);
  }

  stop(): void {
    this.stopped = true;
    sending.delete(this.take.id);
  }

  /** Sends all that is left and has the server put it together. Tries on while there is no connection. */
  async finish(waiting: (isWaiting: boolean) => void): Promise<Finished> {
    for (let patience = 800; ; patience = Math.min(patience * 1.5, 10_000)) {
      try {
        await this.work();
        const done = await answer(
          api.POST('/api/takes/{id}/finish', {
            params: { path: { id: this.take.server ?? '' } },
            body: { parts: this.take.parts ?? 0 },
          }),
        );
        await dropTake(this.take);
        this.stop();
        return done;
      } catch (error) {
        if (error instanceof Refusal && error.missing.length > 0) {
          for (const number of error.missing) this.held.delete(number);
        } else if (!(error instanceof Unreachable) || this.stopped) {
          this.stop();
          throw error;
        }
        const busy = error instanceof Unreachable ? error.seconds : 0;
        waiting(busy === 0);
        await pause(busy > 0 ? busy : patience / 1000);
        waiting(false);
      }
    }
  }

  private work(): Promise<void> {
    this.working ??= this.send().finally(() => {
      this.working = null;
    });
    return this.working;
  }

  private async send(): Promise<void> {
    const db = await keep();
    if (!this.take.server) {
      const made = await answer(
        api.POST('/api/stories/{id}/takes', {
          params: { path: { id: this.take.story } },
          body: { slide: this.take.slide, file: this.take.file },
        }),
      );
      this.take.server = made.id;
      await db.put('takes', { ...this.take });
    } else if (this.held.size === 0) {
      const state = await answer(api.GET('/api/takes/{id}', { params: { path: { id: this.take.server } } }));
      for (const number of state.parts) this.held.add(number);
    }
    for (let more = true; more;) {
      more = false;
      for (const [, number] of await db.getAllKeys('parts', partsOf(this.take.id))) {
        if (this.held.has(number)) continue;
        const part = await db.get('parts', [this.take.id, number]);
        if (!part) continue;
        await putPart(this.take.server, number, part.bytes);
        this.held.add(number);
        more = true;
      }
    }
  }
}

async function putPart(take: string, number: number, bytes: ArrayBuffer): Promise<void> {
  let response: Response;
  try {
    response = await fetch(`/api/takes/${take}/parts/${number}`, {
      method: 'PUT',
      body: bytes,
      headers: { 'Content-Type': 'application/octet-stream' },
    });
  } catch {
    throw new Unreachable();
  }
  if (!response.ok)
    throw refusal(response.status, await response.json().catch(() => null), response.headers.get('Retry-After'));
}

const FILE_PART = 4_000_000;

/** A sound recorded elsewhere goes the same way as one recorded here. */
export async function bringInSound(person: string, story: string, slide: string, file: File): Promise<Finished> {
  const take = await beginTake(person, story, slide, file.name);
  let number = 0;
  for (let at = 0; at < file.size; at += FILE_PART) {
    await addPart(take, number, await file.slice(at, at + FILE_PART).arrayBuffer());
    number += 1;
  }
  if (number === 0) throw new Error('This file is empty.');
  await endTake(take, number);
  return settle(take);
}

/** Finishes a kept take; one that the server will not have is not offered for ever. */
export async function settle(
  take: KeptTake,
  waiting: (isWaiting: boolean) => void = () => undefined,
): Promise<Finished> {
  if (take.parts === undefined) {
    // The tab was closed while somebody spoke: what is here, from the first part on without a gap, is the recording.
    const db = await keep();
    let parts = 0;
    while (await db.get('parts', [take.id, parts])) parts += 1;
    await endTake(take, parts);
  }
  try {
    return await new Sender(take).finish(waiting);
  } catch (error) {
    if (error instanceof Refusal) await dropTake(take);
    throw error;
  }
}
