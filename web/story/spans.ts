import type { Slide } from '../api/types';

export type Span = Slide['voice'][number];

/** A stretch of a voice as it is heard: the voice as somebody saw it, and from and to in its samples. */
export interface Stretch {
  voice: Span[];
  from: number;
  to: number;
}
