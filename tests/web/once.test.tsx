import { act, renderHook } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { useOnce } from '../../web/parts/useOnce';

it('what is asked for twice at once is done once, and again when it is over', async () => {
  const wrong = vi.fn();
  const { result } = renderHook(() => useOnce(wrong));
  let finish: () => void = () => undefined;
  const slow = vi.fn(() => new Promise<void>((done) => (finish = done)));
  let first: Promise<boolean> | undefined;
  act(() => void (first = result.current.once(slow)));
  expect(result.current.busy).toBe(true);
  expect(await result.current.once(slow)).toBe(false);
  await act(async () => finish());
  expect(await first).toBe(true);
  expect(result.current.busy).toBe(false);
  expect(slow).toHaveBeenCalledOnce();
  const problem = new Error('no');
  await act(async () => expect(await result.current.once(() => Promise.reject(problem))).toBe(false));
  expect(wrong).toHaveBeenCalledExactlyOnceWith(problem);
  expect(result.current.busy).toBe(false);
  await act(async () => expect(await result.current.once(() => Promise.resolve())).toBe(true));
});
