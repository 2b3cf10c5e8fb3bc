import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { usePicturesIn } from '../../web/script/usePicturesIn';
import type { StoryHold } from '../../web/story/useStory';
import { story } from './server';

/** Pictures on their way in: two side by side, in the natural order of their names, each knowing which it follows. */
interface Sent {
  name: string;
  slide: string;
  after: string[];
}
type Answer = { status: number; body?: unknown; retryAfter?: string } | 'network';

let sent: Sent[];
let under: number;
let most: number;
let answerOf: (sent: Sent, n: number) => Answer;

class Request {
  upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {};
  status = 0;
  response: unknown = null;
  onload?: () => void;
  onerror?: () => void;
  retryAfter: string | null = null;
  open = () => undefined;
  getResponseHeader = () => this.retryAfter;
  send = (form: FormData) => {
    const file = form.get('file') as File;
    const one = { name: file.name, slide: String(form.get('slide')), after: String(form.get('after')).split(',') };
    sent.push(one);
    under += 1;
    most = Math.max(most, under);
    setTimeout(() => {
      under -= 1;
      this.upload.onprogress?.({ loaded: 1, total: 1 });
      const answer = answerOf(one, sent.length);
      if (answer === 'network') return this.onerror?.();
      this.status = answer.status;
      this.response = answer.body ?? { picture: 'p', story: story(sent.length + 1) };
      this.retryAfter = answer.retryAfter ?? null;
      return this.onload?.();
    }, 3);
  };
}

beforeEach(() => {
  sent = [];
  under = most = 0;
  answerOf = () => ({ status: 201 });
  vi.stubGlobal('XMLHttpRequest', Request);
});
const hook = () => {
  const receive = vi.fn();
  const edit = vi.fn(() => Promise.resolve(null));
  const hold = { view: story(1), receive, edit } as unknown as StoryHold;
  return { ...renderHook(() => usePicturesIn('story', hold)), receive, edit };
};
const files = (...names: string[]) => names.map((name) => new File(['x'], name));
const states = (hooked: ReturnType<typeof hook>) => hooked.result.current.arrivals.map((a) => a.state);

describe('pictures that are brought in', () => {
  it('go in the natural order of their names, two side by side, each after those before it', async () => {
    const hooked = hook();
    act(() => hooked.result.current.bringIn(files('10.jpg', '2.jpg', '1.jpg', 'B.jpg', 'a.jpg')));
    await waitFor(() => expect(states(hooked)).toEqual(['done', 'done', 'done', 'done', 'done']));
    expect(sent.map((s) => s.name)).toEqual(['1.jpg', '2.jpg', '10.jpg', 'a.jpg', 'B.jpg']);
    expect(most).toBe(2);
    expect(sent[2]?.after).toEqual([sent[1]?.slide, sent[0]?.slide, 's1']);
    expect(hooked.receive).toHaveBeenCalledTimes(5);
  });

  it('wait for a busy server and come again, without losing their order', async () => {
    answerOf = (_, n) => (n <= 2 ? { status: 429, retryAfter: '1', body: { detail: 'busy' } } : { status: 201 });
    const hooked = hook();
    act(() => hooked.result.current.bringIn(files('1.jpg', '2.jpg')));
    await waitFor(() => expect(states(hooked)).toEqual(['done', 'done']), { timeout: 5000 });
    expect(sent).toHaveLength(4);
    expect(sent[3]?.after.length).toBeGreaterThan(0);
  }, 8000);

  it('wait without a connection, say so, and can be left out', async () => {
    answerOf = ({ name }) => (name === 'lost.jpg' ? 'network' : { status: 201 });
    const hooked = hook();
    act(() => hooked.result.current.bringIn(files('lost.jpg', 'm.jpg')));
    await waitFor(() =>
      expect(hooked.result.current.arrivals.find((a) => a.name === 'lost.jpg')?.problem).toContain('no connection'),
    );
    const lost = hooked.result.current.arrivals.find((a) => a.name === 'lost.jpg');
    act(() => hooked.result.current.putAway(lost?.id));
    const tries = sent.length;
    await new Promise((wake) => setTimeout(wake, 1500));
    expect(sent).toHaveLength(tries);
    expect(states(hooked)).toEqual(['done']);
  }, 8000);

  it('that are broken or there already do not stop the rest', async () => {
    answerOf = ({ name }) =>
      name === 'bad.jpg'
        ? { status: 422, body: { detail: 'This picture is broken.' } }
        : name === 'c.jpg'
          ? { status: 200, body: { same: 'p', file: 'first.jpg' } }
          : { status: 201 };
    const hooked = hook();
    act(() => hooked.result.current.bringIn(files('a.jpg', 'bad.jpg', 'c.jpg', 'd.jpg')));
    await waitFor(() => expect(states(hooked)).toEqual(['done', 'failed', 'same', 'done']));
    const same = hooked.result.current.arrivals.find((a) => a.state === 'same');
    act(() => {
      if (same) hooked.result.current.useAgain(same);
    });
    expect(hooked.edit).toHaveBeenCalledWith(
      expect.objectContaining({ do: 'add slide', slide: expect.objectContaining({ layers: [{ id: 'picture', kind: 'picture', asset: 'p' }] }) }),
    );
    act(() => hooked.result.current.putAway());
    await waitFor(() => expect(states(hooked)).toEqual([]));
  });
});
