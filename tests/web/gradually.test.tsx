import { act, render, renderHook, screen } from '@testing-library/react';
import { Suspense } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { place } from '../../web/parts/place';
import { useGradually } from '../../web/script/useGradually';

describe('A long list', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it('is drawn little by little, to its end and no further', () => {
    const { result } = renderHook(() => useGradually(60));
    const shown = [result.current];
    for (let n = 0; n < 4; n += 1) {
      act(() => vi.advanceTimersByTime(50));
      shown.push(result.current);
    }
    expect(shown).toEqual([24, 48, 60, 60, 60]);
  });

  it('is drawn at once as far as is wanted, and follows what is added and taken away', () => {
    const { result, rerender } = renderHook(({ count, atOnce }) => useGradually(count, atOnce), {
      initialProps: { count: 100, atOnce: 90 },
    });
    expect(result.current).toBe(90);
    rerender({ count: 10, atOnce: 0 });
    expect(result.current).toBe(10);
    rerender({ count: 30, atOnce: 0 });
    act(() => vi.advanceTimersByTime(50));
    expect(result.current).toBe(30);
  });
});

describe('A part of the page with a script of its own', () => {
  const Told = ({ word }: { word: string }) => <p>{word}</p>;

  it('waits for its script, tries again when that did not come, and is shown at once when it is there already', async () => {
    const fetch = vi
      .fn<() => Promise<{ default: typeof Told }>>()
      .mockRejectedValueOnce(new Error('no connection'))
      .mockResolvedValue({ default: Told });
    const Place = place(fetch);
    render(
      <Suspense fallback="one moment">
        <Place word="first" />
      </Suspense>,
    );
    expect(screen.getByText('one moment')).toBeTruthy();
    expect(await screen.findByText('first', undefined, { timeout: 4000 })).toBeTruthy();
    expect(fetch).toHaveBeenCalledTimes(2);

    render(
      <Suspense fallback="another moment">
        <Place word="second" />
      </Suspense>,
    );
    expect(screen.queryByText('another moment')).toBeNull();
    expect(screen.getByText('second')).toBeTruthy();
    expect(fetch).toHaveBeenCalledTimes(2);
  });
});
