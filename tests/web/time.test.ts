import { describe, expect, it } from 'vitest';
import { ago, clock } from '../../web/parts/time';

describe('times', () => {
  const now = Date.parse('2026-11-25T12:00:00Z');
  it.each([
    ['2026-11-25T11:59:40Z', 'now'],
    // A clock that is behind the server's.
    ['2026-11-25T12:00:30Z', 'now'],
    ['2026-11-25T11:59:00Z', '1 min ago'],
    ['2026-11-25T11:00:01Z', '59 min ago'],
    ['2026-11-25T09:00:00Z', '3 hr ago'],
    ['2026-11-24T11:00:00Z', 'yesterday'],
    ['2026-11-20T11:00:00Z', '5 days ago'],
    ['2026-11-10T11:00:00Z', 'Tuesday 10 November'],
  ])('%s was %s', (date, said) => expect(ago(date, now)).toBe(said));

  it('tell minutes and seconds', () => expect([clock(0), clock(59.6), clock(725)]).toEqual(['0:00', '1:00', '12:05']));
});
