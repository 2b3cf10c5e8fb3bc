import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Plugin } from 'vite';

const LETTERS = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const MARKED = 'áƀçďéƒǧĥíĵķļɱñóþʠřšťúṽŵẋýžÁƁÇĎÉƑǦĤÍĴĶĻṀÑÓÞɊŘŠŤÚṼŴẊÝŽ';
const LONGER = 1.4;

/** A sentence of no language, 40 % longer, in which every letter is marked: what is not is no sentence of the catalogue. */
export function pseudo(text: string): string {
  const marked = [...text].map((letter) => MARKED[LETTERS.indexOf(letter)] ?? letter);
  let left = Math.ceil(marked.length * (LONGER - 1));
  const longer = marked.map((letter) => {
    if (!/[áéíóúý]/.test(letter)) return letter;
    const more = Math.min(left, 2);
    left -= more;
    return letter.repeat(1 + more);
  });
  return longer.join('') + (/\p{L}/u.test(text) ? 'ýé'.repeat(Math.ceil(left / 2)) : '');
}

function changed(parts: MessageFormatElement[], change: (text: string) => string): MessageFormatElement[] {
  return parts.map((part) => {
    if (part.type === TYPE.literal) return { ...part, value: change(part.value) };
    if (part.type !== TYPE.select && part.type !== TYPE.plural) return part;
    const options = Object.entries(part.options).map(([name, one]) => [name, { value: changed(one.value, change) }]);
    return { ...part, options: Object.fromEntries(options) as typeof part.options };
  });
}

/** A catalogue as the page wants it: parsed, so that the page needs no parser; what says always the same stays a text. */
export function compiled(catalogue: Record<string, string>, change = (text: string) => text) {
  const entries = Object.entries(catalogue).map(([code, pattern]) => {
    const parts = changed(parse(pattern), change);
    const [only] = parts;
    if (parts.length === 1 && only?.type === TYPE.literal) return [code, only.value];
    return [code, parts];
  });
  return Object.fromEntries(entries) as Record<string, string | MessageFormatElement[]>;
}

/** What only the server and the command line say, the page does not carry. */
const ELSEWHERE = /^(cli|document|folder|request)\./;

const NAME = /^\0?virtual:messages\/([a-zA-Z-]+)$/;
const PSEUDO = 'en-XA';

/** Brings the catalogue of a language into the page: import('virtual:messages/en'). */
export const messages = (): Plugin => ({
  name: 'messages',
  resolveId: (id) => (NAME.test(id) ? `\0${id}` : null),
  load(id) {
    const language = NAME.exec(id)?.[1];
    if (language === undefined) return null;
    const file = join(import.meta.dirname, '../../messages', `${language === PSEUDO ? 'en' : language}.json`);
    this.addWatchFile(file);
    const all = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>;
    const said = Object.fromEntries(Object.entries(all).filter(([code]) => !ELSEWHERE.test(code)));
    return `export default ${JSON.stringify(compiled(said, language === PSEUDO ? pseudo : undefined))}`;
  },
});
