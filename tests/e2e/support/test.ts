import { test as base, type Browser, type BrowserContext } from '@playwright/test';
import { basename } from 'node:path';
import { note, watchControls } from './controls';

export { expect } from '@playwright/test';
export type { APIRequestContext, Browser, Page } from '@playwright/test';

const NEWS = '**/api/news';
const watched = new WeakSet<BrowserContext>();
const watch = async (context: BrowserContext) => {
  if (watched.has(context)) return;
  watched.add(context);
  await watchControls(context, (name) => note('used', [`${name}\t${running}`]));
  // What others do meanwhile is told by tests of its own (news.spec): elsewhere two tests would tell each other.
  if (!areToldNews) await context.route(NEWS, (route) => route.fulfill({ json: [] }));
};
let areToldNews = false;
/** The test that runs, as controls.json names it. */
let running = '';

/** Each test notes the controls that it uses: bin/parts/controls.mjs holds controls.json to that. */
export const test = base.extend<{ isTold: boolean; noting: undefined }, { watching: undefined }>({
  /** Whether the page is told what others do. */
  isTold: [false, { option: true }],
  watching: [
    async ({ browser }: { browser: Browser }, use) => {
      const make = browser.newContext.bind(browser);
      browser.newContext = async (...options) => {
        const context = await make(...options);
        await watch(context);
        return context;
      };
      await use(undefined);
      browser.newContext = make;
    },
    { scope: 'worker', auto: true },
  ],
  noting: [
    async ({ context, isTold }, use, info) => {
      areToldNews = isTold;
      running = `${basename(info.file, '.spec.ts')}: ${info.title}`;
      await watch(context);
      if (isTold) await context.unroute(NEWS);
      await use(undefined);
    },
    { auto: true },
  ],
});
