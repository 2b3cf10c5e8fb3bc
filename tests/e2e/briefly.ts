import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';
import { stripVTControlCharacters } from 'node:util';

/**
 * At the very end, what went wrong in a few lines: whoever sees only the last page of a log knows it too. Also of a test that passed
 * at its second try: something in it does not hold on a slow machine, in the test or in the page, and is to be looked into.
 */
export default class Briefly implements Reporter {
  private readonly wrong = new Map<TestCase, string>();

  onTestEnd(test: TestCase, result: TestResult): void {
    if (result.status === 'passed' || result.status === 'skipped') return;
    const said = result.errors.map((error) => stripVTControlCharacters(error.message ?? '').slice(0, 1200));
    this.wrong.set(test, `${test.title}\n${said.join('\n').replace(/^/gm, '  ')}`);
  }

  onEnd(): void {
    const told = (title: string, isAtLastRight: boolean) => {
      const those = [...this.wrong].filter(([test]) => (test.outcome() === 'flaky') === isAtLastRight);
      if (those.length > 0) console.log(`\n${title}\n${those.map(([, said]) => said).join('\n')}`);
    };
    told('Right only at the second try, briefly', true);
    told('What went wrong, briefly', false);
  }
}
