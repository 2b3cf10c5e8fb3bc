import type { Slide } from '../api/types';

export type Span = Slide['voice'][number];

/** What a slide speaks before and after what is said again. */
export interface Around {
  before: Span[];
  after: Span[];
}

/** What of a voice lies from one place to another, in samples of it as it is heard. */
export function partOf(spans: readonly Span[], from: number, to: number): Span[] {
  const part: Span[] = [];
  let at = 0;
  for (const span of spans) {
    const length = span.to - span.from;
    const [begin, end] = [Math.max(from, at), Math.min(to, at + length)];
    if (begin < end) part.push({ asset: span.asset, from: span.from + begin - at, to: span.from + end - at });
    at += length;
  }
  return part;
}
