import type { FullResult, Reporter, TestCase, TestResult } from '@playwright/test/reporter';
import { mkdirSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { stripVTControlCharacters } from 'node:util';

/** So many may be right only at their second try; more are a fault of the whole. */
const MAY_BE_FLAKY = 2;

/**
 * At the very end, what went wrong in a few lines: whoever sees only the last page of a log knows it too. Also of a test that passed
 * at its second try: something in it does not hold on a slow machine, in the test or in the page, and is to be looked into. Their
 * names are kept in var/flaky.txt.
 */
export default class Told implements Reporter {
  private readonly wrong = new Map<TestCase, string>();

  onTestEnd(test: TestCase, result: TestResult): void {
    if (result.status === 'passed' || result.status === 'skipped') return;
    const said = result.errors.map((error) => stripVTControlCharacters(error.message ?? '').slice(0, 1200));
    this.wrong.set(test, `${named(test)}\n${said.join('\n').replace(/^/gm, '  ')}`);
  }

  async onEnd(result: FullResult): Promise<{ status?: FullResult['status'] }> {
    const flaky = [...this.wrong.keys()].filter((test) => test.outcome() === 'flaky');
    const told = (title: string, isAtLastRight: boolean) => {
      const those = [...this.wrong].filter(([test]) => flaky.includes(test) === isAtLastRight);
      if (those.length > 0) console.log(`\n${title}\n${those.map(([, said]) => said).join('\n')}`);
    };
    told('Right only at the second try, briefly', true);
    told('What went wrong, briefly', false);
    mkdirSync('var', { recursive: true });
    writeFileSync('var/flaky.txt', flaky.map((test) => `${named(test)}\n`).join(''));
    if (flaky.length <= MAY_BE_FLAKY) return {};
    console.log(`\n${flaky.length} were right only at the second try, and ${MAY_BE_FLAKY} may be.`);
    return { status: result.status === 'passed' ? 'failed' : result.status };
  }
}

const named = (test: TestCase) => `${basename(test.location.file)}: ${test.title}`;
