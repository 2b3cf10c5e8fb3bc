import { IntlMessageFormat } from 'intl-messageformat';
import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import type catalogue from '../../messages/en.json';

/** What can be said: a code of the catalogue. */
export type Code = keyof typeof catalogue;
export type Values = Record<string, unknown>;
/** What the server wants to have said, in the language of who reads it. A parameter may be a message itself. */
export interface Message {
  code: string;
  parameters?: Values;
}
export type Words = Record<string, string | MessageFormatElement[]>;

/** The page speaks one language from the moment it is loaded, so it is no matter of a component's. */
let words: Words = {};
let locale = 'en';
const formats = new Map<string, IntlMessageFormat>();

export function speak(language: string, said: Words): void {
  locale = language;
  words = said;
  formats.clear();
}

/** The reader's own language and region, for dates, numbers and sorting, with the digits that films have. */
export const reader = (): string => locale;

const isMessage = (value: unknown): value is Message => typeof value === 'object' && value !== null && 'code' in value;

/** The sentence of a code, or of what the server said. A code that this page does not know yet is said in passing. */
export function say(what: Code | Message, values: Values = {}): string {
  if (typeof what === 'object')
    return say((what.code in words ? what.code : 'page.did-not-work') as Code, what.parameters);
  const pattern = words[what];
  if (pattern === undefined) throw new Error(`“${what}” is not in the catalogue`);
  if (typeof pattern === 'string') return pattern;
  const format = formats.get(what) ?? new IntlMessageFormat(pattern, locale);
  formats.set(what, format);
  const said = Object.entries(values).map(([name, value]) => [name, isMessage(value) ? say(value) : value]);
  return String(format.format(Object.fromEntries(said) as Record<string, string>));
}
