import { expect, test } from '@playwright/test';
import { readdirSync } from 'node:fs';
import { noted } from './controls';
import { MARKED } from './language';

/** Controls that the walk met and that no purposeful test presses, each with its reason. */
const EXCEPTIONS: Record<string, string> = {
  'button: Dismiss': 'put by React Aria beside a popover for screen readers; Escape does the same and is tested',
  'button: The sheet: pictures may be dropped here':
    'where a keyboard drops what it copied elsewhere; bringing in by the button is tested',
  'button: Load the page again': 'the browser’s own reload',
};

/** Runs last. Everything that can be pressed is pressed by a test that knows what should come of it. */
test('every control that the walk at random met is used by a test with a purpose', () => {
  const ran = noted('ran');
  const files = readdirSync('tests/e2e').filter((f) => f.endsWith('.spec.ts') && !/^(zz|wander|accessible)/.test(f));
  const missing = files.filter((f) => !ran.has(f));
  test.skip(missing.length > 0, `only some of the tests ran, without ${missing.join(', ')}`);
  const met = noted('met');
  const used = noted('used');
  expect(met.size, 'the walk met controls').toBeGreaterThan(80);
  const unused = [...met.keys()].filter((name) => !used.has(name) && !(name in EXCEPTIONS)).sort();
  expect(unused, 'met at random, and in no purposeful test').toEqual([]);
  console.log(`${met.size} controls met at random, ${used.size} used on purpose`);
  // What the walk could meet another time: said, so that it is looked into before it is met.
  const isMadeUp = (name: string) => new RegExp(MARKED).test(name);
  const beside = [...noted('seen').keys()]
    .filter((name) => !used.has(name) && !(name in EXCEPTIONS) && !isMadeUp(name))
    .sort();
  if (beside.length > 0) console.log(`Seen beside those, and pressed by no test:\n  ${beside.join('\n  ')}`);
});
