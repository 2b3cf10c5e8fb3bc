import { useEffect, useState } from 'react';
import { addPart, bytesOf, changes, countOf, drop, isRefused, numbersOf, put, unsent, type Kept } from './keeper';

/** What this person spoke and the server would not have: it lies in this browser only. */
export function useKeptHere(person: string): Kept[] {
  const [here, setHere] = useState<Kept[]>([]);
  useEffect(() => {
    let latest = 0;
    const look = async () => {
      const round = ++latest;
      const found = (await unsent(person)).filter(isRefused);
      // What has not changed stays the very same: who hears it goes on hearing it.
      const asBefore = (one: Kept, known: Kept[]) =>
        known.find(({ id, refused }) => id === one.id && refused?.code === one.refused?.code) ?? one;
      if (round === latest) setHere((known) => found.map((one) => asBefore(one, known)));
    };
    const again = () => void look();
    again();
    changes.addEventListener('change', again);
    return () => {
      latest = -1;
      changes.removeEventListener('change', again);
    };
  }, [person]);
  return here;
}

/** How a sound of each kind begins, and what its file is called. */
const KINDS: [begins: string, at: number, type: string, ending: string][] = [
  ['ftyp', 4, 'audio/mp4', 'm4a'],
  ['OggS', 0, 'audio/ogg', 'ogg'],
  ['', 0, 'audio/webm', 'webm'],
];

/** The recording as a sound file, as far as it goes without a gap. */
export async function soundFile(kept: Kept): Promise<File> {
  const parts: ArrayBuffer[] = [];
  for (let number = 0, count = await countOf(kept); number < count; number += 1) {
    const bytes = await bytesOf(kept, number);
    if (!bytes) break;
    parts.push(bytes);
  }
  const begins = new TextDecoder('latin1').decode((parts[0] ?? new ArrayBuffer(0)).slice(0, 12));
  const [, , type, ending] = KINDS.find(([word, at]) => begins.startsWith(word, at)) ?? ['', 0, 'audio/webm', 'webm'];
  const spoken = new Date(kept.begun).toISOString().slice(0, 16).replace(/[T:]/g, '-');
  return new File(parts, `recording-${spoken}.${ending}`, { type });
}

/** It is begun anew: where it was to go, or on another slide, whole. Until it is had it is told as before. */
export async function askAgain(kept: Kept, elsewhere?: { story: string; slide: string }): Promise<Kept> {
  const anew: Kept = { ...kept, ...elsewhere };
  delete anew.server;
  if (elsewhere) {
    delete anew.around;
    delete anew.steps;
    delete anew.pointing;
  }
  await put(anew);
  return anew;
}

/** Deletes it. What is answered brings it back. */
export async function takeAway(kept: Kept): Promise<() => Promise<void>> {
  const parts = await Promise.all((await numbersOf(kept)).map(async (n) => [n, await bytesOf(kept, n)] as const));
  await drop(kept);
  return async () => {
    for (const [number, bytes] of parts) if (bytes) await addPart(kept, number, bytes);
    await put(kept);
  };
}
