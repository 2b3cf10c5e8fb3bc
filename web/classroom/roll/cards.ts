import type { components } from '../../api/schema';

export type Card = components['schemas']['Cards'][number];

/**
 * The cards that were made of a class while this page is open. They are told once: neither the server nor this browser keeps them,
 * so that nobody finds them in the way back.
 */
const made = new Map<string, Card[]>();

export const cardsOf = (classroom: string): Card[] => made.get(classroom) ?? [];

/** A newer card of a child takes the place of an earlier one. */
export function keepCards(classroom: string, cards: Card[]): void {
  const others = cardsOf(classroom).filter((one) => !cards.some(({ student }) => student === one.student));
  made.set(classroom, [...others, ...cards]);
}
