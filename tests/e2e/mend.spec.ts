import { difference, group, mended, middle, press, pull, recipe, swipe } from './support/oneSlide';
import { choose, rows, saved } from './support/sheet';
import { begin, pictureOf, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';
import type { PlannedPicture } from '../../web/api/types';

/** Pictures are mended on themselves, at the distance of one slide: what is seen is what the server makes of them. */
/** A frame, but for its last digit: it is brought to the slide's shape on the way. */
const about = (frame: object | null) =>
  Object.values(frame ?? {}).map((value: unknown) => Number(Number(value).toFixed(4)));
const slider = (page: Page, name: string) => page.getByRole('slider', { name, exact: true });

test(
  'turned, straightened, cropped, by mouse and by keys; what is seen is what is made',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'pim', 'Out of true');
    await choose(page, 1);
    await page.getByRole('button', { name: 'Mend the picture' }).click();
    await expect(mended(page)).toBeVisible();
    const wide = await mended(page).boundingBox();

    await page.getByRole('button', { name: 'Turn right' }).click();
    await expect.poll(async () => (await recipe(page, 1)).turn).toBe(90);
    const high = await mended(page).boundingBox();
    expect((wide?.width ?? 0) / (wide?.height ?? 1)).toBeCloseTo((high?.height ?? 0) / (high?.width ?? 1), 1);
    await page.getByRole('button', { name: 'Turn left' }).click();
    await expect.poll(async () => (await recipe(page, 1)).turn).toBe(0);

    // Presses that follow each other are one change, and one to undo.
    const { revision } = await view(page);
    await slider(page, 'Straighten').focus();
    await press(page, 'ArrowRight', 30);
    await expect.poll(async () => (await recipe(page, 1)).straighten).toBe(3);
    expect((await view(page)).revision - revision).toBeLessThan(20);
    expect(await difference(page, 1)).toBeLessThan(6);

    // Cropped: by a corner, by an edge, moved, by keys.
    await page.getByText('Crop', { exact: true }).click();
    await pull(page, 'Bottom right corner', -200, -120);
    await expect.poll(async () => (await recipe(page, 1)).crop?.width ?? 1).toBeLessThan(0.85);
    for (const [name, dx, dy] of [
      ['Top left corner', 60, 40],
      ['Top right corner', -30, 20],
      ['Bottom left corner', 20, -20],
      ['Left edge', 20, 0],
      ['Right edge', -20, 0],
      ['Top edge', 0, 20],
      ['Bottom edge', 0, -20],
      ['The part that is kept', 40, 30],
    ] as const)
      await pull(page, name, dx, dy);
    await page.getByRole('button', { name: 'Top edge' }).focus();
    await press(page, 'ArrowDown', 2);
    await saved(page);
    const cropped = (await recipe(page, 1)).crop;
    expect(cropped?.x).toBeGreaterThan(0.1);
    expect(cropped?.y).toBeGreaterThan(0.05);
    await page.getByRole('button', { name: 'The part that is kept' }).focus();
    await press(page, 'ArrowRight', 4);
    await expect.poll(async () => (await recipe(page, 1)).crop?.x ?? 0).toBeCloseTo((cropped?.x ?? 0) + 0.04, 3);
    await press(page, '-', 3);
    await expect.poll(async () => (await recipe(page, 1)).crop?.width ?? 1).toBeLessThan((cropped?.width ?? 0) * 0.9);
    await page.getByText('The slide’s shape').click();
    await expect
      .poll(async () => {
        const { crop } = await recipe(page, 1);
        return ((crop?.width ?? 0) * 1600) / ((crop?.height ?? 1) * 1200);
      })
      .toBeCloseTo(16 / 9, 2);
    await page.getByRole('button', { name: 'Bottom right corner' }).focus();
    await press(page, 'ArrowRight', 5);
    await page.getByText('Crop', { exact: true }).click();
    expect(await difference(page, 1)).toBeLessThan(6);
    await expect
      .poll(async () => {
        const box = await mended(page).boundingBox();
        return (box?.width ?? 0) / (box?.height ?? 1);
      })
      .toBeCloseTo(16 / 9, 1);

    await page.getByText('Crop', { exact: true }).click();
    await page.getByText('Any shape').click();
    await page.getByRole('button', { name: 'Keep all of it' }).click();
    await expect.poll(async () => (await recipe(page, 1)).crop ?? null).toBeNull();
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await recipe(page, 1)).crop ?? null).not.toBeNull();
    await page.getByRole('button', { name: 'As it came' }).click();
    await expect.poll(async () => Object.keys(await recipe(page, 1))).toEqual(['turn']);
  },
);

