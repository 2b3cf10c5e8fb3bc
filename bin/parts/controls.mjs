// Holds tests/e2e/controls.json, which names for each control the test that presses it, to what the last gate and the last deep run
// noted. Prints what is not so, and ends with 1 then; with --write it writes the list anew: what is named and so stays as it is.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

const LIST = 'tests/e2e/controls.json';
/** These meet controls by chance, or look at them only. */
const BY_CHANCE = /^(wander|places|dragged):/;
const lines = (kind, run) => {
  const file = `var/controls/${run}/${kind}.txt`;
  return existsSync(file) ? readFileSync(file, 'utf8').split('\n').filter(Boolean) : [];
};
/** Letters of the language that is made up for the tests. */
const isMadeUp = (name) => /[áƀçďéǧĥíķļɱñóþřšťúŵýéÁÇĎÉŠŤÝ]{2,}/.test(name);

const pressed = new Map();
for (const run of ['gate', 'deep'])
  for (const line of lines('used', run)) {
    const [name, test] = line.split('\t');
    if (BY_CHANCE.test(test) || isMadeUp(name)) continue;
    pressed.set(name, (pressed.get(name) ?? new Set()).add(test));
  }
const list = JSON.parse(readFileSync(LIST, 'utf8'));

if (process.argv.includes('--write')) {
  const kept = Object.entries(list).filter(([name, test]) => test.startsWith('nobody: ') || pressed.get(name)?.has(test));
  const found = [...pressed].filter(([name]) => !(name in list)).map(([name, [test]]) => [name, test]);
  const all = Object.fromEntries([...kept, ...found].sort(([a], [b]) => (a < b ? -1 : 1)));
  writeFileSync(LIST, `${JSON.stringify(all, null, 2)}\n`);
  console.log(`${Object.keys(all).length} controls, each with a test that presses it.`);
  process.exit(0);
}
const idle = Object.entries(list).filter(([name, test]) => !test.startsWith('nobody: ') && !pressed.get(name)?.has(test));
const unlisted = [...new Set(['gate', 'deep'].flatMap((run) => lines('met', run)))].filter((name) => !(name in list)).sort();
for (const [name, test] of idle) console.log(`not pressed by the test that is named: ${name}\n    ${test}`);
for (const name of unlisted) console.log(`met by a walk, and in no list: ${name}`);
console.log(` ${Object.keys(list).length - idle.length} passed: controls that are pressed as it is written`);
process.exit(idle.length + unlisted.length > 0 ? 1 : 0);
