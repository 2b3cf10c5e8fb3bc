import { describe, expect, it, vi } from 'vitest';
import { sentence } from '../../web/api/client';
import { addPart, beginTake, endTake, keepFile, unsent, type Kept } from '../../web/assets/keeper';
import { askAgain, soundFile, takeAway } from '../../web/assets/keptHere';
import { Sender } from '../../web/assets/Sender';
import { say, type Code } from '../../web/messages/say';
import { assetServer, json } from './server';

/** The keeper and sender of what comes in: it stays in the browser until the server has said that it holds it all. */
const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;
const kept = async (person: string, texts: string[]) => {
  const take = await beginTake(person, 'story', 's1');
  for (const [i, text] of texts.entries()) await addPart(take, i, bytes(text));
  await endTake(take, texts.length);
  return take;
};
const chosen = (person: string, whole: File): Kept => ({
  id: crypto.randomUUID(),
  person,
  story: 'story',
  kind: 'voice',
  file: whole.name,
  slide: 's1',
  after: [],
  begun: 0,
  whole,
});

describe('what comes in', () => {
  it('arrives whole and is then no longer kept here', async () => {
    const { parts } = assetServer();
    const done = await new Sender(await kept('ann', ['one', 'two', 'three'])).settle();
    expect(done.state).toBe('ready');
    expect(parts()).toEqual([['one', 'two', 'three']]);
    expect(await unsent('ann')).toEqual([]);
  });

  it('is kept, and sent on, while the network is cut', async () => {
    let down = true;
    const { parts } = assetServer({ failing: () => (down ? 'network' : null) });
    const waits: boolean[] = [];
    const done = new Sender(await kept('bea', ['one', 'two'])).settle((waiting) => waits.push(waiting));
    await new Promise((wake) => setTimeout(wake, 200));
    expect(waits).toContain(true);
    expect(parts()).toEqual([]);
    down = false;
    await done;
    expect(parts()).toEqual([['one', 'two']]);
  }, 10_000);

  it('is kept until it is ready, also when the network is cut while it is made so', async () => {
    let down = false;
    assetServer({ failing: (path) => (down && path.startsWith('GET') ? 'network' : null) });
    const waits: boolean[] = [];
    const sender = new Sender(await kept('ida', ['one']));
    await sender.send();
    down = true;
    const done = sender.prepared((waiting) => waits.push(waiting));
    await new Promise((wake) => setTimeout(wake, 700));
    expect(waits).toContain(true);
    down = false;
    expect((await done).state).toBe('ready');
  }, 10_000);

  it('sends a part again that the server misses after all', async () => {
    const { files, parts } = assetServer();
    let lost = false;
    await new Sender(await kept('cem', ['one', 'two']), (share) => {
      if (share < 1 || lost) return;
      lost = true;
      files.values().next().value?.parts.delete(0);
    }).settle();
    expect(lost).toBe(true);
    expect(parts()).toEqual([['one', 'two']]);
  }, 10_000);

  it('is begun anew where the server has forgotten it', async () => {
    const { files, parts } = assetServer();
    const take = await kept('hal', ['one', 'two']);
    take.server = 'long gone';
    await new Sender(take).settle();
    expect(files.size).toBe(1);
    expect(parts()).toEqual([['one', 'two']]);
  }, 10_000);

  it('waits its turn when the server is busy, without saying that there is no connection', async () => {
    let busy = true;
    assetServer({
      failing: (path) => {
        if (!path.endsWith('finish') || !busy) return null;
        busy = false;
        return json({ detail: 'busy' }, 429, { 'Retry-After': '1' });
      },
    });
    const waits: boolean[] = [];
    await new Sender(await kept('dan', ['one'])).settle((waiting) => waits.push(waiting));
    expect(waits).not.toContain(true);
  }, 10_000);

  it('of a tab that was closed is found at the next visit, as far as it goes without a gap', async () => {
    const { files } = assetServer();
    const take = await beginTake('eve', 'story', 's1');
    await addPart(take, 0, bytes('zero'));
    await addPart(take, 1, bytes('one'));
    await addPart(take, 3, bytes('three'));
    expect((await unsent('eve')).map((t) => t.id)).toEqual([take.id]);
    expect(await unsent('somebody else')).toEqual([]);
    const [found] = await unsent('eve');
    if (!found) throw new Error('it is there');
    await new Sender(found).settle();
    expect(files.values().next().value?.parts.get(1)).toBe('one');
    expect(await unsent('eve')).toEqual([]);
  });

  /** Every answer there is, at each of the four questions of a recording's way in. */
  const NO = [400, 401, 403, 404, 409, 410, 413, 415, 418, 422, 451];
  const WAYS = [
    ['begun', (path: string) => path === 'POST /api/stories/story/assets'],
    ['sent', (path: string) => path.startsWith('PUT')],
    ['finished', (path: string) => path.endsWith('/finish')],
    ['made ready', (path: string) => path.startsWith('GET')],
  ] as const;
  it.each(NO.flatMap((status) => WAYS.map(([step, isIt]) => [status, step, isIt] as const)))(
    'that was spoken stays when %i is answered as it is %s',
    async (status, step, isIt) => {
      const fails = { yes: true };
      const { parts } = assetServer({
        failing: (path) => (fails.yes && isIt(path) ? json({ code: 'problem.not-found' }, status) : null),
      });
      const person = `who ${status} ${step}`;
      const take = await kept(person, ['one', 'two']);
      const sender = new Sender(take);
      const settled = sender.settle().then(
        () => 'ready',
        () => 'refused',
      );
      // What a server has forgotten is begun anew, again and again, until it is had.
      const first = await Promise.race([settled, new Promise((wake) => setTimeout(() => wake('tried on'), 600))]);
      expect(first).not.toBe('ready');
      if (first === 'tried on') sender.stop();
      const [found] = await unsent(person);
      expect(found?.id).toBe(take.id);
      if (first === 'refused' && status !== 401) expect(found?.refused?.code).toBe('problem.not-found');
      expect(await (await soundFile(take)).text()).toBe('onetwo');
      fails.yes = false;
      if (found) await new Sender(await askAgain(found)).settle();
      expect(parts()).toContainEqual(['one', 'two']);
      expect(await unsent(person)).toEqual([]);
    },
    10_000,
  );

  it('that was spoken stays when it cannot be made ready, and goes to another slide whole', async () => {
    const ends = vi.fn(() => ({ state: 'refused' as const, problem: { code: 'sound.unknown-kind' } }));
    assetServer({ ends });
    const take = await kept('fay', ['text']);
    take.steps = [{ slide: 's2', at: 9 }];
    await expect(new Sender(take).settle()).rejects.toThrow('sound.unknown-kind');
    const [found] = await unsent('fay');
    if (!found) throw new Error('it is there');
    expect(found.refused?.code).toBe('sound.unknown-kind');
    const asked = assetServer().all;
    await new Sender(await askAgain(found, { story: 'story', slide: 's3' })).settle();
    expect(asked.find(({ path }) => path.endsWith('/assets'))?.body).toMatchObject({ slide: 's3' });
    expect(asked.find(({ path }) => path.endsWith('/finish'))?.body).not.toHaveProperty('steps');
    expect(await unsent('fay')).toEqual([]);
  });

  it('that was spoken goes when its maker deletes it, and comes back when they think better of it', async () => {
    const take = await kept('gil', ['one', 'two']);
    const back = await takeAway(take);
    expect(await unsent('gil')).toEqual([]);
    await back();
    const [found] = await unsent('gil');
    expect(found && (await (await soundFile(found)).text())).toBe('onetwo');
  });

  it('as a file that the server will never have is not offered for ever', async () => {
    assetServer({ ends: () => ({ state: 'refused', problem: { code: 'sound.unknown-kind' } }) });
    const file = chosen('hew', new File(['text'], 'text.wav'));
    await keepFile(file);
    await expect(new Sender(file).settle()).rejects.toThrow('sound.unknown-kind');
    expect(await unsent('hew')).toEqual([]);
  });

  it.each([
    ['a server whose disk is full', 507, 'problem.disk-full'],
    ['a server that fails', 500, 'problem.wrong-here'],
    ['a server of which too much is asked', 429, 'problem.not-understood'],
  ])(
    'is kept for %s, and sent when it has recovered',
    async (_, status, code) => {
      let fails = true;
      const { parts } = assetServer({ failing: () => (fails ? json({ code }, status) : null) });
      const why: unknown[] = [];
      const take = await kept('kit', ['one', 'two']);
      const done = new Sender(take).settle((waits, reason) => waits && why.push(reason));
      await new Promise((wake) => setTimeout(wake, 300));
      expect(why.map(sentence)).toContain(say(code as Code));
      fails = false;
      expect((await done).state).toBe('ready');
      expect(parts()).toEqual([['one', 'two']]);
    },
    10_000,
  );

  it.each([
    ['whoever is signed out meanwhile', 401],
    ['a story that was deleted, and may come back', 404],
  ])(
    'is kept for %s',
    async (_, status) => {
      const fails = { yes: true };
      const { parts } = assetServer({
        failing: () => (fails.yes ? json({ code: 'problem.not-found' }, status) : null),
      });
      const take = await kept(`lea ${status}`, ['one']);
      await expect(new Sender(take).settle()).rejects.toThrow();
      const [found] = await unsent(`lea ${status}`);
      expect(found?.id).toBe(take.id);
      fails.yes = false;
      if (found) await new Sender(found).settle();
      expect(parts()).toEqual([['one']]);
    },
    10_000,
  );

  it('is held by the page where the browser has no room, and sent from there', async () => {
    const { parts } = assetServer();
    const take = await beginTake('mia', 'story', 's1');
    expect(await addPart(take, 0, bytes('one'))).toBe(true);
    const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(await addPart(take, 1, bytes('two'))).toBe(false);
    await endTake(take, 2);
    full.mockRestore();
    await new Sender(take).settle();
    expect(parts()).toEqual([['one', 'two']]);
  }, 10_000);

  it('as a file is cut into parts, and tells how much of it has gone', async () => {
    const { parts } = assetServer();
    const shares: number[] = [];
    await new Sender(chosen('gus', new File([new Uint8Array(9_000_000).fill(7)], 'long.wav')), (share) =>
      shares.push(share),
    ).settle();
    expect(parts()[0]).toHaveLength(3);
    expect(shares.at(-1)).toBe(1);
    await expect(new Sender(chosen('gus', new File([], 'empty.wav'))).settle()).rejects.toThrow('empty');
  });

  it('is left out, also in the middle, and goes from the server too', async () => {
    const { files } = assetServer({ failing: (path) => (path.startsWith('PUT') ? 'network' : null) });
    const sender = new Sender(chosen('jim', new File(['x'], 'x.wav')));
    const done = sender.settle();
    await new Promise((wake) => setTimeout(wake, 100));
    await sender.giveUp();
    await expect(done).rejects.toThrow();
    expect(files.size).toBe(0);
  }, 10_000);
});