test(
  'light and looks are seen at once, held against what was before, and done to others too',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'juno', 'In another light');
    await choose(page, 1);
    await rows(page)
      .nth(3)
      .getByText('4', { exact: true })
      .first()
      .click({ modifiers: ['Control'] });
    await page.keyboard.press('Alt+o');
    await expect(mended(page)).toBeVisible();
    const middle = () =>
      mended(page).evaluate((canvas) => {
        const { width, height } = canvas as HTMLCanvasElement;
        const seen = (canvas as HTMLCanvasElement)
          .getContext('2d')
          ?.getImageData(width / 4, height / 4, width / 2, height / 2).data;
        return [...(seen ?? [])].reduce((sum, value) => sum + value, 0) / (width * height);
      });
    await group(page, 'Light').click();
    const before = await middle();
    await slider(page, 'Light').focus();
    await press(page, 'PageUp', 4);
    await expect.poll(middle).toBeGreaterThan(before + 1);
    await slider(page, 'Contrast').focus();
    await press(page, 'ArrowRight', 6);
    await slider(page, 'Warmth').focus();
    await press(page, 'ArrowLeft', 7);
    await slider(page, 'Colour').focus();
    await press(page, 'ArrowRight', 8);
    await page.getByText('Make it clear').click();
    await expect.poll(() => recipe(page, 1)).toMatchObject({ clear: true, contrast: 6, warmth: -7, colour: 8 });
    expect(await difference(page, 1)).toBeLessThan(6);

    // Held, it is as it came; let go, it is mended.
    const now = await middle();
    const hold = await page.getByRole('button', { name: 'Hold to see it before' }).boundingBox();
    await page.mouse.move((hold?.x ?? 0) + 20, (hold?.y ?? 0) + 20);
    await page.mouse.down();
    await expect.poll(middle).toBeCloseTo(before, 0);
    await page.mouse.up();
    await expect.poll(middle).toBeCloseTo(now, 0);

    await group(page, 'Look').click();
    for (const look of [
      'Pencil grey',
      'Brown',
      'Old album',
      'Warm',
      'Cold',
      'Bright',
      'Dusk',
      'None',
      'Black and white',
    ])
      await page.getByText(look, { exact: true }).click();
    await slider(page, 'How strong').focus();
    await press(page, 'ArrowLeft', 20);
    await expect.poll(() => recipe(page, 1)).toMatchObject({ look: 'ink', strength: 80 });
    expect(await difference(page, 1)).toBeLessThan(6);

    await page.getByRole('button', { name: 'Do the same to the other chosen ones (1)' }).click();
    await expect.poll(() => recipe(page, 3)).toMatchObject({ look: 'ink', strength: 80, warmth: -7, clear: true });
    expect((await recipe(page, 2)).look ?? null).toBeNull();
    await page.getByRole('button', { name: 'Do the same to all other pictures (2)' }).click();
    await expect.poll(() => recipe(page, 2)).toMatchObject({ look: 'ink', strength: 80 });
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
    await expect.poll(async () => (await recipe(page, 2)).look ?? null).toBeNull();

    // From slide to slide, its words and all else where it is near.
    await page.getByRole('button', { name: 'The next slide' }).click();
    await expect(page.getByText('Slide 3 of 4', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'The slide before' }).click();
    await group(page, 'Words').click();
    await page.getByLabel('Script of slide 2').fill('It grows as one looks.');
    await expect.poll(async () => (await slide(page, 1)).script).toBe('It grows as one looks.');
    await group(page, 'Slide').click();
    await page.getByLabel('Stays for (seconds)').fill('6');
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await slide(page, 1)).stay).toBe(6);
    await group(page, 'Frame').click();
    await expect(mended(page)).toBeVisible();
    await page.getByRole('radiogroup', { name: 'From how far' }).getByText('Script', { exact: true }).click();
    await expect(rows(page)).toHaveCount(4);
    await page.getByRole('radiogroup', { name: 'From how far' }).getByText('One slide').click();
    await page.reload();
    await expect(page.getByText('Slide 1 of 4', { exact: true })).toBeVisible();
  },
);

