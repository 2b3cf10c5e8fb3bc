import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { useArrivals } from '../../web/assets/useArrivals';
import { addPart, keepFile, unsent, type Kept } from '../../web/assets/keeper';
import type { StoryHold } from '../../web/story/useStory';
import { assetServer, story } from './server';

/** Pictures on their way in: in their order, each knowing which it follows, none stopping the rest. */
vi.mock('../../web/api/session', () => ({
  useSession: () => ({ person: { id: 'me', firstName: 'Me', role: 'student' } }),
}));

const hook = () => {
  const edit = vi.fn(() => Promise.resolve(null));
  const hold = { view: story(1), edit } as unknown as StoryHold;
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
  );
  return { ...renderHook(() => useArrivals('story', hold), { wrapper }), edit };
};
type Hooked = ReturnType<typeof hook>;
const files = (...names: string[]) => names.map((name) => new File(['x'], name));
const states = ({ result }: Hooked) => result.current.arrivals.map(({ state }) => state);

describe('pictures on their way in', () => {
  it('go in their order, each naming those that it follows, the nearest first; behind a slide, where one is named', async () => {
    const server = assetServer();
    const hooked = hook();
    act(() => hooked.result.current.bringIn(files('1.jpg', '2.jpg', '10.jpg')));
    await waitFor(() => expect(states(hooked)).toEqual(['done', 'done', 'done']), { timeout: 5000 });
    const came = [...server.files.values()];
    expect(came.map(({ file }) => file)).toEqual(['1.jpg', '2.jpg', '10.jpg']);
    const [one, two, ten] = came;
    expect(one?.after).toEqual(['s1']);
    expect(two?.after).toEqual([one?.slide, 's1']);
    expect(ten?.after).toEqual([two?.slide, one?.slide, 's1']);
    act(() => hooked.result.current.bringIn(files('between.jpg'), 's0'));
    await waitFor(() => expect([...server.files.values()].at(-1)?.after).toEqual(['s0']));
    await waitFor(() => expect(states(hooked)).toEqual(['done']), { timeout: 5000 });
    expect(await unsent('me')).toEqual([]);
  });

  it('wait without a connection, say so, and can be left out', async () => {
    let down = true;
    const server = assetServer({ failing: () => (down ? 'network' : null) });
    const hooked = hook();
    act(() => hooked.result.current.bringIn(files('lost.jpg', 'm.jpg')));
    await waitFor(() =>
      expect(hooked.result.current.arrivals.find((a) => a.name === 'lost.jpg')?.problem).toContain('no connection'),
    );
    const lost = hooked.result.current.arrivals.find((a) => a.name === 'lost.jpg');
    act(() => hooked.result.current.putAway(lost?.id));
    down = false;
    await waitFor(() => expect(states(hooked)).toEqual(['done']), { timeout: 6000 });
    expect([...server.files.values()].map(({ file }) => file)).toEqual(['m.jpg']);
  }, 10_000);

  it('that are broken or there already do not stop the rest', async () => {
    assetServer({
      ends: (file) =>
        file === 'bad.jpg'
          ? { state: 'refused', problem: { code: 'picture.broken' } }
          : file === 'c.jpg'
            ? { same: 'p' }
            : {},
    });
    const hooked = hook();
    act(() => hooked.result.current.bringIn(files('a.jpg', 'bad.jpg', 'c.jpg', 'd.jpg')));
    await waitFor(() => expect(states(hooked)).toEqual(['done', 'failed', 'same', 'done']), { timeout: 5000 });
    const same = hooked.result.current.arrivals.find((a) => a.state === 'same');
    act(() => {
      if (same) hooked.result.current.useAgain(same);
    });
    expect(hooked.edit).toHaveBeenCalledWith(
      expect.objectContaining({
        do: 'add slide',
        slide: expect.objectContaining({ layers: [{ id: 'picture', kind: 'picture', asset: 'p' }] }),
      }),
    );
    act(() => hooked.result.current.putAway());
    await waitFor(() => expect(states(hooked)).toEqual([]));
  });

  it('that a reload cut off go on at the next visit', async () => {
    const server = assetServer();
    // As parts, since the stand-in for IndexedDB keeps no files; tests/e2e reloads a page with files on their way.
    const kept: Kept = {
      id: 'kept',
      person: 'me',
      story: 'story',
      kind: 'picture',
      file: 'later.jpg',
      slide: 'kept',
      after: ['s1'],
      begun: 0,
      parts: 1,
    };
    await keepFile(kept);
    await addPart(kept, 0, new TextEncoder().encode('x').buffer as ArrayBuffer);
    const hooked = hook();
    await waitFor(() => expect(states(hooked)).toEqual(['done']), { timeout: 5000 });
    expect([...server.files.values()].map(({ file, slide }) => [file, slide])).toEqual([['later.jpg', 'kept']]);
  });
});
