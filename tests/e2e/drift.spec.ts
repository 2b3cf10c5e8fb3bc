import AxeBuilder from '@axe-core/playwright';
import { group, press } from './support/oneSlide';
import { choose, chooseFrom, panel, proof, rows, saved } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';

/** Weather and light over slides of one's own. */
const cards = (page: Page) => panel(page).getByRole('radiogroup', { name: 'Weather and light' });
const card = (page: Page, name: string) =>
  cards(page).getByRole('radio', { name, exact: true }).locator('xpath=ancestor::label[1]');
const pick = (page: Page, name: string) => panel(page).getByText(name, { exact: true }).first();
const drift = async (page: Page, n: number) => (await slide(page, n)).drift;

test(
  'weather and light are chosen by seeing them, go where they are told, and are undone',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'juno', 'Weather');
    await choose(page, 1);
    // Each is seen on the slide at hand, and passes while it is looked at.
    await expect(card(page, 'Mist').locator('.drifts')).toHaveCount(2);
    await card(page, 'Rain').hover();
    const moved = () =>
      card(page, 'Rain')
        .locator('.drifts')
        .first()
        .evaluate((sheets) => sheets.style.transform);
    const before = await moved();
    await expect.poll(moved).not.toBe(before);
    for (const [name, kind] of [
      ['Rain', 'rain'],
      ['Mist', 'mist'],
      ['Lit dust', 'motes'],
      ['Snow', 'snow'],
    ] as const) {
      await card(page, name).click();
      await expect.poll(() => drift(page, 1)).toMatchObject({ kind });
    }
    await pick(page, 'Much').click();
    await expect.poll(() => drift(page, 1)).toEqual({ kind: 'snow', way: 'down', strength: 'much' });
    await pick(page, 'A little').click();
    await expect.poll(async () => (await drift(page, 1))?.strength).toBe('little');
    await pick(page, 'Some').click();
    await chooseFrom(panel(page), 'Where it goes', 'From the top left to the bottom right');
    await expect.poll(() => drift(page, 1)).toEqual({ kind: 'snow', way: 'down-right', strength: 'some' });
    await expect(rows(page).nth(1).locator('.drifts')).toHaveCount(2);
    // Another goes its own usual way, and is as much.
    await card(page, 'Lit dust').click();
    await expect.poll(() => drift(page, 1)).toEqual({ kind: 'motes', way: 'up-right', strength: 'some' });
    expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
    await card(page, 'Nothing').click();
    await expect.poll(() => drift(page, 1)).toBeUndefined();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => drift(page, 1)).toMatchObject({ kind: 'motes' });
  },
);

test(
  'it is set for several by keys, a second kind is said, and what was chosen without a network is kept',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'wren', 'Two weathers');
    await choose(page, 1);
    await rows(page)
      .nth(2)
      .getByText('3', { exact: true })
      .first()
      .click({ modifiers: ['Shift'] });
    await expect(panel(page).getByRole('heading', { name: '2 slides', exact: true })).toBeVisible();
    await cards(page).getByRole('radio', { name: 'Nothing' }).focus();
    await press(page, 'ArrowRight', 2);
    await expect
      .poll(async () => [(await drift(page, 1))?.kind, (await drift(page, 2))?.kind])
      .toEqual(['snow', 'snow']);
    // It goes on from the one to the other.
    const { plan } = await view(page);
    const sheets = [1, 2].map((n) => plan.scenes[n].layers.find(({ kind }: { kind: string }) => kind === 'drift'));
    expect(sheets[1].sheet).toBe(sheets[0].sheet);
    expect(sheets[1].since).toBe(plan.scenes[2].start - plan.scenes[1].start);
    await choose(page, 3);
    await context.setOffline(true);
    await card(page, 'Rain').click();
    await expect(page.getByText('Not saved yet: no connection. It will be sent.').first()).toBeVisible();
    await context.setOffline(false);
    await expect.poll(() => drift(page, 3), { timeout: 20_000 }).toMatchObject({ kind: 'rain' });
    await page.getByRole('button', { name: /^Proof/ }).click();
    await expect(proof(page).getByText('2 kinds of weather and light pass over the slides.')).toBeVisible();
  },
);

test('on a phone it is chosen by touch, and passes over the stage under the words', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await begin(page, 'ivo', 'Small weather');
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await group(page, 'Over').click();
  await card(page, 'Mist').click();
  await expect.poll(() => drift(page, 1)).toMatchObject({ kind: 'mist', way: 'right' });
  await saved(page);
  const stage = page.locator('.stage');
  await expect(stage.locator('[data-url*="/api/drifts/"]').first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
