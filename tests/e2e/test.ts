import { test as base, type Browser, type BrowserContext } from '@playwright/test';
import { basename } from 'node:path';
import { note, watchControls } from './controls';

export { expect } from '@playwright/test';
export type { APIRequestContext, Browser, Page } from '@playwright/test';

const watched = new WeakSet<BrowserContext>();
const watch = async (context: BrowserContext) => {
  if (watched.has(context)) return;
  watched.add(context);
  await watchControls(context, (name) => note('used', [name]));
};

/** Tests with a purpose: each notes the controls that it uses, for controls.spec at the end. */
export const test = base.extend<{ noting: undefined }, { watching: undefined }>({
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
    async ({ context }, use, info) => {
      await watch(context);
      await use(undefined);
      note('ran', [basename(info.file)]);
    },
    { auto: true },
  ],
});
