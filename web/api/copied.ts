import type { Slide } from './types';

/** Slides that were copied or cut, for any story in any window of this person's. */
export interface Copied {
  person: string;
  /** The story whose they are. */
  story: string;
  slides: Slide[];
  /** What the system's clipboard got of them: as long as it holds that, they are what was copied last. */
  text: string;
}

const KEY = 'rhapsode-copied';

export function keepCopied(copied: Copied): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(copied));
  } catch {
    // A browser that keeps nothing cannot be pasted from; the slides are as they were.
  }
}

export function copiedBy(person: string | undefined): Copied | null {
  try {
    const copied = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Copied | null;
    return copied !== null && copied.person === person ? copied : null;
  } catch {
    return null;
  }
}

/** A laptop is shared: what one has copied goes as one leaves. */
export function forgetCopied(): void {
  try {
    localStorage.removeItem(KEY);
  } catch {
    // It was not kept either.
  }
}
