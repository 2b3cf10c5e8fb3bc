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

/** The network did not carry the request: it may be tried again. */
export class Unreachable extends Error {
  constructor() {
    super('There is no connection at the moment.');
  }
}

export const api = createClient<paths>({ baseUrl: window.location.origin });

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
  if (!outcome.response.ok) throw refusal(outcome.response.status, outcome.error);
  return outcome.data as T;
}

export function refusal(status: number, problem: unknown): Refusal | Unreachable {
  if (status === 502 || status === 503 || status === 504) return new Unreachable();
  const said = (problem ?? {}) as { detail?: string; missing?: number[] };
  return new Refusal(status, said.detail ?? 'That did not work. Please try again.', said.missing);
}

export const sentence = (error: unknown): string =>
  error instanceof Error ? error.message : 'That did not work. Please try again.';
