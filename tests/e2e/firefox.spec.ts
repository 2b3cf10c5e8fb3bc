import puppeteer, { type Page } from 'puppeteer-core';
import { make } from './support/files';
import { expect, test } from './support/test';

const FIREFOX = process.env.FIREFOX ?? '/usr/bin/firefox-esr';

/** Milliseconds that a busy machine may take for anything. */
const LONG = 90_000;

const press = async (page: Page, name: string) => {
  const found = await page.waitForSelector(`::-p-aria([name="${name}"][role="button"])`, { timeout: LONG });
  await page.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, found);
  await found?.click();
};
const shows = async (page: Page, text: string) => {
  await page
    .waitForFunction((wanted) => document.body.innerText.includes(wanted), { timeout: LONG }, text)
    .catch(async (problem: unknown) => {
      const shown = await page.evaluate(() => document.body.innerText);
      throw new Error(`“${text}” is not shown, but: ${shown}`, { cause: problem });
    });
};

/** Parts come about once a second: a second may be passed over. */
const isSafe = (page: Page, seconds: number) =>
  page.waitForFunction(
    (least) => Number(/0:(\d\d) of it safe/.exec(document.body.innerText)?.[1] ?? -1) >= least,
    { timeout: LONG },
    seconds,
  );

/** The Booth in another browser: what records, keeps, plays and draws there is another's work. */
test(
  'the Booth in Firefox: spoken, heard, a sentence again, in one go, without an output for sound',
  { tag: '@deep' },
  async ({ baseURL }) => {
    test.setTimeout(600_000);
    const browser = await puppeteer.launch({
      browser: 'firefox',
      executablePath: FIREFOX,
      headless: true,
      defaultViewport: { width: 1280, height: 800 },
      extraPrefsFirefox: {
        'media.navigator.streams.fake': true,
        'media.navigator.permission.disabled': true,
        'media.autoplay.default': 0,
        'network.proxy.type': 0,
        'media.cubeb.force_mock_context': true,
      },
    });
    try {
      const page = await browser.newPage();
      const troubles: string[] = [];
      page.on('pageerror', (error) => troubles.push(String(error)));
      await page.goto(baseURL ?? '');
      await (await page.waitForSelector('input[name=name]'))?.type('pim');
      await page.type('input[name=password]', 'tide-mill');
      await press(page, 'Sign in');
      await press(page, 'Begin a story');
      await (await page.waitForSelector('form input'))?.type('Elsewhere');
      await press(page, 'Begin');
      const input = await page.waitForSelector('input[type=file]');
      await input?.uploadFile(make('other.png', '-i', 'testsrc2=s=1280x720', '-frames:v', '1'));
      await shows(page, '\n1 file came in.');
      const story = /stories\/([^/?]+)/.exec(page.url())?.[1] ?? '';
      const told = () =>
        page.evaluate(async (id) => (await (await fetch(`/api/stories/${id}`)).json()).story, story) as Promise<{
          slides: { voice: { asset: string; from: number; to: number }[] }[];
          assets: Record<string, { kind: string; samples: number }>;
        }>;

      expect((await told()).slides).toHaveLength(2);
      await page.goto(`${baseURL}/stories/${story}/booth`);
      await press(page, 'Turn the microphone on');
      await press(page, 'Record');
      // Counted in, then spoken for three seconds, each of them safe.
      await isSafe(page, 3);
      await press(page, 'Stop');
      await shows(page, 'Spoken: ');
      const first = (await told()).slides[0]?.voice[0];
      // Where the machine stands still for a while this browser hears nothing.
      expect(((first?.to ?? 0) - (first?.from ?? 0)) / 48_000).toBeGreaterThan(1.5);

      // What was said is drawn, and heard.
      await page.waitForSelector('[role=listbox] [role=option]', { timeout: LONG });
      await page.waitForFunction(() => (document.querySelector('svg path')?.getAttribute('d') ?? '').length > 100);
      await press(page, 'Listen');
      await press(page, 'Takes');
      await press(page, 'Hear “Take 1”');
      await press(page, 'Close');

      // It is said again, whole; then both slides in one go.
      await (await page.waitForSelector('[role=option]'))?.click();
      await page.keyboard.press('o');
      await isSafe(page, 2);
      await press(page, 'Stop');
      await expect
        .poll(async () => (await told()).slides[0]?.voice[0]?.asset, { timeout: LONG })
        .not.toBe(first?.asset);
      await page.waitForFunction(() =>
        [...document.querySelectorAll('button')].some((b) => b.innerText.trim() === 'Record' && !b.disabled),
      );
      await (await page.waitForSelector('label::-p-text(In one go)'))?.click();
      await press(page, 'Record');
      // Longer after the step than before it: it is noted by the clock, and of what was heard something may be missing.
      await isSafe(page, 2);
      await page.keyboard.press('n');
      await isSafe(page, 9);
      await press(page, 'Stop');
      await shows(page, '2 slides speak with it now.');
      const { slides, assets } = await told();
      expect(slides.map(({ voice }) => voice.length)).toEqual([1, 1]);
      expect(Object.values(assets).filter(({ kind }) => kind === 'voice')).toHaveLength(3);
      expect(troubles).toEqual([]);
    } finally {
      await browser.close();
    }
  },
);
