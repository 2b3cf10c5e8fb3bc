import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { afterAll, describe, expect, it } from 'vitest';
import examples from '../golden/messages.json';
import { pseudo } from '../../web/messages/compile';
import { chosen, learn } from '../../web/messages/reader';
import { reader, say, type Code } from '../../web/messages/say';

const catalogue = JSON.parse(readFileSync(join(import.meta.dirname, '../../messages/en.json'), 'utf8')) as Record<
  Code,
  string
>;
const web = join(import.meta.dirname, '../../web');
const sources = readdirSync(web, { recursive: true, encoding: 'utf8' }).filter((name) => /\.tsx?$/.test(name));

/** What a message is said of. */
function argumentsOf(parts: MessageFormatElement[]): string[] {
  return parts.flatMap((part) => {
    if (part.type === TYPE.literal || part.type === TYPE.pound) return [];
    const within =
      part.type === TYPE.select || part.type === TYPE.plural
        ? Object.values(part.options).flatMap((option) => argumentsOf(option.value))
        : [];
    return 'value' in part ? [part.value, ...within] : within;
  });
}

describe('the catalogue', () => {
  afterAll(() => learn(['en-GB']));

  it.each(Object.entries(examples))('says “%s” as the server does', (said, { code, ...parameters }) =>
    expect(say({ code, parameters })).toBe(said),
  );

  it('is given, at every place of the page, all that a message is said of', () => {
    let calls = 0;
    for (const name of sources) {
      const file = ts.createSourceFile(name, readFileSync(join(web, name), 'utf8'), ts.ScriptTarget.Latest, true);
      const visit = (node: ts.Node): void => {
        if (ts.isCallExpression(node) && node.expression.getText() === 'say' && node.arguments[0]) {
          const given = node.arguments[1];
          const keys =
            given && ts.isObjectLiteralExpression(given) ? given.properties.map((p) => p.name?.getText() ?? '') : [];
          // Either of two codes may be said of the same things.
          for (const [, code = ''] of node.arguments[0].getText().matchAll(/'([a-z-]+\.[a-z0-9.-]+)'/g)) {
            const wanted = argumentsOf(parse(catalogue[code as Code] ?? ''));
            expect.soft(keys, `${code} in ${name}`).toEqual(expect.arrayContaining(wanted));
            calls += 1;
          }
        }
        ts.forEachChild(node, visit);
      };
      visit(file);
    }
    expect(calls).toBeGreaterThan(250);
  });

  it('is read in the first language of the reader’s that it has, in the form of the reader’s region', async () => {
    expect(chosen(['fr-CA', 'en-ZA'])).toEqual(['en', 'en-ZA']);
    expect(chosen(['fr'])).toEqual(['en', 'en']);
    await learn(['en-ZA']);
    expect(new Intl.Locale(reader()).region).toBe('ZA');
  });

  it('has a language of nobody: every letter marked, and 40 % longer', async () => {
    await learn(['en-XA']);
    for (const [code, pattern] of Object.entries(catalogue)) {
      const marked = pseudo(pattern.replace(/\{.*\}/s, ''));
      expect.soft(marked, code).not.toMatch(/[A-Za-z]/);
    }
    expect([...pseudo('Slides')].length).toBeGreaterThanOrEqual(Math.ceil(6 * 1.4));
    expect(say('desk.of', { name: 'Tilda' })).toMatch(/^Tilda’[^a-z]+$/);
    expect(say('page.not-now')).not.toMatch(/[A-Za-z]/);
    expect(document.documentElement.lang).toBe('en-XA');
  });

  it('says something even of what only a newer server knows', () => {
    expect(say({ code: 'not.yet' })).toBe(say('page.did-not-work'));
  });
});
