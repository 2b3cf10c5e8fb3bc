import { existsSync, readFileSync } from 'node:fs';
import { finds } from './support/axe';
import { controlsIn } from './support/controls';
import { gatherOwn, misses } from './support/markedLanguage';
import { nobodys, students, teachers } from './support/places';
import { expect, test } from './support/test';

/** Each control, by role and name, and the test that presses it. */
const CONTROLS = JSON.parse(readFileSync('tests/e2e/controls.json', 'utf8')) as Record<string, string>;

const who = { nobody: nobodys, 'a student': students, 'a teacher': teachers };
for (const [name, places] of Object.entries(who)) {
  test(`where ${name} comes: axe finds nothing, and every control has a test that presses it`, async ({ page }) => {
    test.setTimeout(240_000);
    for (const { name: place, go } of await places(page)) {
      await go(page);
      expect.soft(await finds(page), place).toEqual([]);
      const unnamed = (await controlsIn(page)).filter((control) => !(control in CONTROLS));
      expect.soft(unnamed, `${place}: name their tests in controls.json`).toEqual([]);
    }
  });

  for (const width of [1280, 390])
    test(`where ${name} comes, at ${width}: every sentence is the catalogue’s, none is cut off, nothing goes sideways`, async ({
      browser,
    }) => {
      test.setTimeout(240_000);
      // A language of nobody, every letter marked and each sentence 40 % longer: what a longer language needs shows in it.
      const context = await browser.newContext({ locale: 'en-XA', viewport: { width, height: 800 } });
      const page = await context.newPage();
      const own = gatherOwn(page);
      for (const { name: place, go, isWide } of await places(page)) {
        if (isWide && width < 1024) continue;
        await go(page);
        await page.waitForLoadState('networkidle');
        expect.soft(await misses(page, own), place).toEqual([]);
        const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        expect.soft(over, `${place} goes sideways`).toBeLessThanOrEqual(0);
      }
      await context.close();
    });
}

test('every test that the list of controls names is there', () => {
  const text = new Map<string, string>();
  const has = (named: string) => {
    const [file = '', ...title] = named.split(': ');
    const path = `tests/e2e/${file}.spec.ts`;
    if (!text.has(path)) text.set(path, existsSync(path) ? readFileSync(path, 'utf8') : '');
    // As it stands in the file: in whichever quotation marks.
    return text.get(path)?.replaceAll('\\', '').includes(title.join(': ')) ?? false;
  };
  const missing = Object.entries(CONTROLS).filter(([, named]) => !named.startsWith('nobody: ') && !has(named));
  expect(missing).toEqual([]);
});
