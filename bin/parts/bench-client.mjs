// What the measuring scripts do as a student's page does it. BASE_URL names a started instance that nobody else uses.
import { readFileSync } from 'node:fs';

export const base = process.env.BASE_URL;
let cookie = '';
export async function ask(method, path, body, headers = {}) {
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
export const wait = (ms) => new Promise((wake) => setTimeout(wake, ms));
const pictures = ['low-water', 'old-postcard'].map((name) => new Blob([readFileSync(new URL(`../../demo/pictures/${name}.jpg`, import.meta.url))]));

export const edit = (view, ...edits) => ask('POST', `/api/stories/${view.id}/edits`, { edits }, { 'If-Match': `"${view.revision}"` });
export const read = ({ id }) => ask('GET', `/api/stories/${id}`);
export const caption = (slide, text) => ({ do: 'set layer', slide, layer: 'caption', kind: 'words', changes: { role: 'caption', text } });

/** A story of a title and moving pictures, whose words are its own: no film shares anything with another. */
export async function story(name, slides = 2) {
  let view = await ask('POST', '/api/stories', { title: `At the bell ${name}` });
  for (let i = 0; i < slides; i += 1) {
    const id = crypto.randomUUID();
    const after = [view.story.slides.at(-1).id];
    const asset = await ask('POST', `/api/stories/${view.id}/assets`, { kind: 'picture', file: `${i}.jpg`, slide: id, after });
    // A byte more is another file.
    await ask('PUT', `/api/assets/${asset.id}/parts/0`, new Blob([pictures[i % 2], String(name), String(i)]));
    await ask('POST', `/api/assets/${asset.id}/finish`, { parts: 1 });
    while ((await ask('GET', `/api/assets/${asset.id}`)).state !== 'ready') await wait(50);
    view = await read(view);
    await edit(view, caption(id, `Film ${name}, picture ${i}`));
    view = await read(view);
  }
  return view;
}
export const make = (view, size) => ask('POST', `/api/stories/${view.id}/films`, { size });
export async function done(films) {
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
export const timed = async (work) => {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
};
/** The value under which so large a share lies. */
export const at = (times, share) => times.toSorted((a, b) => a - b)[Math.floor(times.length * share)];
export const row = (what, figure, against, asked) =>
  console.log(`${what.padEnd(52)} ${figure.padStart(9)}   of ${against.padEnd(46)} asked: ${asked}`);

/** Signs in, once the sample class's own films are made. */
export async function begin() {
  await ask('POST', '/api/session/begin', { name: 'tilda', password: 'tide-mill' });
  for (;;) {
    const { stories } = await ask('GET', '/api/desk');
    const views = await Promise.all(stories.map(read));
    if (views.every(({ film }) => !film || film.state === 'done') && (await ask('GET', '/api/health')).queueSeconds === 0) break;
    await wait(1000);
  }
}
