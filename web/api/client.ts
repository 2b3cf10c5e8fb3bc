import createClient from 'openapi-fetch';
import type { paths } from './schema';

/** What the server said no to, in a sentence for the person at the screen. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    sentence: string,
    readonly missing: number[] = [],
  ) {
    super(sentence);
  }
}

/** Nothing was done, and nothing is wrong with what was asked: it may be asked again, in a while. */
export class Unreachable extends Error {
  constructor(
    /** After how many seconds the server wants to be asked again; 0 where there was no connection to it. */
    readonly seconds = 0,
  ) {
    super(seconds > 0 ? 'Rhapsode is busy just now.' : 'There is no connection at the moment.');
  }
}

// The browser's fetch as it is at the moment of asking, so that tests can stand in for it.
export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: (request) => fetch(request) });

interface Outcome<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** The answer of a call, or the reason why there is none. */
export async function answer<T>(call: Promise<Outcome<T>>): Promise<T> {
  let outcome: Outcome<T>;
  try {
    outcome = await call;
  } catch {
    throw new Unreachable();
  }
  const { response } = outcome;
  if (!response.ok) throw refusal(response.status, outcome.error, response.headers.get('Retry-After'));
  return outcome.data as T;
}

export const pause = (seconds: number): Promise<void> => new Promise((wake) => setTimeout(wake, seconds * 1000));

export function refusal(status: number, problem: unknown, retryAfter: string | null = null): Refusal | Unreachable {
  // Signing in too often is answered in a sentence, and has no time after which to come again by itself.
  if (status === 429 && retryAfter !== null) return new Unreachable(Math.max(1, Number(retryAfter) || 1));
  if (status === 502 || status === 503 || status === 504) return new Unreachable();
  const said = (problem ?? {}) as { detail?: string; missing?: number[] };
  return new Refusal(status, said.detail ?? 'That did not work. Please try again.', said.missing);
}

export const sentence = (error: unknown): string =>
  error instanceof Error ? error.message : 'That did not work. Please try again.';
