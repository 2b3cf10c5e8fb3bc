// Thirty films asked for at once: how long they take together against one after another, how the pages fare meanwhile, and what
// it saves that parts are made ahead. Its instance makes ahead what has rested for AHEAD_AFTER seconds (bin/bench).
import { at, ask, begin, caption, done, edit, make, read, row, story, timed, wait } from './bench-client.mjs';

const AT_ONCE = 30;
const ONE_BY_ONE = 8;
const EDITS = 60;
const REST = Number(process.env.AHEAD_AFTER);
// Parts are made ahead in the size of a story's last film, 720 for one that has none yet.
const AHEAD = '720';
const OTHER = '540';

async function edits(view) {
  const times = [];
  let { revision } = view;
  for (let i = 0; i < EDITS; i += 1) {
    times.push(
      await timed(async () => {
        const told = await edit({ id: view.id, revision }, { do: 'rename', title: `Edited ${i}` });
        revision = Array.isArray(told) ? told.find(({ path }) => path === '/revision').value : told.revision;
      }),
    );
    await wait(60);
  }
  return at(times, 0.95);
}
const many = async (name, count) => {
  const all = [];
  for (let i = 0; i < count; i += 1) all.push(await story(`${name} ${i}`));
  return all;
};

await begin();
const own = await story('edited');
const single = await many('alone', ONE_BY_ONE);
const bell = await many('bell', AT_ONCE);
const long = await story('long', 40);
const short = await story('short');
await wait(2000);
const unloaded = await edits(own);
const each = (await timed(async () => { for (const one of single) await done([await make(one, OTHER)]); })) / ONE_BY_ONE;
let films = [];
let loaded = 0;
const together = await timed(async () => {
  films = await Promise.all(bell.map((one) => make(one, OTHER)));
  loaded = await edits(await read(own));
  await done(films);
});
let film;
const behind = await timed(async () => {
  film = await make(long, OTHER);
  await wait(300);
  await done([await make(short, OTHER)]);
});
const all = behind + (await timed(() => done([film])));
console.log(`\n${AT_ONCE} films of ${Math.round(own.plan.frames / own.plan.fps)} s asked for at once`);
row('A film among thirty', `${(together / AT_ONCE / each).toFixed(2)} x`, 'one made by itself', '1.1 x');
row('95th percentile of an edit meanwhile', `${(loaded / unloaded).toFixed(2)} x`, 'the same with nothing being made', '2 x');
row('A short film behind one twelve times as long', `${(behind / all).toFixed(2)} x`, 'the time until the long one is made', 'not all of it');

// From nothing, in the size that is made ahead: asked for before a story has rested.
const fresh = [];
let nothing = 0;
for (let i = 0; i < ONE_BY_ONE; i += 1) {
  const one = await story(`fresh ${i}`);
  nothing += await timed(async () => done([await make(one, AHEAD)]));
  fresh.push(one);
}
nothing /= ONE_BY_ONE;
const worked = await many('worked', AT_ONCE);
// Whether all is made ahead nobody is told: a film whose parts are there has no frames to make.
await wait((REST + 5) * 1000 + AT_ONCE * nothing);
for (const one of worked) await edit(await read(one), caption(one.story.slides[1].id, 'Mended a minute ago'));
await wait((REST + 5) * 1000 + (AT_ONCE * nothing) / 2);
const ahead = await timed(async () => done(await Promise.all(worked.map((one) => make(one, AHEAD)))));
const edited = await read(fresh[0]);
await edit(edited, caption(edited.story.slides[1].id, 'Mended this very moment'));
const lastEdit = await timed(async () => done([await make(edited, AHEAD)]));
const rested = await story('rested', 12);
const whole = await timed(async () => done([await make(rested, AHEAD)]));
const mended = await read(rested);
await edit(mended, caption(mended.story.slides[5].id, 'Mended, then rested'));
await wait((REST + 5) * 1000 + whole / 2);
const waited = await timed(async () => done([await make(mended, AHEAD)]));
console.log('\nMade ahead');
row('Thirty films at the bell after an hour of work', `${(ahead / AT_ONCE / nothing).toFixed(2)} x`, 'thirty made from nothing', '0.3 x');
row('A film of 12 slides, edited a minute ago', `${(waited / whole).toFixed(2)} x`, 'its making from nothing', '0.15 x');
row('A short film, edited this very moment', `${(lastEdit / nothing).toFixed(2)} x`, 'its making from nothing', 'not all of it');
