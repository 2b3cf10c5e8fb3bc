import 'fake-indexeddb/auto';
import { afterEach, expect, it, vi } from 'vitest';
import { hold, letGo, waiting } from '../../web/classroom/remarks/spoken/held';

const sound = new Blob(['a voice'], { type: 'audio/webm' });

afterEach(() => vi.useRealTimers());

it('holds what was spoken of each film for who spoke it, the newest, until it is let go', async () => {
  await hold('mev film', new Blob(['an earlier one']));
  await hold('mev film', sound);
  await hold('mev other', new Blob(['another']));
  expect((await waiting('mev film'))?.size).toBe(sound.size);
  expect((await waiting('mev film'))?.type).toBe('audio/webm');
  expect(await waiting('ada film')).toBeUndefined();
  // Put away at once, before it is written.
  void hold('mev film', sound);
  await letGo('mev film');
  expect(await waiting('mev film')).toBeUndefined();
  expect(await waiting('mev other')).toBeDefined();
});

it('is not offered when a week has passed', async () => {
  vi.useFakeTimers({ toFake: ['Date'] });
  await hold('mev film', sound);
  vi.setSystemTime(Date.now() + 6 * 24 * 3_600_000);
  expect(await waiting('mev film')).toBeDefined();
  vi.setSystemTime(Date.now() + 2 * 24 * 3_600_000);
  expect(await waiting('mev film')).toBeUndefined();
});

it('of a browser that keeps nothing for anybody is no trouble', async () => {
  vi.resetModules();
  vi.stubGlobal('indexedDB', {
    open: () => {
      throw new DOMException('no', 'SecurityError');
    },
  });
  const none = await import('../../web/classroom/remarks/spoken/held');
  await none.hold('mev film', sound);
  expect(await none.waiting('mev film')).toBeUndefined();
  vi.unstubAllGlobals();
});