test('the eye is led over the picture: opens on, closes on, watched in place', async ({ page }) => {
  await begin(page, 'wren', 'Look here');
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await group(page, 'Move').click();
  const framing = async (n: number) => pictureOf(await slide(page, n)).framing;
  const planned = async (n: number) => {
    const { path } = (await view(page)).plan.scenes[n].layers[0] as PlannedPicture;
    const [first, last] = [path[0], path[path.length - 1]];
    if (!first || !last) throw new Error('it is seen from somewhere');
    return { opensOn: first.frame, closesOn: last.frame };
  };
  const picks = page.getByRole('radiogroup', { name: 'How the picture moves' });
  const onTop = page.getByRole('radiogroup', { name: 'Which frame lies on top' });

  // It goes on from what it does by itself.
  const before = await planned(1);
  await picks.getByText('As I say').click();
  await expect.poll(async () => (await framing(1)).motion).toBe('set');
  expect((await framing(1)).opensOn?.width).toBeCloseTo(before.opensOn.width, 4);

  // By keys: smaller, and to the side; the film's shape stays, and it never leaves the picture.
  const closes = page.getByRole('button', { name: 'Closes on', exact: true });
  await closes.focus();
  await press(page, '-', 16);
  await press(page, 'ArrowRight', 40);
  await expect(page.getByText('Too fast to follow')).toBeVisible();
  await saved(page);
  const set = await planned(1);
  expect(set.closesOn.width).toBeLessThan(0.5);
  expect(set.closesOn.x + set.closesOn.width).toBeCloseTo(1, 4);
  expect((set.closesOn.width * 1600) / (set.closesOn.height * 1200)).toBeCloseTo(16 / 9, 2);
  await press(page, '+', 14);
  await press(page, 'ArrowLeft', 4);
  await expect(page.getByText('Too fast to follow')).toBeHidden();

  // By mouse: each corner of each frame, and the frames themselves.
  for (const [radio, frame] of [
    ['Opens on', 'Opens on'],
    ['Closes on', 'Closes on'],
  ] as const) {
    await onTop.getByText(radio).click();
    for (const [corner, dx, dy] of [
      ['Top left corner', 60, 40],
      ['Top right corner', -40, 30],
      ['Bottom left corner', 30, -20],
      ['Bottom right corner', -40, -20],
    ] as const)
      await pull(page, `${frame}: ${corner}`, dx, dy);
    await saved(page);
    const was = (await framing(1))[frame === 'Opens on' ? 'opensOn' : 'closesOn'];
    await pull(page, frame, frame === 'Opens on' ? 40 : -40, 20);
    await expect
      .poll(async () => (await framing(1))[frame === 'Opens on' ? 'opensOn' : 'closesOn']?.x)
      .not.toBe(was?.x);
  }
  await saved(page);
  const { opensOn, closesOn } = await framing(1);
  await page.getByRole('button', { name: 'Swap the two' }).click();
  await expect.poll(async () => about((await framing(1)).opensOn)).toEqual(about(closesOn));
  expect(about((await framing(1)).closesOn)).toEqual(about(opensOn));

  // Watched where one is, from its beginning to its end.
  await page.getByRole('button', { name: 'Watch it' }).click();
  const stage = page.locator('.stage[data-frame]');
  const first = Number(await stage.getAttribute('data-frame'));
  await expect.poll(async () => Number(await stage.getAttribute('data-frame'))).toBeGreaterThan(first + 10);
  await page.getByRole('button', { name: 'Back to the frames' }).click();
  await expect(closes).toBeVisible();

  await picks.getByText('Stands still').click();
  await expect.poll(async () => (await framing(1)).motion).toBe('still');
  await expect(closes).toBeHidden();
  await picks.getByText('By itself').click();
  await expect.poll(async () => (await framing(1)).motion).toBe('auto');

  // The upright one is shown whole until it fills the slide.
  await page.getByRole('button', { name: 'The next slide' }).click();
  await page.getByRole('button', { name: 'Fill the slide' }).click();
  await expect.poll(async () => pictureOf(await slide(page, 2)).fit).toBe('fill');
  await page.getByRole('button', { name: 'Go on from the slide before' }).click();
  const last = (await planned(1)).closesOn;
  await expect
    .poll(async () => (await planned(2)).opensOn.x + (await planned(2)).opensOn.width / 2)
    .toBeCloseTo(last.x + last.width / 2, 1);
});

