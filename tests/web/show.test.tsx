import { act, renderHook } from '@testing-library/react';
import { expect, it } from 'vitest';
import { useShow } from '../../web/classroom/screening/useShow';

it('leads by one remote from a title to its film, on to the next, and back the same way', () => {
  const { result } = renderHook(() => useShow(2));
  const now = () => `${result.current.film} ${result.current.isCard ? 'card' : 'film'}`;
  const press = (what: 'onward' | 'back' | 'again') => {
    act(() => result.current[what]());
    return now();
  };
  expect(now()).toBe('0 card');
  expect(press('back')).toBe('0 card');
  expect(['0 film', '1 card', '1 film', '2 card']).toEqual(Array.from({ length: 4 }, () => press('onward')));
  expect(result.current.isOver).toBe(true);
  expect(press('onward'), 'behind the last one is nothing').toBe('2 card');
  expect(press('back')).toBe('1 card');
  expect(press('onward')).toBe('1 film');
  expect(press('back'), 'a film begins anew at its title').toBe('1 card');
  expect(press('again')).toBe('0 card');
});
