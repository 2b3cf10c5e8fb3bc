import { describe, expect, it } from 'vitest';
import type { Rubric } from '../../web/api/types';
import { draftOf, moved, newCriterion, rubricOf } from '../../web/classroom/rubric/draft';

const rubric: Rubric = {
  title: 'How it is told',
  criteria: [
    {
      id: 'story',
      name: 'The story',
      weight: 3,
      levels: [
        { sentence: 'Told well', points: 4 },
        { sentence: 'Told', points: 0 },
      ],
    },
  ],
};

describe('a rubric while it is written', () => {
  it('is, unchanged, what it was', () => expect(rubricOf(draftOf(rubric))).toEqual(rubric));

  it('sends what is no figure as none, for the server to refuse', () => {
    const draft = draftOf(rubric);
    const [first] = draft.criteria;
    if (!first) throw new Error('there is one');
    for (const [typed, sent] of [
      ['', -1],
      ['-1', -1],
      ['1e9', -1],
      ['2.5', -1],
      ['two', -1],
      [' 7 ', 7],
      ['0', 0],
    ] as const) {
      const told = rubricOf({ ...draft, criteria: [{ ...first, weight: typed }] });
      expect(told.criteria[0]?.weight, typed).toBe(sent);
    }
  });

  it('has a new criterion of its own each time', () => {
    const [one, other] = [newCriterion(), newCriterion()];
    expect(one.id).not.toBe(other.id);
    expect(new Set([...one.levels, ...other.levels].map(({ key }) => key)).size).toBe(6);
  });

  it('has one moved up or down', () => {
    expect(moved(['a', 'b', 'c'], 1, -1)).toEqual(['b', 'a', 'c']);
    expect(moved(['a', 'b', 'c'], 1, 1)).toEqual(['a', 'c', 'b']);
  });
});
