// The pages with a story of two hundred slides: what an edit, a letter and a look at it take. The browser is the one of the tests.
import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { at, base, begin, caption, edit, read, row, story, timed } from './bench-client.mjs';

const SLIDES = 200;
const EDITS = 60;
const LETTERS = 'The tide comes in, fills the pond, and turns the wheel.';

await begin();
let view = await story('long', 2);
while (view.story.slides.length < SLIDES) {
  const slides = view.story.slides.slice(1, 1 + SLIDES - view.story.slides.length).map(({ id }) => id);
  await edit(view, { do: 'duplicate slides', slides, copies: slides.map(() => crypto.randomUUID()) });
  view = await read(view);
}
for (let i = 0; i < SLIDES; i += 40) {
  const slides = view.story.slides.slice(Math.max(1, i), i + 40);
  await edit(view, ...slides.flatMap(({ id }, n) => [caption(id, `Number ${i + n}`), { do: 'set script', slide: id, script: `What is said on slide ${i + n}.` }]));
  view = await read(view);
}
const middle = view.story.slides[SLIDES / 2].id;
const whole = JSON.stringify(view).length;
const times = [];
let bytes = 0;
let { revision } = view;
for (let i = 0; i < EDITS; i += 1)
  times.push(
    await timed(async () => {
      const told = await edit({ id: view.id, revision }, { do: 'set script', slide: middle, script: `Said otherwise, ${i}.` });
      bytes = JSON.stringify(told).length;
      revision = Array.isArray(told) ? told.find(({ path }) => path === '/revision').value : told.revision;
    }),
  );

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(base);
await page.getByLabel('Name').fill('tilda');
await page.getByLabel('Password').fill('tide-mill');
await page.getByRole('button', { name: 'Sign in' }).waitFor();
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('heading', { name: /desk/i }).waitFor();
const opened = [];
for (let i = 0; i < 5; i += 1) {
  opened.push(
    await timed(async () => {
      await page.goto(`${base}/stories/${view.id}`, { waitUntil: 'commit' });
      await page.getByRole('row').first().waitFor();
    }),
  );
}
// Letters: from the key to the frame that shows it.
const script = page.getByLabel(`Script of slide ${SLIDES / 2 + 1}`, { exact: true });
await page.getByRole('row').nth(SLIDES - 1).waitFor({ state: 'attached' });
await page.getByRole('row').nth(SLIDES / 2).scrollIntoViewIfNeeded();
await script.click();
await page.evaluate(() => {
  window.letters = [];
  window.addEventListener('keydown', () => {
    const begun = performance.now();
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => window.letters.push(performance.now() - begun);
      channel.port2.postMessage(null);
    });
  }, true);
});
await page.keyboard.type(LETTERS, { delay: 120 });
const letters = await page.evaluate(() => window.letters);
// A sheet that is scrolled: tasks in which no frame can be shown.
await page.evaluate(() => {
  window.scrollTo(0, 0);
  window.long = [];
  new PerformanceObserver((list) => window.long.push(...list.getEntries().map(({ duration }) => duration))).observe({ type: 'longtask' });
});
for (let i = 0; i < 120; i += 1) {
  await page.mouse.wheel(0, 250);
  await page.waitForTimeout(30);
}
const long = await page.evaluate(() => window.long);
await browser.close();

// What a page cannot be shown without: its scripts, what those import, and the words of its language.
const app = new URL('../../public/app/', import.meta.url);
const needed = (names, known = new Set()) => {
  for (const name of names.filter((one) => !known.has(one))) {
    known.add(name);
    needed([...readFileSync(new URL(`assets/${name}`, app), 'utf8').matchAll(/(?:from|import)"\.\/([^"]+\.js)"/g)].map(([, imported]) => imported), known);
  }
  return known;
};
const kilobytes = (names) => [...names].reduce((sum, name) => sum + gzipSync(readFileSync(new URL(`assets/${name}`, app))).length, 0) / 1000;
const words = readdirSync(new URL('assets/', app)).filter((name) => /^en-(?!XA)/.test(name));
const scripts = [...readFileSync(new URL('index.html', app), 'utf8').matchAll(/assets\/([^"]+\.js)"/g)].map(([, name]) => name);
const first = needed([...scripts, ...words]);
const scriptPage = needed(readdirSync(new URL('assets/', app)).filter((name) => name.startsWith('ScriptPage')), new Set(first));

console.log(`\nPages, with a story of ${SLIDES} slides`);
const limit = (what, figure, most, unit) => row(what, `${(figure / most).toFixed(2)} x`, `${most} ${unit} (${figure.toFixed(unit === 's' ? 2 : 0)})`, '1 x');
limit('An edit, answered (median)', at(times, 0.5), 40, 'ms');
row('What an edit is answered with', `${(bytes / whole).toFixed(3)} x`, `the whole story (${Math.round(bytes / 1000)} of ${Math.round(whole / 1000)} kB)`, 'what changed');
limit('A letter in its middle script, shown (median)', at(letters, 0.5), 16, 'ms');
limit('The page, open (median)', at(opened, 0.5) / 1000, 1, 's');
limit('JavaScript of the first page, gzip', kilobytes(first), 200, 'kB');
limit('JavaScript of the script page, gzip', kilobytes(scriptPage), 240, 'kB');
row('Long tasks (> 50 ms) while the sheet is scrolled', String(long.length), `120 turns of the wheel${long.length ? ` (longest ${Math.round(Math.max(...long))} ms)` : ''}`, 'none');
