import { vi } from 'vitest';
import type { StoryView } from '../../web/api/types';

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
    canUndo: false,
    canRedo: false,
    assignment: null,
    film: null,
    handIns: [],
    ...more,
  } as unknown as StoryView;
}
