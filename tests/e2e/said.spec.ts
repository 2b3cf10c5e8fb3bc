import AxeBuilder from '@axe-core/playwright';
import { make } from './support/files';
import { saved } from './support/sheet';
import { begin, slide } from './support/story';
import { type Page, expect, test } from './support/test';

/** Three notes of a second and a half, six tenths of a second apart and then nearly two. */
const notes = () =>
  make(
    'notes.wav',
    '-i',
    "aevalsrc='0.4*sin(2*PI*(220+40*floor(t/2))*t)*(between(t,0.5,2)+between(t,2.6,4.1)+between(t,6,7.5))':d=8:s=48000",
  );
const seconds = async (page: Page) =>
  (await slide(page, 1)).voice.reduce((sum, { from, to }) => sum + (to - from) / 48_000, 0);
/** Slide 2, in the Booth, speaks with a file. */
async function spoken(page: Page, file: string) {
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByRole('button', { name: 'Next slide' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in a sound' }).click(),
  ]);
  await chooser.setFiles(file);
}
const sentences = (page: Page) => page.getByRole('listbox', { name: 'What you said' }).getByRole('option');

async function told(page: Page, title: string) {
  await begin(page, 'wren', title);
  await page.getByLabel('Script of slide 2').fill('It rose at six. It fell at noon. It slept at dusk.');
  await page.getByLabel('Script of slide 2').blur();
  await saved(page);
  await spoken(page, notes());
  await expect(sentences(page)).toHaveText(['It rose at six.', 'It fell at noon.', 'It slept at dusk.'], {
    timeout: 30_000,
  });
  return seconds(page);
}

test('a sentence is heard and left out, a pause shortened, a part marked by hand; each is undone', async ({ page }) => {
  const whole = await told(page, 'Said by mouse');
  const frame = () => page.locator('.picture .stage').getAttribute('data-frame');
  const still = await frame();
  await sentences(page).nth(1).click();
  await expect(sentences(page).nth(1)).toHaveAttribute('aria-selected', 'true');
  await expect.poll(frame, 'it is heard, and its picture moves').not.toBe(still);
  expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);
  await page.getByRole('button', { name: 'Hear it' }).click();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  // Half of the pause before it, a second and a half, and half of the long one.
  await expect.poll(() => seconds(page)).toBeCloseTo(whole - 0.3 - 1.5 - 0.95, 0);
  expect((await slide(page, 1)).voice).toHaveLength(2);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => seconds(page)).toBe(whole);
  await page.getByRole('button', { name: 'Do again', exact: true }).click();
  await expect.poll(async () => (await slide(page, 1)).voice).toHaveLength(2);
  await page.keyboard.press('Control+z');
  await expect.poll(() => seconds(page)).toBe(whole);

  await page.getByRole('button', { name: 'No pause over 1 s' }).click();
  await expect.poll(() => seconds(page)).toBeCloseTo(whole - 0.9, 1);
  await expect(page.getByRole('button', { name: 'No pause over 1 s' })).toBeDisabled();
  await page.keyboard.press('Control+z');
  await expect.poll(() => seconds(page)).toBe(whole);

  // Drawn along the first note; its end is brought nearer by a key, and it is cut out by one.
  const wave = await page.getByRole('region', { name: 'What you said' }).locator('svg').first().boundingBox();
  if (!wave) throw new Error('nothing is drawn');
  const along = (share: number) => [wave.x + wave.width * share, wave.y + wave.height / 2] as const;
  await page.mouse.move(...along(0.05));
  await page.mouse.down();
  await page.mouse.move(...along(0.1), { steps: 5 });
  await page.mouse.up();
  const end = page.getByRole('slider', { name: /^Marked up to / });
  await expect(end).toBeVisible();
  const marked = Number(await end.inputValue());
  await end.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(end).toHaveValue(String(marked - 2400));
  // The other end gives way, and comes back.
  const begun = page.getByRole('slider', { name: /^Marked from / });
  const from = Number(await begun.inputValue());
  await begun.focus();
  await page.keyboard.press('ArrowRight');
  await expect(begun).toHaveValue(String(from + 2400));
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('h');
  await page.keyboard.press('Delete');
  await expect.poll(() => seconds(page)).toBeCloseTo(whole * 0.95 + 0.05, 1);
  await expect(end).toHaveCount(0);
});