test('two mend one picture at once, and one of them without a connection: both changes stand', async ({
  page,
  context,
}) => {
  await begin(page, 'oskar', 'Four hands');
  await choose(page, 1);
  await page.keyboard.press('Alt+o');
  await expect(mended(page)).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'The next slide' }).click();
  await expect(mended(other)).toBeVisible();
  for (const one of [page, other]) await group(one, 'Light').click();
  await context.setOffline(true);
  await slider(page, 'Light').focus();
  await press(page, 'ArrowRight', 9);
  await expect(
    page
      .getByText('No connection. Kept here, and sent when it is back.')
      .or(page.getByText(/not saved|No connection/i))
      .first(),
  ).toBeVisible();
  await context.setOffline(false);
  await slider(other, 'Warmth').focus();
  await press(other, 'ArrowRight', 5);
  await expect.poll(() => recipe(page, 1), { timeout: 30_000 }).toMatchObject({ light: 9, warmth: 5 });
  await saved(page);
  // Left at once: what was just moved is saved on the way.
  await slider(page, 'Colour').focus();
  await press(page, 'ArrowLeft', 3);
  await page.keyboard.press('Alt+s');
  await expect.poll(() => recipe(page, 1)).toMatchObject({ light: 9, warmth: 5, colour: -3 });
});

test('at 390, with a finger: the picture, its light, its crop, what it closes on', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await begin(page, 'tilda', 'In the hand');
  await page.getByText('One slide').tap();
  await expect(page.getByText('Slide 1 of 4', { exact: true })).toBeVisible();
  await expect(group(page, 'Light')).toHaveCount(0);
  await page.getByRole('button', { name: 'The next slide' }).tap();
  await expect(mended(page)).toBeVisible();
  await group(page, 'Light').tap();
  await slider(page, 'Contrast').scrollIntoViewIfNeeded();
  const track = await slider(page, 'Light')
    .locator('xpath=ancestor::*[@class and contains(@class,"track")]')
    .boundingBox();
  await page.touchscreen.tap((track?.x ?? 0) + (track?.width ?? 0) * 0.75, (track?.y ?? 0) + (track?.height ?? 0) / 2);
  await expect.poll(async () => (await recipe(page, 1)).light ?? 0).toBeGreaterThan(30);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBeLessThanOrEqual(0);

  await group(page, 'Frame').tap();
  await page.getByText('Crop', { exact: true }).tap();
  await swipe(page, await middle(page, 'Bottom right corner'), -80, -40);
  await expect.poll(async () => (await recipe(page, 1)).crop?.width ?? 1).toBeLessThan(0.85);
  await group(page, 'Move').tap();
  await page.getByText('As I say').tap();
  const closesOn = async () => pictureOf(await slide(page, 1)).framing.closesOn;
  await expect.poll(closesOn).not.toBeNull();
  const whole = (await closesOn())?.width ?? 0;
  await swipe(page, await middle(page, 'Closes on: Bottom right corner'), -120, -60);
  await expect.poll(async () => (await closesOn())?.width).toBeLessThan(whole * 0.8);
  const small = await closesOn();
  await swipe(page, await middle(page, 'Closes on'), 40, 20);
  await expect.poll(async () => (await closesOn())?.x).toBeGreaterThan((small?.x ?? 0) + 0.05);
  expect((await closesOn())?.width).toBeCloseTo(small?.width ?? 0, 3);
  await context.close();
});
