import { afterEach, describe, expect, it, vi } from 'vitest';
import { ago, clock, day, dayOfYear, secondsText } from '../../web/parts/time';

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
  it('tell seconds as long as anybody counts in these', () => {
    expect([4, 4.45, 99.9].map(secondsText)).toEqual(['4 s', '4.5 s', '99.9 s']);
    expect([100, 3659.9].map(secondsText)).toEqual(['1:40', '61:00']);
  });
});

afterEach(() => vi.unstubAllEnvs());

it.each(['Pacific/Honolulu', 'UTC', 'Pacific/Kiritimati'])(
  'a day is the same day in %s; a moment is of the day there',
  (zone) => {
    vi.stubEnv('TZ', zone);
    expect(day('2026-12-05')).toMatch(/^Saturday.*5/);
    expect(dayOfYear('2028-02-29')).toMatch(/29.*2028/);
    expect(day('2026-12-05T11:00:00Z')).toMatch(zone === 'Pacific/Kiritimati' ? /Sunday/ : /Saturday/);
  },
);
