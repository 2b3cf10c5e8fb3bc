import AxeBuilder from '@axe-core/playwright';
import type { Stroke } from '../../web/api/types';
import { spokenFor } from './support/microphone';
import { begin, view } from './support/story';
import { type Browser, type Page, expect, test } from './support/test';

/** A story of one's own, at its second slide in the Booth, with the microphone on. */
async function inTheBooth(page: Page, title: string) {
  await begin(page, 'ivo', title);
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByRole('button', { name: 'Next slide' }).click();
  await page.getByRole('button', { name: 'Turn the microphone on' }).click();
  await page.getByText('Count in').click();
}
const choose = async (page: Page, what: string) => {
  await page.getByRole('button', { name: /^Pointing/ }).click();
  await page.getByRole('radio', { name: what }).locator('xpath=ancestor::label[1]').click();
  await page.keyboard.press('Escape');
};
const picture = async (page: Page) => {
  const box = await page.locator('.picture .screen').boundingBox();
  if (!box) throw new Error('there is no picture');
  return (x: number, y: number) => [box.x + x * box.width, box.y + y * box.height] as const;
};
const strokes = async (page: Page): Promise<Stroke[]> =>
  Object.values((await view(page)).story.assets as Record<string, { take?: { pointing?: Stroke[] } }>).flatMap(
    ({ take }) => take?.pointing ?? [],
  );
const seen = (page: Page) => page.locator('.picture .stage img[data-form]');

test(
  'what one points at while one speaks is seen when that is heard; it is done again, changed, dropped, undone',
  { tag: '@deep' },
  async ({ page }) => {
    await inTheBooth(page, 'Look here');
    await choose(page, 'Ring');
    await page.getByRole('button', { name: 'Record' }).click();
    await spokenFor(page, 1);
    const at = await picture(page);
    await page.mouse.move(...at(0.3, 0.3));
    await page.mouse.move(...at(0.7, 0.6), { steps: 20 });
    await expect(page.locator('[data-pointer=ring] img')).toBeVisible();
    await spokenFor(page, 4);
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 40_000 });
    const [ring] = await strokes(page);
    expect(ring?.form).toBe('ring');
    expect(ring?.over, 'it is of the picture, and not of the slide').toBeTruthy();
    const ms = (ring?.points ?? []).map(([when = 0]) => when);
    expect(Math.min(...ms)).toBeGreaterThan(700);
    // It rested there until somebody pressed Stop.
    expect(Math.max(...ms) - Math.min(...ms)).toBeGreaterThan(500);

    // Heard, it is seen.
    await page.getByRole('button', { name: 'Listen' }).click();
    await expect
      .poll(async () =>
        Number((await seen(page).evaluateAll((all) => all.map((one) => (one as HTMLElement).style.opacity)))[0]),
      )
      .toBe(1);
    await page.locator('.picture .screen').click();

    await choose(page, 'Light');
    await expect.poll(async () => (await strokes(page))[0]?.form).toBe('light');

    // Again, while it plays, and with the keys of arrows.
    await page.getByRole('button', { name: /^Pointing/ }).click();
    expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([]);
    await page.getByRole('button', { name: 'Point while it plays' }).click();
    await expect(page.getByRole('timer')).toBeVisible();
    await expect(page.getByRole('timer')).toBeHidden();
    for (let n = 0; n < 10; n += 1) await page.keyboard.press('ArrowRight', { delay: 60 });
    await expect(page.getByText('Where you pointed is kept.')).toBeVisible({ timeout: 15_000 });
    await expect.poll(async () => (await strokes(page))[0]?.points[0]?.[0]).not.toBe(ring?.points[0]?.[0]);
    const [again, ...others] = await strokes(page);
    expect(others).toEqual([]);
    const across = (again?.points ?? []).map(([, x = 0]) => x);
    expect(across.at(-1)).toBeGreaterThan(across[0] ?? 1);

    await page.getByRole('button', { name: /^Pointing/ }).click();
    // Pressed twice it is done once.
    await page.getByRole('button', { name: 'Leave the pointing out' }).dblclick();
    await expect.poll(() => strokes(page)).toEqual([]);
    await expect(page.getByRole('dialog')).toBeHidden();
    await page.keyboard.press('Control+z');
    await expect.poll(() => strokes(page)).toEqual([again]);
  },
);

