import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { unsent } from '../../web/assets/keeper';
import { useRecorder } from '../../web/booth/useRecorder';
import { assetServer, json, serve } from './server';

/** The Booth's recorder, on a microphone that is stood in for. */
let fails: 'nothing' | 'making' | 'starting';
/** A second is over: its part is handed over while it goes on. */
let slice: () => void;
class Recorder {
  static isTypeSupported = () => true;
  state = 'inactive';
  ondataavailable?: (event: { data: Blob }) => void;
  onstop: (() => void) | null = null;
  constructor() {
    if (fails === 'making') throw new DOMException('no', 'NotSupportedError');
  }
  start = () => {
    if (fails === 'starting') throw new DOMException('no', 'InvalidStateError');
    this.state = 'recording';
    slice = () => this.ondataavailable?.({ data: new Blob(['a second']) });
  };
  stop = () => {
    this.state = 'inactive';
    this.ondataavailable?.({ data: new Blob(['spoken']) });
    this.onstop?.();
  };
}
beforeEach(() => {
  fails = 'nothing';
  const track = { addEventListener: () => undefined, removeEventListener: () => undefined, stop: () => undefined };
  vi.stubGlobal('MediaRecorder', Recorder);
  vi.stubGlobal(
    'AudioContext',
    class {
      // As in a browser without an output: it never settles.
      resume = () => new Promise(() => undefined);
      createMediaStreamSource = () => ({ connect: () => undefined });
      close = () => Promise.resolve();
    },
  );
  vi.stubGlobal(
    'AnalyserNode',
    class {
      fftSize = 4096;
      getFloatTimeDomainData = () => undefined;
    },
  );
  Object.defineProperty(navigator, 'mediaDevices', {
    configurable: true,
    value: {
      getUserMedia: () => Promise.resolve({ getAudioTracks: () => [track], getTracks: () => [track] }),
      enumerateDevices: () => Promise.resolve([{ kind: 'audioinput', deviceId: 'm' }]),
    },
  });
});
const hook = (person: string) => {
  const onDone = vi.fn();
  return { ...renderHook(() => useRecorder({ person, story: 'story', onDone })), onDone };
};

describe('the recorder', () => {
  it('records all the same where the browser can keep nothing, and says so while one speaks', async () => {
    const { all: asked } = assetServer();
    const open = vi.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('private', 'SecurityError');
    });
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const { result, onDone } = hook('ken');
    await act(() => result.current.start('s1', null));
    act(() => slice());
    await waitFor(() => expect(result.current.trouble).toContain('held by this page alone'));
    expect(result.current.state).toBe('recording');
    act(() => result.current.stop());
    await waitFor(() => expect(onDone).toHaveBeenCalledOnce());
    expect(asked.filter((a) => a.method === 'PUT').map((a) => a.path.at(-1))).toEqual(['0', '1']);
    open.mockRestore();
    put.mockRestore();
  });

  it('records and hands the recording in', async () => {
    const { all: asked } = assetServer();
    const { result, onDone } = hook('hal');
    await act(() => result.current.start('s1', null));
    expect(result.current.state).toBe('recording');
    await new Promise((wake) => setTimeout(wake, 60));
    act(() => result.current.stop());
    await waitFor(() => expect(onDone).toHaveBeenCalledOnce());
    await waitFor(() => expect(result.current.state).toBe('ready'));
    expect(asked.some((a) => a.path.includes('/parts/0'))).toBe(true);
    // For how long, by the clock by which steps and pointing are noted: samples.
    const told = asked.find((a) => a.path.endsWith('/finish'))?.body as { recorded?: number };
    expect(told.recorded).toBeGreaterThanOrEqual(0.05 * 48_000);
  });

  it.each(['making', 'starting'] as const)(
    'says a sentence when %s fails, keeps nothing, and can be tried again',
    async (way) => {
      serve(() => json({ id: 'server', slide: 's1', finished: false, parts: [] }, 201));
      fails = way;
      const { result } = hook(`ida ${way}`);
      await act(() => result.current.start('s1', null));
      await waitFor(() => expect(result.current.trouble).toContain('did not start'));
      expect(result.current.state).toBe('off');
      expect(await unsent(`ida ${way}`)).toEqual([]);
      fails = 'nothing';
      await act(() => result.current.start('s1', null));
      expect(result.current.state).toBe('recording');
      expect(result.current.trouble).toBe('');
    },
  );

  it('says what to do when the microphone is not allowed', async () => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
    const { result } = hook('jon');
    await act(async () => void (await result.current.open()));
    expect(result.current.trouble).toContain('was not allowed');
  });
});
