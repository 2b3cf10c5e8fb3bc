import type { Finding } from '../api/types';

/** What Proof may say of a picture by itself, whatever is done with it. */
const RULES = ['small-picture', 'soft-picture', 'black-borders', 'sideways-picture'];

/** Slides of whose pictures something may be wrong, each once. */
export const wanting = (proof: readonly Finding[]): string[] => [
  ...new Set(proof.filter(({ rule }) => RULES.includes(rule)).flatMap(({ slides }) => slides.map((slide) => slide.id))),
];
