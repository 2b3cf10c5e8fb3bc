import type { Rubric } from '../../api/types';

/** A rubric while it is written: figures as they are typed. */
export interface Draft {
  title: string;
  criteria: { id: string; name: string; weight: string; levels: { key: string; sentence: string; points: string }[] }[];
}
export type DraftCriterion = Draft['criteria'][number];

const level = (sentence = '', points = '') => ({ key: crypto.randomUUID(), sentence, points });

export const newCriterion = (): DraftCriterion => ({
  id: crypto.randomUUID(),
  name: '',
  weight: '1',
  levels: [level('', '2'), level('', '1'), level('', '0')],
});
export const newLevel = () => level('', '0');

export const draftOf = ({ title, criteria }: Rubric): Draft => ({
  title,
  criteria: criteria.map(({ id, name, weight, levels }) => ({
    id,
    name,
    weight: String(weight),
    levels: levels.map(({ sentence, points }) => level(sentence, String(points))),
  })),
});

/** What is no figure is sent as none, and the server says what is wrong with it. */
const figure = (typed: string): number => (/^\s*\d+\s*$/.test(typed) ? Number(typed) : -1);

export const rubricOf = ({ title, criteria }: Draft): Rubric => ({
  title,
  criteria: criteria.map(({ id, name, weight, levels }) => ({
    id,
    name,
    weight: figure(weight),
    levels: levels.map(({ sentence, points }) => ({ sentence, points: figure(points) })),
  })),
});

/** A list in which one stands a place further up or down. */
export function moved<T>(list: T[], from: number, by: -1 | 1): T[] {
  const next = [...list];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(from + by, 0, one);
  return next;
}
