import { describe, expect, it } from 'vitest';
import { arrange, behind, stepped } from '../../web/script/arrange';

const rows = (names: string) => [...names].map((id, index) => ({ id, index, last: index === names.length - 1 }));
const order = (all: { id: string }[]) => all.map(({ id }) => id).join('');

describe('What was asked of slides', () => {
  it('shows at once, and what is done already changes nothing', () => {
    const asked = [
      { do: 'move', slides: ['d', 'b'], after: 'e' },
      { do: 'go', slides: ['a'] },
      { do: 'move', slides: ['e'], after: null },
    ] as const;
    expect(order(arrange(rows('abcdef'), asked))).toBe('ecbdf');
    // They are done one after another: the first of them is in the story already when it is told so.
    expect(order(arrange(arrange(rows('abcdef'), asked.slice(0, 1)), asked))).toBe('ecbdf');
    expect(order(arrange(arrange(rows('abcdef'), asked.slice(0, 2)), asked.slice(1)))).toBe('ecbdf');
  });

  it('numbers them as they will stand, and leaves alone what stays in its place', () => {
    const before = rows('abcd');
    const shown = arrange(before, [{ do: 'move', slides: ['d'], after: 'b' }]);
    expect(shown.map(({ index, last }) => [index, last])).toEqual([
      [0, false],
      [1, false],
      [2, false],
      [3, true],
    ]);
    expect(shown[0]).toBe(before[0]);
    expect(shown[1]).toBe(before[1]);
  });

  it('goes behind what stays, where the goal itself is moved', () => {
    const all = [...'abcdef'];
    expect(behind(all, new Set('b'), 'e', 'before')).toBe('d');
    expect(behind(all, new Set('b'), 'e', 'after')).toBe('e');
    expect(behind(all, new Set('cd'), 'e', 'before')).toBe('b');
    expect(behind(all, new Set('ab'), 'b', 'after')).toBeNull();
    expect(behind(all, new Set(), 'a', 'before')).toBeNull();
  });

  it('steps by one place, and no further than there are places', () => {
    const all = [...'abcd'];
    expect(stepped(all, ['c'], -1)).toBe('a');
    expect(stepped(all, ['b'], -1)).toBeNull();
    expect(stepped(all, ['a', 'b'], -1)).toBeUndefined();
    expect(stepped(all, ['b', 'c'], 1)).toBe('d');
    expect(stepped(all, ['d'], 1)).toBeUndefined();
  });
});
