import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, it } from 'vitest';
import { isTyping } from '../../web/story/typing';
import { useSavedText } from '../../web/story/useSavedText';
import { useStory } from '../../web/story/useStory';
import { useUnsaved } from '../../web/story/useUnsaved';
import { json, serve, story } from './server';

/** A page with one field for the story's title. */
const page = () => {
  let revision = 1;
  let open: () => void = () => undefined;
  const gate = new Promise<void>((go) => (open = go));
  serve(async ({ method }) => {
    if (method !== 'GET') {
      await gate;
      revision += 1;
    }
    return json(story(revision));
  });
  const queries = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const place = renderHook(
    () => {
      useUnsaved();
      const hold = useStory('story');
      const title = useSavedText('', (text) => void hold.edit({ do: 'rename', title: text }));
      return { hold, title };
    },
    { wrapper },
  );
  return { place, answer: open };
};
const asks = () => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));

describe('What is typed', () => {
  it('is not said to be saved before it is, and closing the tab is asked about from the first letter on', async () => {
    const { place, answer } = page();
    await waitFor(() => expect(place.result.current.hold.view?.revision).toBe(1));
    expect([place.result.current.hold.saving, asks()]).toEqual(['saved', false]);
    act(() => place.result.current.title.onChange('A'));
    expect([place.result.current.hold.saving, asks()]).toEqual(['saving', true]);
    act(() => place.result.current.title.onChange('At the weir'));
    act(() => place.result.current.title.onBlur());
    expect(isTyping()).toBe(false);
    // It is on its way now.
    expect([place.result.current.hold.saving, asks()]).toEqual(['saving', true]);
    answer();
    await waitFor(() => expect(place.result.current.hold.saving).toBe('saved'));
    expect(asks()).toBe(false);
  });

  it('and taken back again, or whose place is left, is nothing that waits', async () => {
    const { place } = page();
    await waitFor(() => expect(place.result.current.hold.view?.revision).toBe(1));
    act(() => place.result.current.title.onChange('A'));
    act(() => place.result.current.title.onChange(''));
    expect([place.result.current.hold.saving, isTyping()]).toEqual(['saved', false]);
    act(() => place.result.current.title.onChange('B'));
    place.unmount();
    expect(isTyping()).toBe(false);
  });
});
