import { describe, expect, it } from 'vitest';
import { addPart, beginTake, bringInSound, endTake, Sender, settle, unsent } from '../../web/booth/keeper';
import { json, serve, story } from './server';

/** The keeper and sender of recordings: what was spoken stays in the browser until the server has said that it holds it all. */
function server(options: { failing?: (path: string, n: number) => Response | 'network' | null } = {}) {
  const parts = new Map<number, string>();
  let count = 0;
  const all = serve(({ method, path, body }) => {
    count += 1;
    const failed = options.failing?.(`${method} ${path}`, count);
    if (failed === 'network') throw new TypeError('network');
    if (failed) return failed;
    if (path.endsWith('/takes')) return json({ id: 'server', slide: 's1', finished: false, parts: [] }, 201);
    const part = /parts\/(\d+)$/.exec(path);
    if (part) {
      parts.set(Number(part[1]), body instanceof ArrayBuffer ? new TextDecoder().decode(body) : String(body));
      return json(null, 204);
    }
    if (path.endsWith('/finish')) {
      const wanted = (body as { parts: number }).parts;
      const missing = Array.from({ length: wanted }, (_, i) => i).filter((i) => !parts.has(i));
      return missing.length > 0 ? json({ detail: 'missing', missing }, 409) : json({ take: 'server', story: story(2) });
    }
    return json({ id: 'server', slide: 's1', finished: false, parts: [...parts.keys()] });
  });
  return { parts, all };
}
const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;
const kept = async (person: string, texts: string[]) => {
  const take = await beginTake(person, 'story', 's1');
  for (const [i, text] of texts.entries()) await addPart(take, i, bytes(text));
  await endTake(take, texts.length);
  return take;
};

describe('a recording', () => {
  it('arrives whole and is then no longer kept here', async () => {
    const { parts } = server();
    const done = await settle(await kept('ann', ['one', 'two', 'three']));
    expect(done.take).toBe('server');
    expect([...parts.values()]).toEqual(['one', 'two', 'three']);
    expect(await unsent('ann')).toEqual([]);
  });

  it('is kept, and sent on, while the network is cut', async () => {
    let down = true;
    const { parts } = server({ failing: () => (down ? 'network' : null) });
    const take = await kept('bea', ['one', 'two']);
    const waits: boolean[] = [];
    const done = settle(take, (waiting) => waits.push(waiting));
    await new Promise((wake) => setTimeout(wake, 200));
    expect(waits).toContain(true);
    expect(parts.size).toBe(0);
    down = false;
    await done;
    expect([...parts.values()]).toEqual(['one', 'two']);
  }, 10_000);

  it('sends a part again that the server misses after all', async () => {
    const { parts } = server();
    const take = await kept('cem', ['one', 'two']);
    const sender = new Sender(take);
    let lost = false;
    const done = sender.finish(() => {
      if (!lost) parts.delete(0);
      lost = true;
    });
    await done;
    expect([...parts.keys()].sort()).toEqual([0, 1]);
  }, 10_000);

  it('waits its turn when the server is busy, without saying that there is no connection', async () => {
    let busy = true;
    server({
      failing: (path) => {
        if (!path.endsWith('finish') || !busy) return null;
        busy = false;
        return json({ detail: 'busy' }, 429, { 'Retry-After': '1' });
      },
    });
    const waits: boolean[] = [];
    await settle(await kept('dan', ['one']), (waiting) => waits.push(waiting));
    expect(waits).not.toContain(true);
  }, 10_000);

  it('of a tab that was closed is found at the next visit, as far as it goes without a gap', async () => {
    const { parts } = server();
    const take = await beginTake('eve', 'story', 's1');
    await addPart(take, 0, bytes('zero'));
    await addPart(take, 1, bytes('one'));
    await addPart(take, 3, bytes('three'));
    expect((await unsent('eve')).map((t) => t.id)).toEqual([take.id]);
    expect(await unsent('somebody else')).toEqual([]);
    const [found] = await unsent('eve');
    if (!found) throw new Error('it is there');
    await settle(found);
    expect(parts.get(0)).toBe('zero');
    expect(parts.get(1)).toBe('one');
    expect(await unsent('eve')).toEqual([]);
  });

  it('that the server will never have is not offered for ever', async () => {
    server({ failing: (path) => (path.endsWith('finish') ? json({ detail: 'This is not a sound.' }, 422) : null) });
    await expect(settle(await kept('fay', ['text']))).rejects.toThrow('This is not a sound.');
    expect(await unsent('fay')).toEqual([]);
  });

  it('brought in as a file goes the same way, in parts', async () => {
    const { parts } = server();
    const file = new File([new Uint8Array(9_000_000).fill(7)], 'long.wav');
    await bringInSound('gus', 'story', 's1', file);
    expect(parts.size).toBe(3);
    await expect(bringInSound('gus', 'story', 's1', new File([], 'empty.wav'))).rejects.toThrow('empty');
  });
});
