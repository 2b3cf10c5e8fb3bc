// What is seen at once: sixty slides in another style, and four moving pictures whose words come and go while it snows. In software, as a school's
// machine draws them. The browser is the one of the tests.
import { chromium } from '@playwright/test';
import { at, base, begin, caption, edit, read, row, story, wait } from './bench-client.mjs';

const SLIDES = 60;
const STYLES = ['Lantern', 'Tin', 'Clay', 'Stone', 'Reed'];
const PLAYED = 6;

await begin();
let view = await story('look', 2);
while (view.story.slides.length < SLIDES) {
  const slides = view.story.slides.slice(1, 1 + SLIDES - view.story.slides.length).map(({ id }) => id);
  await edit(view, { do: 'duplicate slides', slides, copies: slides.map(() => crypto.randomUUID()) });
  view = await read(view);
}
await edit(view, ...view.story.slides.slice(1).map(({ id }, n) => caption(id, `Number ${n} of what the tide has brought`)));

let four = await story('four', 1);
const [, shown] = four.story.slides;
const [{ asset }] = shown.layers;
await edit(
  four,
  ...Array.from({ length: 3 }, () => ({ do: 'put beside', slide: shown.id, asset })),
  { do: 'set stay', slides: [shown.id], stay: PLAYED + 2 },
  { do: 'set layers', slides: [shown.id], kind: 'words', changes: { comes: 1.5, goes: PLAYED - 1 } },
  { do: 'set drift', slides: [shown.id], drift: { kind: 'snow', strength: 'much' } },
);
four = await read(four);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(base);
await page.getByLabel('Name').fill('tilda');
await page.getByLabel('Password').fill('tide-mill');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('heading', { name: /desk/i }).waitFor();

/** From the press on a style to the frame in which the preview has its words and its ground. */
await page.goto(`${base}/stories/${view.id}`);
await page.getByRole('row').nth(1).waitFor();
await page.getByRole('button', { name: 'The story', exact: true }).click();
const styles = page.getByRole('radiogroup', { name: 'Style' });
await styles.locator('img').first().waitFor();
const chosen = [];
for (const name of STYLES) {
  const before = await page.evaluate(() => document.querySelector('.stage > div[style*="visible"]').style.backgroundColor);
  await styles.getByRole('radio', { name, exact: true }).locator('xpath=ancestor::label[1]').scrollIntoViewIfNeeded();
  await page.evaluate(() => {
    window.pressed = 0;
    window.addEventListener('pointerdown', () => (window.pressed = performance.now()), { once: true, capture: true });
  });
  await styles.getByRole('radio', { name, exact: true }).locator('xpath=ancestor::label[1]').click();
  chosen.push(
    await page.evaluate(
      (ground) =>
        new Promise((resolve) => {
          const look = () => {
            const board = document.querySelector('.stage > div[style*="visible"]');
            const words = [...board.querySelectorAll('img[data-url*="/words/"]')];
            if (board.style.backgroundColor !== ground && words.every((image) => image.complete && image.naturalWidth > 0))
              resolve(performance.now() - window.pressed);
            else requestAnimationFrame(look);
          };
          look();
        }),
      before,
    ),
  );
}
await page.keyboard.press('Escape');

/** Frames that are shown while it plays. */
await page.goto(`${base}/stories/${four.id}`);
await page.getByRole('row').nth(1).waitFor();
await page.getByRole('row').nth(1).getByText('2', { exact: true }).first().click();
// The page has come to rest: what is measured is the play, not its arrival.
await wait(1500);
await page.getByRole('button', { name: 'Play from slide 2' }).click();
const frames = await page.evaluate(
  (seconds) =>
    new Promise((resolve) => {
      const begun = performance.now();
      let count = 0;
      const step = () => {
        count += 1;
        if (performance.now() - begun < 1000 * seconds) requestAnimationFrame(step);
        else resolve((1000 * count) / (performance.now() - begun));
      };
      requestAnimationFrame(step);
    }),
  PLAYED,
);
await browser.close();

console.log('\nLooked at');
const slowest = Math.max(...chosen) / 1000;
row(`Another style for ${SLIDES} slides, seen (slowest of ${STYLES.length})`, `${slowest.toFixed(2)} x`, `1 s (median ${(at(chosen, 0.5) / 1000).toFixed(2)} s)`, '1 x');
row('Four moving pictures with words, while it snows', `${(frames / 50).toFixed(2)} x`, `50 frames a second (${frames.toFixed(0)})`, '1 x and more');
