// Lays out the set of icons that stories may use: one SVG file for each, and by which words it is found in each language.
// What it is made of is brought in from npm: OpenMoji (CC BY-SA 4.0) as @iconify-json/openmoji, and the names and keywords of
// Unicode CLDR as emojibase-data (MIT). Flags, parts of others and shades of skin are left out.
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const require = createRequire(import.meta.url);
const to = join(dirname(fileURLToPath(import.meta.url)), 'made');
const json = (path) => JSON.parse(readFileSync(path, 'utf8'));
const { icons, width, height } = json(require.resolve('@iconify-json/openmoji/icons.json'));
const names = json(require.resolve('@iconify-json/openmoji/chars.json'));
const words = dirname(dirname(require.resolve('emojibase-data/en/compact.json')));
const COMPONENTS = 2;
const FLAGS = 9;

const nameOf = ({ hexcode }) => names[hexcode.toLowerCase().replaceAll('-fe0f', '')] ?? names[hexcode.toLowerCase()];
const offered = json(join(words, 'en', 'compact.json')).filter(
  ({ group }) => group !== undefined && group !== COMPONENTS && group !== FLAGS,
);
const making = `${to}.${process.pid}`;
mkdirSync(join(making, 'words'), { recursive: true });
const kept = new Map();
for (const one of offered) {
  const name = nameOf(one);
  const body = name && icons[name]?.body;
  if (!body) continue;
  kept.set(one.hexcode, name);
  writeFileSync(
    join(making, `${name}.svg`),
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${body}</svg>\n`,
  );
}
for (const language of readdirSync(words)) {
  const file = join(words, language, 'compact.json');
  if (!existsSync(file)) continue;
  const found = json(file)
    .filter(({ hexcode }) => kept.has(hexcode))
    .sort((a, b) => a.order - b.order)
    .map(({ hexcode, label, tags = [] }) => [kept.get(hexcode), label, tags.join(' ')]);
  writeFileSync(join(making, 'words', `${language}.json`), JSON.stringify(found));
}
rmSync(to, { recursive: true, force: true });
renameSync(making, to);
