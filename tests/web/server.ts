import { vi } from 'vitest';
import type { AssetState, StoryView } from '../../web/api/types';

/** What a request came with: its method and path, its revision, its body as JSON or bytes. */
export interface Asked {
  method: string;
  path: string;
  match: string | null;
  body: unknown;
}

export const json = (body: unknown, status = 200, headers: Record<string, string> = {}) =>
  new Response(status === 204 ? null : JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json', ...headers },
  });

/** Stands in for the server: `answer` says what it answers; throwing is a network that carries nothing. */
export function serve(answer: (asked: Asked) => Response | Promise<Response>): Asked[] {
  const all: Asked[] = [];
  vi.stubGlobal('fetch', async (input: Request | string, init?: RequestInit) => {
    const request = input instanceof Request ? input : new Request(new URL(input, 'http://localhost'), init);
    const text = init?.body instanceof ArrayBuffer ? init.body : await request.clone().text();
    let body: unknown = text;
    try {
      body = JSON.parse(String(text));
    } catch {
      // Bytes, or nothing.
    }
    const asked = {
      method: request.method,
      path: new URL(request.url).pathname,
      match: request.headers.get('If-Match'),
      body,
    };
    all.push(asked);
    return answer(asked);
  });
  return all;
}

/** A story as the server answers with it, with what a test needs of it. */
export function story(revision: number, more: Partial<StoryView> = {}): StoryView {
  const slide = { id: 's1', layout: 'full', layers: [], script: '', voice: [], stay: null, transition: null };
  return {
    id: 'story',
    revision,
    changedAt: '2026-01-01T00:00:00Z',
    story: {
      version: 2,
      title: `Revision ${revision}`,
      language: 'en',
      shape: '16:9',
      style: { transition: { kind: 'crossfade', seconds: 1 } },
      credits: true,
      slides: [slide],
      assets: {},
      beds: [],
      captions: null,
    },
    plan: {
      title: '',
      language: 'en',
      fps: 30,
      width: 1280,
      height: 720,
      frames: 120,
      ease: [0, 1],
      scenes: [
        {
          id: 's1',
          name: 'Slide 1',
          ground: '#ffffff',
          start: 0,
          end: 120,
          comesIn: 0,
          transition: { kind: 'cut', frames: 0, colour: null, toward: null, soft: 0.35 },
          layers: [],
        },
      ],
      cues: [],
      credits: [],
      plays: [],
    },
    praise: [],
    proof: [],
    waveforms: {},
    makers: ['Pim'],
    saidBy: {},
    canUndo: false,
    canRedo: false,
    assignment: null,
    film: null,
    handIns: [],
    ...more,
  } as unknown as StoryView;
}

/** A server that takes files in: the parts of each, as text, and how each ends. */
export function assetServer(
  options: {
    failing?: (path: string) => Response | 'network' | null;
    ends?: (file: string) => Partial<AssetState>;
  } = {},
) {
  const files = new Map<
    string,
    { file: string; slide: string; after: string[]; parts: Map<number, string>; state: string }
  >();
  const all = serve(({ method, path, body }) => {
    const failed = options.failing?.(`${method} ${path}`);
    if (failed === 'network') throw new TypeError('network');
    if (failed) return failed;
    const [, id = '', rest = ''] = /^\/api\/assets\/([^/]+)(.*)$/.exec(path) ?? [];
    const one = files.get(id);
    const told = (key: string) => {
      const known = files.get(key);
      const ends =
        known?.state === 'over' ? { state: 'ready', problem: null, same: null, ...options.ends?.(known.file) } : null;
      const state = ends ?? { state: 'sending', problem: null, same: null };
      return {
        id: key,
        kind: 'voice',
        file: known?.file,
        slide: null,
        ...state,
        parts: [...(known?.parts.keys() ?? [])],
      };
    };
    if (method === 'POST' && path.endsWith('/assets')) {
      const begun = body as { file: string; slide: string; after: string[] };
      const key = `server-${files.size}`;
      files.set(key, { ...begun, parts: new Map(), state: 'sending' });
      return json(told(key), 201);
    }
    if (path.endsWith('/assets')) return json([...files.keys()].map(told));
    if (method === 'GET' && path.startsWith('/api/stories/')) return json(story(2));
    if (!one) return json({ detail: 'gone' }, 404);
    if (method === 'DELETE') {
      files.delete(id);
      return json(null, 204);
    }
    if (rest.startsWith('/parts/')) {
      one.parts.set(Number(rest.slice(7)), body instanceof ArrayBuffer ? new TextDecoder().decode(body) : String(body));
      return json(null, 204);
    }
    if (rest === '/finish') {
      const wanted = (body as { parts: number }).parts;
      const missing = Array.from({ length: wanted }, (_, i) => i).filter((i) => !one.parts.has(i));
      if (missing.length > 0) return json({ detail: 'missing', missing }, 409);
      one.state = 'over';
      return json(told(id), 202);
    }
    return json(told(id));
  });
  // Parts go by XMLHttpRequest, which tells how much of them has gone.
  class Request {
    upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {};
    status = 0;
    response: unknown = null;
    onload?: () => void;
    onerror?: () => void;
    private to: [string, string] = ['', ''];
    private retryAfter: string | null = null;
    open = (method: string, path: string) => (this.to = [method, path]);
    setRequestHeader = () => undefined;
    getResponseHeader = () => this.retryAfter;
    send = (bytes: ArrayBuffer) => {
      fetch(this.to[1], { method: this.to[0], body: bytes })
        .then(async (response) => {
          this.upload.onprogress?.({ loaded: 1, total: 1 });
          this.status = response.status;
          this.retryAfter = response.headers.get('Retry-After');
          this.response = await response.json().catch(() => null);
          this.onload?.();
        })
        .catch(() => this.onerror?.());
    };
  }
  vi.stubGlobal('XMLHttpRequest', Request);
  return {
    files,
    all,
    parts: () =>
      [...files.values()].map(({ parts }) => [...parts.entries()].sort(([a], [b]) => a - b).map(([, text]) => text)),
  };
}
