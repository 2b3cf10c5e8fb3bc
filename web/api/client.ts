import createClient from 'openapi-fetch';
import { say, type Message } from '../messages/say';
import type { paths } from './schema';

/** What was said no to, and what is to be said of it to the person at the screen. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly said: Message,
    readonly missing: number[] = [],
  ) {
    super(said.code);
  }
}

/** Nothing was done, and nothing is wrong with what was asked: it may be asked again, in a while. */
export class Unreachable extends Error {
  constructor(
    /** After how many seconds the server wants to be asked again; 0 where there was no connection to it. */
    readonly seconds = 0,
  ) {
    super('unreachable');
  }
}

/** The server could not, and may later: too many asked at once, a full disk, a fault of its own. */
export const isItsOwn = (error: unknown): boolean =>
  error instanceof Refusal && (error.status >= 500 || error.status === 408 || error.status === 429);

// The browser's fetch as it is at the moment of asking, so that tests can stand in for it.
export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: (request) => fetch(request) });

interface Outcome<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** A call whose answer is awaited by answer(). */
export type Answering<T> = Promise<Outcome<T>>;

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
  const { code, parameters, missing } = (problem ?? {}) as Partial<Message> & { missing?: number[] };
  return new Refusal(status, { code: code ?? 'page.did-not-work', parameters }, missing);
}

/** What went wrong, in the reader's language. */
export function sentence(error: unknown): string {
  if (error instanceof Refusal) return say(error.said);
  if (error instanceof Unreachable) return say(error.seconds > 0 ? 'page.busy' : 'page.no-connection');
  return say('page.did-not-work');
}
