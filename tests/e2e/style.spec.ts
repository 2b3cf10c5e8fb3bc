import AxeBuilder from '@axe-core/playwright';
import { make } from './support/files';
import { signIn } from './support/people';
import { choose as chooseSlide, chooseFrom, close, draw, panel, proof, rows, saved, whole } from './support/sheet';
import { begin, choosing, view } from './support/story';
import { type Page, expect, test } from './support/test';

const style = async (page: Page) => (await view(page)).story.style;
const ground = async (page: Page) => (await view(page)).plan.scenes[0].ground as string;
const card = (page: Page, name: string) =>
  whole(page).getByRole('radiogroup', { name: 'Style' }).getByRole('radio', { name, exact: true });
/** The field itself cannot be seen: its card is pressed. */
const choose = (page: Page, name: string) => card(page, name).locator('xpath=ancestor::label[1]').click();
const chosen = async (page: Page, label: string, name: string) => {
  await whole(page).getByRole('button', { name: label }).click();
  await page.getByRole('option', { name, exact: true }).click();
};

test(
  'a style is chosen by looking at one’s own slides in it, kept, undone, changed',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'wren', 'Eight faces');
    await page.getByLabel('Caption on slide 2').fill('The mill turns twice a day');
    await page.getByLabel('Caption on slide 2').blur();
    await saved(page);
    await draw(page, 'The story');
    // Each shows the story's own title and first words, each in its own drawing.
    const drawn = whole(page).getByRole('radiogroup', { name: 'Style' }).locator('img[src*="/words/"]');
    await expect(drawn).toHaveCount(16);
    const urls = await drawn.evaluateAll((all) => all.map((one) => one.getAttribute('src')));
    expect(new Set(urls).size).toBe(16);
    await expect
      .poll(() => drawn.evaluateAll((all) => all.every((one) => (one as HTMLImageElement).naturalWidth > 0)))
      .toBe(true);
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    const grounds = new Set<string>();
    for (const [name, called] of [
      ['Clay', 'clay'],
      ['Slate', 'slate'],
      ['Stone', 'stone'],
      ['Tin', 'tin'],
      ['Ledger', 'ledger'],
      ['Reed', 'reed'],
      ['Thread', 'thread'],
      ['Lantern', 'lantern'],
    ] as const) {
      await choose(page, name);
      await expect.poll(async () => (await style(page)).name ?? 'thread').toBe(called);
      await expect(card(page, name)).toBeChecked();
      grounds.add(await ground(page));
    }
    expect(grounds.size).toBe(8);
    expect((await style(page)).transition).toEqual({ kind: 'through-dark', seconds: 1 });

    // By keys too.
    await card(page, 'Lantern').focus();
    await page.keyboard.press('ArrowLeft');
    await expect.poll(async () => (await style(page)).name).toBe('ledger');

    // Two faces and four colours of one's own.
    await whole(page).getByText('Letters and colours of my own').click();
    await chosen(page, 'Letters of titles', 'By hand');
    await expect.poll(async () => (await style(page)).own).toEqual({ heading: 'hand' });
    await chosen(page, 'Letters of all else', 'Plain');
    for (const [label, part, colour] of [
      ['Ground', 'ground', '#203040'],
      ['Titles', 'ink', '#223344'],
      ['Ornament', 'accent', '#ff8800'],
      ['Words on pictures', 'words', '#ffeecc'],
    ] as const) {
      await whole(page).getByLabel(label, { exact: true }).fill(colour);
      await expect.poll(async () => (await style(page)).own?.[part]).toBe(colour);
    }
    expect(await ground(page)).toBe('#203040');
    const told = whole(page).getByText('The titles are hard to read on that ground');
    await expect(told).toBeVisible();
    await whole(page).getByLabel('Titles', { exact: true }).fill('#ffffff');
    await expect(told).toHaveCount(0);
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
    await whole(page).getByRole('button', { name: 'As the style has it' }).click();
    await expect.poll(async () => (await style(page)).own).toBeUndefined();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await style(page)).own?.ink).toBe('#ffffff');

    // Two choose at once, one of them without a connection: one truth, and the last act is done.
    const other = await context.newPage();
    await other.goto(page.url());
    await draw(other, 'The story');
    await draw(page, 'The story');
    await context.setOffline(true);
    await choose(page, 'Tin');
    await expect(page.getByText('Not saved yet: no connection. It will be sent.').first()).toBeVisible();
    await context.setOffline(false);
    await expect.poll(async () => (await style(page)).name, { timeout: 30_000 }).toBe('tin');
    await choose(other, 'Stone');
    await expect.poll(async () => (await style(page)).name).toBe('stone');
    expect((await style(page)).own, 'what was changed of the one is not done to the other').toBeUndefined();
    await other.close();

    await page.setViewportSize({ width: 390, height: 844 });
    await choose(page, 'Reed');
    await expect.poll(async () => (await style(page)).name).toBe('reed');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  },
);