test(
  'somebody thinks better of it: stopped, or without pointing at anything, all is as it was',
  { tag: '@deep' },
  async ({ page }) => {
    await inTheBooth(page, 'Better not');
    await choose(page, 'Arrow');
    await page.getByRole('button', { name: 'Record' }).click();
    await spokenFor(page, 2);
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 40_000 });
    const open = () => page.getByRole('button', { name: /^Pointing/ }).click();
    await open();
    await expect(page.getByRole('button', { name: 'Leave the pointing out' })).toBeDisabled();
    await page.getByRole('button', { name: 'Point while it plays' }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('timer')).toBeHidden();
    await open();
    await page.getByRole('button', { name: 'Point while it plays' }).click();
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByRole('button', { name: 'Record', exact: true })).toBeEnabled();
    await open();
    await page.getByRole('button', { name: 'Point while it plays' }).click();
    await expect(page.getByText('Nothing was pointed at, so all is as it was.')).toBeVisible({ timeout: 15_000 });
    expect(await strokes(page)).toEqual([]);
    await choose(page, 'Off');
    await expect(page.getByRole('button', { name: 'Pointing', exact: true })).toBeVisible();
  },
);

test(
  'the page is closed while somebody points, and the network is cut: what was pointed at comes in with the voice',
  { tag: '@deep' },
  async ({ page, context }) => {
    await inTheBooth(page, 'A lid falls');
    const address = page.url();
    await choose(page, 'Arrow');
    await page.getByRole('button', { name: 'Record' }).click();
    await spokenFor(page, 1);
    await context.setOffline(true);
    const at = await picture(page);
    await page.mouse.move(...at(0.2, 0.3));
    await page.mouse.move(...at(0.6, 0.5), { steps: 15 });
    await spokenFor(page, 4);
    await page.close();
    await context.setOffline(false);
    const next = await context.newPage();
    await next.goto(address);
    await expect.poll(() => strokes(next), { timeout: 40_000 }).toHaveLength(1);
    expect((await strokes(next))[0]?.form).toBe('arrow');
  },
);

async function byFinger(
  browser: Browser,
  act: (page: Page, touch: (kind: string, x?: number, y?: number) => Promise<unknown>) => Promise<void>,
) {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    permissions: ['microphone'],
  });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await act(page, (type, x, y) =>
    client.send('Input.dispatchTouchEvent', { type, touchPoints: x === undefined ? [] : [{ x, y }] } as never),
  );
  await context.close();
}

test(
  'by a finger, in one go: what it draws is pointed at, and a tap is the next slide',
  { tag: '@deep' },
  async ({ browser }) => {
    await byFinger(browser, async (page, touch) => {
      await inTheBooth(page, 'By finger');
      await choose(page, 'Ring');
      await page.getByText('In one go').click();
      await page.getByRole('button', { name: 'Record' }).click();
      await spokenFor(page, 1);
      const at = await picture(page);
      await touch('touchStart', ...at(0.3, 0.4));
      for (let n = 0; n <= 10; n += 1) {
        await touch('touchMove', ...at(0.3 + 0.04 * n, 0.4));
        await page.waitForTimeout(40);
      }
      await touch('touchEnd');
      await spokenFor(page, 3);
      await expect(page.getByRole('heading', { name: 'Slide 2 of 4' })).toBeVisible();
      await touch('touchStart', ...at(0.5, 0.5));
      await touch('touchEnd');
      await expect(page.getByRole('heading', { name: 'Slide 3 of 4' })).toBeVisible();
      await spokenFor(page, 6);
      await page.getByRole('button', { name: 'Stop' }).click();
      await expect.poll(() => strokes(page), { timeout: 40_000 }).toHaveLength(1);
    });
  },
);
