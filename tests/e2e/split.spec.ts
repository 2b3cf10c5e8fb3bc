import AxeBuilder from '@axe-core/playwright';
import { make } from './support/files';
import { chooseFrom, draw, saved, whole } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';

/** What is said of one slide, and the silence before the next. */
const part = (text: string, i: number, quiet: number) => `flite=v=slt:text='${text}',apad=pad_dur=${quiet}[s${i}]`;
const said = [
  'The ferry did not come. We waited until noon.',
  'Who has the key.',
  'Nobody knew. We looked in the boat.',
];
const file = (name: string, texts: string[]) =>
  make(
    name,
    '-i',
    `${texts.map((text, i) => part(text, i, 1)).join(';')};${texts.map((_, i) => `[s${i}]`).join('')}concat=n=${texts.length}:v=0:a=1`,
  );
const lengths = async (page: Page) =>
  ((await view(page)).story.slides as { voice: { from: number; to: number }[] }[]).map(({ voice }) =>
    voice.reduce((sum, { from, to }) => sum + (to - from) / 48_000, 0),
  );

async function written(page: Page, title: string) {
  await begin(page, 'wren', title);
  for (const [i, text] of said.entries()) {
    await page.getByLabel(`Script of slide ${i + 2}`).fill(text);
    await page.getByLabel(`Script of slide ${i + 2}`).blur();
  }
  await saved(page);
  await draw(page, 'The story');
}
async function bring(page: Page, files: string[]) {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    whole(page).getByRole('button', { name: 'Bring in one sound for all' }).click(),
  ]);
  await chooser.setFiles(files);
  await expect(page.getByRole('button', { name: 'Divide it so' })).toBeVisible({ timeout: 60_000 });
}

test(
  'one sound for all slides: divided at its pauses, heard, moved by hand and back, confirmed, undone at once',
  { tag: '@deep' },
  async ({ page }) => {
    await written(page, 'One sound');
    await bring(page, [file('all.wav', said)]);
    const places = page.getByRole('slider', { name: /^Slide \d begins at / });
    await expect(places).toHaveCount(2);
    expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
    const fit = await places.evaluateAll((all) => all.map((one) => Number((one as HTMLInputElement).value)));

    // By key and by mouse; it is heard where it rests.
    const heard = page.waitForRequest(/voice\.flac/);
    await places.first().focus();
    await page.keyboard.press('ArrowRight');
    await expect(places.first()).toHaveValue(String((fit[0] ?? 0) + 2400));
    await heard;
    const box = await page.locator('[data-boundary="1"]').boundingBox();
    if (!box) throw new Error('it is not there');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 5 });
    await page.mouse.up();
    await expect(places.nth(1)).not.toHaveValue(String(fit[1]));
    await page.getByRole('button', { name: 'Best fit' }).click();
    await expect(places.nth(1)).toHaveValue(String(fit[1]));
    await page.getByRole('button', { name: 'Hear where slide 3 begins' }).click();
    const before = await places.nth(1).boundingBox();
    for (let i = 0; i < 4; i += 1) await page.getByRole('button', { name: 'Closer' }).click();
    expect((await places.nth(1).boundingBox())?.x).toBeGreaterThanOrEqual(before?.x ?? 0);
    await page.getByRole('button', { name: 'Further away' }).click();
    await chooseFrom(page, 'It begins on', 'Slide 3');
    await expect(places).toHaveCount(1);
    await chooseFrom(page, 'It begins on', 'Slide 2');
    await expect(places).toHaveCount(2);

    await page.getByRole('button', { name: 'Divide it so' }).dblclick();
    await expect(page.getByText('3 slides speak with it now.')).toBeVisible();
    const [title, ...spoken] = await lengths(page);
    expect(title).toBe(0);
    expect(spoken[0]).toBeGreaterThan(2);
    expect(spoken[1]).toBeLessThan(1.8);
    expect(new Set((await slide(page, 3)).voice.map(({ asset }) => asset)).size).toBe(1);
    await page.keyboard.press('Control+z');
    await expect.poll(() => lengths(page)).toEqual([0, 0, 0, 0]);
  },
);

test(
  'a recording in many parts is one, and a take is divided once more from the Booth',
  { tag: '@deep' },
  async ({ page, context }) => {
    await written(page, 'In parts');
    await bring(page, [file('part 10.wav', said.slice(1)), file('part 2.wav', said.slice(0, 1))]);
    await expect(page.getByText(/^0:\d+ in all$/)).toBeVisible();
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Divide it so' }).click();
    await context.setOffline(false);
    await expect(page.getByText('3 slides speak with it now.')).toBeVisible({ timeout: 30_000 });
    const spoken = await lengths(page);
    expect(spoken[1], 'the second part was first, by its name').toBeGreaterThan(2);
    expect((await slide(page, 1)).voice[0]?.asset).not.toBe((await slide(page, 2)).voice[0]?.asset);

    // A long one that one slide speaks.
    await page.getByRole('link', { name: 'Booth' }).click();
    await page.getByRole('button', { name: 'Next slide' }).click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring in a sound' }).click(),
    ]);
    await chooser.setFiles(file('long.wav', [...said, ...said, ...said, ...said]));
    await expect.poll(async () => (await lengths(page))[1], { timeout: 30_000 }).toBeGreaterThan(15);
    await page.getByRole('button', { name: 'Takes', exact: true }).click();
    await page.getByRole('link', { name: /^Divide “Take \d” over the slides$/ }).click();
    await expect(page.getByRole('slider', { name: /^Slide \d begins at / })).toHaveCount(2);
    await page.getByRole('link', { name: 'Back to the script' }).click();
    await expect(page.getByRole('row')).toHaveCount(4);
  },
);
