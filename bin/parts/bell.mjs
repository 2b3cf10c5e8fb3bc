// Thirty films asked for at once: how long they take together against one after another, and how the pages fare meanwhile.
// BASE_URL names a started instance that nobody else uses.
import { readFileSync } from 'node:fs';

const base = process.env.BASE_URL;
const AT_ONCE = 30;
const ONE_BY_ONE = 8;
const EDITS = 60;
let cookie = '';
async function ask(method, path, body, headers = {}) {
  const form = body instanceof Blob;
  const answer = await fetch(base + path, {
    method,
    body: form ? body : body === undefined ? undefined : JSON.stringify(body),
    headers: { 'X-Rhapsode': '1', cookie, ...(body === undefined ? {} : { 'Content-Type': form ? 'application/octet-stream' : 'application/json' }), ...headers },
  });
  for (const set of answer.headers.getSetCookie()) [cookie] = set.split(';');
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return answer.status === 204 ? null : answer.json();
}
const wait = (ms) => new Promise((wake) => setTimeout(wake, ms));
const picture = (name) => new Blob([readFileSync(new URL(`../../demo/pictures/${name}.jpg`, import.meta.url))]);
const pictures = ['low-water', 'old-postcard'].map(picture);

/** A story of a title and two moving pictures, whose words are its own: no film shares anything with another. */
async function story(number, slides = 2) {
  let view = await ask('POST', '/api/stories', { title: `At the bell ${number}` });
  for (let i = 0; i < slides; i += 1) {
    const id = crypto.randomUUID();
    const after = [view.story.slides.at(-1).id];
    const asset = await ask('POST', `/api/stories/${view.id}/assets`, { kind: 'picture', file: `${i}.jpg`, slide: id, after });
    // A byte more is another file.
    await ask('PUT', `/api/assets/${asset.id}/parts/0`, new Blob([pictures[i % 2], String(number), String(i)]));
    await ask('POST', `/api/assets/${asset.id}/finish`, { parts: 1 });
    while ((await ask('GET', `/api/assets/${asset.id}`)).state !== 'ready') await wait(50);
    view = await ask('GET', `/api/stories/${view.id}`);
    await ask('POST', `/api/stories/${view.id}/edits`, { edits: [{ do: 'set layer', slide: id, layer: 'caption', kind: 'words', changes: { role: 'caption', text: `Film ${number}, picture ${i}` } }] }, { 'If-Match': `"${view.revision}"` });
    view = await ask('GET', `/api/stories/${view.id}`);
  }
  return view;
}
const make = (view) => ask('POST', `/api/stories/${view.id}/films`, { size: '540' });
async function done(films) {
  const missing = new Set(films.map((film) => film.id));
  while (missing.size > 0) {
    for (const id of missing) {
      const film = await ask('GET', `/api/films/${id}`);
      if (film.state === 'done') missing.delete(id);
      else if (film.state === 'failed') throw new Error('a film failed');
    }
    await wait(100);
  }
}
async function edits(view) {
  const times = [];
  let { revision } = view;
  for (let i = 0; i < EDITS; i += 1) {
    const begun = performance.now();
    const told = await ask('POST', `/api/stories/${view.id}/edits`, { edits: [{ do: 'rename', title: `Edited ${i}` }] }, { 'If-Match': `"${revision}"` });
    revision = Array.isArray(told) ? told.find(({ path }) => path === '/revision').value : told.revision;
    times.push(performance.now() - begun);
    await wait(60);
  }
  return times.sort((a, b) => a - b)[Math.floor(EDITS * 0.95)];
}
const row = (what, figure, against, asked) =>
  console.log(`${what.padEnd(52)} ${figure.padStart(9)}   of ${against.padEnd(46)} asked: ${asked}`);

await ask('POST', '/api/session/begin', { name: 'tilda', password: 'tide-mill' });
for (;;) {
  // The sample class's own films are made first.
  const { stories } = await ask('GET', '/api/desk');
  const views = await Promise.all(stories.map(({ id }) => ask('GET', `/api/stories/${id}`)));
  if (views.every(({ film }) => !film || film.state === 'done') && (await ask('GET', '/api/health')).queueSeconds === 0) break;
  await wait(1000);
}
const own = await story('edited');
const single = [];
for (let i = 0; i < ONE_BY_ONE; i += 1) single.push(await story(`alone ${i}`));
const many = [];
for (let i = 0; i < AT_ONCE; i += 1) many.push(await story(`bell ${i}`));
const long = await story('long', 40);
const short = await story('short');
await wait(2000);
const unloaded = await edits(own);
let begun = performance.now();
for (const one of single) await done([await make(one)]);
const each = (performance.now() - begun) / ONE_BY_ONE;
begun = performance.now();
const films = await Promise.all(many.map(make));
const loaded = await edits(await ask('GET', `/api/stories/${own.id}`));
await done(films);
const together = (performance.now() - begun) / AT_ONCE;
begun = performance.now();
const film = await make(long);
await wait(300);
const shortFilm = await make(short);
await done([shortFilm]);
const behind = performance.now() - begun;
await done([film]);
const all = performance.now() - begun;
console.log(`\n${AT_ONCE} films of ${Math.round(films[0].seconds || own.plan.frames / own.plan.fps)} s asked for at once`);
row('A film among thirty', `${(together / each).toFixed(2)} x`, 'one made by itself', '1.1 x');
row('95th percentile of an edit meanwhile', `${(loaded / unloaded).toFixed(2)} x`, 'the same with nothing being made', '2 x');
row('A short film behind one twelve times as long', `${(behind / all).toFixed(2)} x`, 'the time until the long one is made', 'not all of it');