test('transitions are chosen by seeing them on the slides at hand, and varied calmly', async ({ page }) => {
  await begin(page, 'ivo', 'How one gives way');
  await chooseSlide(page, 1);
  const kinds = panel(page).getByRole('radiogroup', { name: 'How it gives way to the next' });
  const own = async () => ((await view(page)).story.slides[1].transition?.kind ?? null) as string | null;
  // Each shows this slide and the next, half way.
  const card = (name: string) => kinds.getByRole('radio', { name, exact: true }).locator('xpath=ancestor::label[1]');
  const faded = card('Crossfade').locator('.next');
  await expect(card('Crossfade').locator('img').first()).toBeVisible();
  expect(await faded.evaluate((one) => getComputedStyle(one).opacity)).toBe('0.5');
  expect(
    await card('Cut')
      .locator('.next')
      .evaluate((one) => getComputedStyle(one).clipPath),
  ).toContain('50%');
  // While one looks at it, it goes on.
  await card('Crossfade').hover();
  const seen = new Set<string>();
  await expect
    .poll(async () => seen.add(await faded.evaluate((one) => getComputedStyle(one).opacity)).size)
    .toBeGreaterThan(4);
  for (const [name, kind] of [
    ['Cut', 'cut'],
    ['Through dark', 'through-dark'],
    ['Through light', 'through-light'],
    ['Sweep', 'sweep'],
    ['Rise', 'rise'],
    ['Crossfade', 'crossfade'],
  ] as const) {
    await card(name).click();
    await expect.poll(own).toBe(kind);
  }
  await kinds.getByRole('radio', { name: 'Crossfade' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(own).toBe('cut');

  // All at once, by what happens: a title in the middle is a new part.
  await page.getByRole('button', { name: 'Add a title' }).click();
  await saved(page);
  await draw(page, 'The story');
  await whole(page).getByRole('button', { name: 'Vary calmly' }).click();
  const all = async () =>
    (await view(page)).story.slides.map((one: { transition: { kind: string } | null }) => one.transition?.kind ?? null);
  // To the new part and from it; one picture gives way to another as is usual.
  await expect.poll(all).toEqual([null, 'through-dark', 'through-dark', null, null]);
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect.poll(own).toBe('cut');
});

test('a teacher sets the style that stories for an assignment begin with, also where the network was gone', async ({
  page,
  browser,
}) => {
  await signIn(page, 'maren');
  await page.getByRole('region', { name: 'Class 6', exact: true }).locator('a[href^="/assignments/"]').first().click();
  const field = () => page.getByRole('button', { name: /Style that stories begin with$/ });
  await expect(field()).toContainText('Each chooses its own');
  await page.context().setOffline(true);
  await chooseFrom(page, 'Style that stories begin with', 'Stone: solemn');
  await expect(page.getByText('There is no connection at the moment.').first()).toBeVisible();
  // What is shown is what the server has.
  await expect(field()).toContainText('Each chooses its own');
  await page.context().setOffline(false);
  await chooseFrom(page, 'Style that stories begin with', 'Stone: solemn');
  await expect(page.getByText('New stories begin with it. Stories that were begun stay as they are.')).toBeVisible();
  await expect(field()).toContainText('Stone: solemn');
  expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
  const assignment = page.url().replace(/.*assignments\/([^/?]+).*/, '$1');
  const student = await (await browser.newContext()).newPage();
  await signIn(student, 'ivo');
  const begun = await student.request.post('/api/stories', {
    data: { title: 'In stone', assignment },
    headers: { 'X-Rhapsode': '1' },
  });
  expect((await begun.json()).story.style.name).toBe('stone');
  await student.context().close();
  await page.setViewportSize({ width: 390, height: 844 });
  await chooseFrom(page, 'Style that stories begin with', 'Each chooses its own');
  await expect(field()).toContainText('Each chooses its own');
});

test('a teacher tells how many letters a picture bears; who writes more sees it, and Proof says so', async ({
  page,
  browser,
}) => {
  await signIn(page, 'maren');
  await page.getByRole('region', { name: 'Class 6', exact: true }).locator('a[href^="/assignments/"]').first().click();
  const field = () => page.getByRole('button', { name: /Letters on a picture, at most$/ });
  await expect(field()).toContainText('As many as fit');
  await page.context().setOffline(true);
  await chooseFrom(page, 'Letters on a picture, at most', '160 letters');
  await expect(page.getByText('There is no connection at the moment.').first()).toBeVisible();
  await expect(field()).toContainText('As many as fit');
  await page.context().setOffline(false);
  await chooseFrom(page, 'Letters on a picture, at most', '160 letters');
  await expect(page.getByText('Proof will say so where there are more.')).toBeVisible();
  await expect(field()).toContainText('160 letters');

  const student = await (await browser.newContext()).newPage();
  await signIn(student, 'ivo');
  const assignment = page.url().replace(/.*assignments\/([^/?]+).*/, '$1');
  const begun = await student.request.post('/api/stories', {
    data: { title: 'Many letters', assignment },
    headers: { 'X-Rhapsode': '1' },
  });
  await student.goto(`/stories/${(await begun.json()).id}`);
  await expect(rows(student)).toHaveCount(1);
  await choosing(student, [make('1 fern.jpg', '-i', 'mandelbrot=s=1600x1200', '-frames:v', '1')]);
  await expect(rows(student)).toHaveCount(2, { timeout: 30_000 });
  await student.getByLabel('Caption on slide 2').fill('Five boats and a kite. '.repeat(7).trim());
  await student.getByLabel('Caption on slide 2').blur();
  await expect(student.getByText('160 of 160 letters')).toBeVisible();
  await student.getByLabel('Caption on slide 2').click();
  await student.keyboard.press('Control+End');
  await student.keyboard.type('!');
  await student.getByLabel('Caption on slide 2').blur();
  await expect(student.getByText('161 of 160 letters')).toBeVisible();
  await chooseSlide(student, 1);
  await expect(
    panel(student).getByText('161 letters stand on slide 2. The assignment allows 160: say the rest.'),
  ).toBeVisible();
  expect((await new AxeBuilder({ page: student }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
  await student.context().close();
  await chooseFrom(page, 'Letters on a picture, at most', 'As many as fit');
  await expect(field()).toContainText('As many as fit');
});

test(
  'a picture lies on the ground of one’s own style, under words that are read; and says whose it is',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'wren', 'On a ground of its own');
    await draw(page, 'The story');
    await whole(page).getByText('Letters and colours of my own').click();
    await chosen(page, 'Picture on the ground', '1 fern.jpg');
    const kinds = async (n: number) =>
      (await view(page)).plan.scenes[n].layers.map(({ kind }: { kind: string }) => kind) as string[];
    await expect.poll(() => kinds(0)).toContain('backdrop');
    expect(await kinds(1)).not.toContain('backdrop');
    await expect(whole(page).getByText(/is seen as far as lets all words be read/)).toBeVisible();
    // On the sheet, on the stage, and on the card of the style.
    const laid = page.getByRole('row').nth(0).locator('.composed img').first();
    await expect.poll(() => laid.evaluate((one) => (one as HTMLImageElement).naturalWidth)).toBeGreaterThan(0);
    expect(Number(await laid.evaluate((one) => (one as HTMLElement).style.opacity))).toBeLessThan(0.9);
    await expect(card(page, 'Thread').locator('xpath=ancestor::label[1]').locator('img').first()).toBeVisible();
    expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);

    // By keys, while there is no connection: it waits, and is kept when there is one.
    await page.context().setOffline(true);
    await whole(page)
      .getByRole('button', { name: /Picture on the ground/ })
      .focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.waitForTimeout(600);
    await page.context().setOffline(false);
    const laidOn = async () => {
      const { story } = await view(page);
      return story.assets[(story.style.own as { picture?: string } | undefined)?.picture ?? '']?.file ?? '';
    };
    await expect.poll(laidOn, { timeout: 30_000 }).not.toBe('1 fern.jpg');
    await chosen(page, 'Picture on the ground', '1 fern.jpg');
    await expect.poll(laidOn).toBe('1 fern.jpg');
    await close(page);

    // Where no slide shows it any more it is still to say whose it is.
    await chooseSlide(page, 1);
    await page.keyboard.press('Delete');
    await draw(page, /^Proof:/);
    const asked = proof(page).getByText('The picture “1 fern.jpg” on the ground does not say whose it is.');
    await expect(asked).toBeVisible();
    await asked.locator('xpath=ancestor::li[1]').getByRole('button', { name: 'I made it myself' }).click();
    await expect(asked).toBeHidden();
    expect((await view(page)).plan.credits.join()).toContain('my own work');
    await close(page);
    await draw(page, 'The story');
    await whole(page).getByText('Letters and colours of my own').click();
    await whole(page).getByRole('button', { name: 'As the style has it' }).click();
    await expect.poll(() => kinds(0)).not.toContain('backdrop');
  },
);
