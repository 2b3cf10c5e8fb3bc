import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, it } from 'vitest';
import { useStory } from '../../web/story/useStory';
import { json, serve, story, type Asked } from './server';

/** The queue of edits: one a story for the whole page, in order, on the newest revision, patient without a connection. */
const page = () => {
  const queries = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  return { queries, place: () => renderHook(() => useStory('story'), { wrapper }) };
};
const acts = (all: Asked[]) => all.filter((a) => a.method === 'POST');
const titles = (all: Asked[]) =>
  acts(all).map((a) => (a.body as { edits: { title: string }[] }).edits.map((e) => e.title).join());
const rename = (title: string) => ({ do: 'rename', title }) as const;

describe('a story’s queue of edits', () => {
  it('sends them one after another, each on the revision that the one before gave', async () => {
    let revision = 1;
    let under = 0;
    const all = serve(async ({ method }) => {
      if (method === 'GET') return json(story(revision));
      under += 1;
      expect(under, 'one at a time').toBe(1);
      await new Promise((wake) => setTimeout(wake, 5));
      under -= 1;
      revision += 1;
      return json(story(revision));
    });
    const { result } = page().place();
    await waitFor(() => expect(result.current.view?.revision).toBe(1));
    await act(() => Promise.all(['a', 'b', 'c'].map((t) => result.current.edit(rename(t)))));
    expect(titles(all)).toEqual(['a', 'b', 'c']);
    expect(acts(all).map((a) => a.match)).toEqual(['"1"', '"2"', '"3"']);
    await waitFor(() => expect(result.current.view?.revision).toBe(4));
    await waitFor(() => expect(result.current.saving).toBe('saved'));
  });

  it('goes on when its place is left, and another place’s edit waits behind it', async () => {
    let revision = 1;
    let open: () => void = () => undefined;
    const gate = new Promise<void>((go) => (open = go));
    const all = serve(async ({ method, body }) => {
      if (method === 'GET') return json(story(revision));
      if (JSON.stringify(body).includes('script')) await gate;
      revision += 1;
      return json(story(revision));
    });
    const { place } = page();
    const script = place();
    await waitFor(() => expect(script.result.current.view).toBeDefined());
    act(() => void script.result.current.edit(rename('from the script')));
    script.unmount();
    const booth = place();
    act(() => void booth.result.current.edit(rename('from the booth')));
    await waitFor(() => expect(booth.result.current.saving).toBe('saving'));
    expect(titles(all)).toEqual(['from the script']);
    open();
    await waitFor(() => expect(titles(all)).toEqual(['from the script', 'from the booth']));
    await waitFor(() => expect(booth.result.current.view?.revision).toBe(3));
    expect(acts(all)[1]?.match).toBe('"2"');
  });

  it('does an edit on the newest where the story was changed elsewhere', async () => {
    let revision = 5;
    const all = serve(({ method, match }) => {
      if (method === 'GET') return json(story(revision));
      if (match !== `"${revision}"`) return json({ detail: 'changed' }, 412);
      revision += 1;
      return json(story(revision));
    });
    const { result } = page().place();
    await waitFor(() => expect(result.current.view?.revision).toBe(5));
    revision = 9;
    await act(() => result.current.edit(rename('mine')));
    expect(acts(all).map((a) => a.match)).toEqual(['"5"', '"9"']);
    await waitFor(() => expect(result.current.view?.revision).toBe(10));
  });

  it('waits without a connection, says so, and sends when there is one', async () => {
    let down = 2;
    const all = serve(({ method }) => {
      if (method === 'GET') return json(story(1));
      down -= 1;
      if (down >= 0) throw new TypeError('network');
      return json(story(2));
    });
    const { result } = page().place();
    await waitFor(() => expect(result.current.view).toBeDefined());
    let done: unknown;
    act(() => void result.current.edit(rename('patient')).then((view) => (done = view?.revision)));
    await waitFor(() => expect(result.current.saving).toBe('waiting'));
    await waitFor(() => expect(done).toBe(2), { timeout: 8000 });
    expect(acts(all)).toHaveLength(3);
    await waitFor(() => expect(result.current.saving).toBe('saved'));
  }, 12_000);

  it('comes again after the time that a busy server names', async () => {
    let busy = true;
    serve(({ method }) => {
      if (method === 'GET') return json(story(1));
      if (!busy) return json(story(2));
      busy = false;
      return json({ detail: 'busy' }, 429, { 'Retry-After': '1' });
    });
    const { result } = page().place();
    await waitFor(() => expect(result.current.view).toBeDefined());
    await act(() => result.current.edit(rename('later')));
    await waitFor(() => expect(result.current.view?.revision).toBe(2));
  });

  it('gives up what is refused, fetches the truth, and goes on with the next', async () => {
    let revision = 1;
    const all = serve(({ method, body }) => {
      if (method === 'GET') return json(story(revision));
      if (JSON.stringify(body).includes('bad')) return json({ detail: 'That slide is gone.' }, 409);
      revision += 1;
      return json(story(revision));
    });
    const { result } = page().place();
    await waitFor(() => expect(result.current.view).toBeDefined());
    const outcome = await act(() =>
      Promise.all([result.current.edit(rename('bad')), result.current.edit(rename('good'))]),
    );
    expect(outcome[0]).toBeNull();
    expect(outcome[1]?.revision).toBe(2);
    expect(titles(all)).toEqual(['bad', 'good']);
  });

  it('never goes back to an older story when answers overtake each other', async () => {
    serve(() => json(story(3)));
    const { result } = page().place();
    await waitFor(() => expect(result.current.view?.revision).toBe(3));
    act(() => void result.current.receive(story(7)));
    act(() => void result.current.receive(story(5)));
    await waitFor(() => expect(result.current.view?.revision).toBe(7));
  });
});
