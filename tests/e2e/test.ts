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
  await watchControls(context, (name) => note('used', [name]));
  // What others do meanwhile is told by tests of its own (news.spec): elsewhere two tests would tell each other.
  if (!areToldNews) await context.route(NEWS, (route) => route.fulfill({ json: [] }));
};
let areToldNews = false;

/** Tests with a purpose: each notes the controls that it uses, for controls.spec at the end. */
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
      await watch(context);
      if (isTold) await context.unroute(NEWS);
      await use(undefined);
      note('ran', [basename(info.file)]);
    },
    { auto: true },
  ],
});