test(
  'by keys on a phone’s width, twice at once and without a connection: each is left out once',
  { tag: '@deep' },
  async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    const whole = await told(page, 'Said by keys');
    await sentences(page).first().focus();
    await page.keyboard.press('ArrowRight');
    await expect(sentences(page).nth(1)).toHaveAttribute('aria-selected', 'true');
    await page.context().setOffline(true);
    await page.keyboard.press('x');
    await page.keyboard.press('x');
    // It is not gone yet, and can be asked for once more.
    await sentences(page).nth(1).click();
    await page.keyboard.press('x');
    await sentences(page).nth(0).click();
    await page.getByRole('button', { name: 'Leave it out' }).click();
    await page.context().setOffline(false);
    await expect.poll(() => seconds(page), { timeout: 30_000 }).toBeCloseTo(whole - 2 * 1.5 - 0.6 - 0.95, 0);
    const { voice } = await slide(page, 1);
    expect(voice).toHaveLength(1);
    expect(voice[0]?.from ?? 0, 'only the last note is left').toBeGreaterThan(4.1 * 48_000);
    await page.keyboard.press('Escape');
    await expect(page.getByText('Press a sentence to hear it, or draw along the sound to mark a part.')).toBeVisible();
    // It is the same after a reload, and nothing lies over the script.
    await page.reload();
    await expect(sentences(page)).toHaveCount(3);
    await page.getByRole('radiogroup', { name: 'Size of the script' }).getByText('A++', { exact: true }).click();
    const script = page.getByRole('region', { name: 'Script' });
    expect(await script.evaluate((text) => text.scrollHeight > text.clientHeight), 'more than there is room for').toBe(
      true,
    );
    const [box, said] = await Promise.all([
      script.boundingBox(),
      page.getByRole('region', { name: 'What you said' }).boundingBox(),
    ]);
    expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(said?.y ?? 0);
  },
);

test('where nothing is written, what was said is parted at its pauses', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'wren', 'Said freely');
  await spoken(page, notes());
  await expect(sentences(page)).toHaveText(['Part 1', 'Part 2', 'Part 3'], { timeout: 30_000 });
});

test('what was said twice is found, heard, and left out by a key', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'wren', 'Said twice');
  await page
    .getByLabel('Script of slide 2')
    .fill('The tide comes in at six. It fills the wide pond behind the mill. Then the wheel turns.');
  await page.getByLabel('Script of slide 2').blur();
  await saved(page);
  const said = [
    'The tide comes in at six',
    'It fills the wide pond',
    'It fills the wide pond behind the mill',
    'Then the wheel turns',
  ].map((text, i) => `flite=v=slt:text='${text}.',apad=pad_dur=0.5[s${i}]`);
  await spoken(page, make('twice.wav', '-i', `${said.join(';')};[s0][s1][s2][s3]concat=n=4:v=0:a=1`));
  const asked = page.getByRole('button', { name: 'Said twice?' });
  await expect(asked).toBeVisible({ timeout: 30_000 });
  const whole = await seconds(page);
  await asked.click();
  await expect(page.getByRole('slider', { name: /^Marked from / })).toBeVisible();
  await page.keyboard.press('x');
  await expect(asked).toHaveCount(0);
  await expect.poll(() => seconds(page)).toBeLessThan(whole - 0.8);
  expect(whole - (await seconds(page)), 'the shorter one').toBeLessThan(2.5);
  await page.keyboard.press('Control+z');
  await expect(asked).toBeVisible();
  // By its key; and once more, since there is one only.
  await page.keyboard.press('t');
  await page.keyboard.press('t');
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(asked).toHaveCount(0);
});
