import AxeBuilder from '@axe-core/playwright';
import { make } from './support/files';
import { chooseFrom, close, draw, rows, saved, whole } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';

const scripts = async (page: Page) =>
  ((await view(page)).story.slides as { script: string }[]).map(({ script }) => script);
const axe = async (page: Page) =>
  expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);

test('a text that was pasted is dealt over the slides, undone, and dealt otherwise', async ({ page }) => {
  await begin(page, 'wren', 'Dealt');
  await draw(page, 'The story');
  const text = whole(page).getByLabel('The text');
  await text.fill('# Morning\nIt rose.\n\nIt fell. It came back.\n\nIt went away.');
  await expect(whole(page).getByText(/^\d+ words, about 0:0\d to say\.$/)).toBeVisible();
  await axe(page);
  await whole(page).getByRole('button', { name: 'Deal it over the slides' }).dblclick();
  await expect.poll(() => scripts(page)).toEqual(['', 'It rose.', 'It fell. It came back.', 'It went away.']);
  await page.getByText('3 slides have new scripts.').locator('..').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => scripts(page)).toEqual(['', '', '', '']);
  await text.fill('It rose. It fell. It came back. It went away.');
  await chooseFrom(whole(page), 'It begins on', 'Slide 3');
  for (const way of ['As it is written', 'By empty lines', 'Evenly, by sentences'])
    await whole(page).getByText(way, { exact: true }).click();
  await whole(page).getByRole('button', { name: 'Deal it over the slides' }).press('Enter');
  await expect.poll(() => scripts(page)).toEqual(['', '', 'It rose. It fell.', 'It came back. It went away.']);
  await close(page);
  await expect(page.getByLabel('Script of slide 3')).toHaveValue('It rose. It fell.');
});

test(
  'a story is copied without its voices: the scripts stand beside, and the first stays as it is',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'wren', 'Told once');
    await page.getByLabel('Script of slide 2').fill('The ferry did not come.');
    await page.getByLabel('Script of slide 2').blur();
    await saved(page);
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring in a sound for slide 2' }).click(),
    ]);
    await chooser.setFiles(make('ferry.wav', '-i', 'sine=300:d=2'));
    await expect(page.getByRole('img', { name: /^Voice, / })).toBeVisible({ timeout: 30_000 });
    const first = page.url();
    await draw(page, 'The story');
    await whole(page).getByRole('button', { name: 'Copy it without its voices' }).dblclick();
    await expect(page).not.toHaveURL(first);
    await expect(page.getByText('This is the copy.')).toBeVisible();
    await expect(rows(page)).toHaveCount(4);
    await expect(page.getByText('Told before: The ferry did not come.')).toBeHidden();
    await page.getByLabel('Script of slide 2').fill('Le bac n’est pas venu.');
    await page.getByLabel('Script of slide 2').blur();
    await expect(page.getByText('Told before: The ferry did not come.')).toBeVisible();
    await saved(page);
    expect((await slide(page, 1)).voice).toEqual([]);
    await expect(page.getByRole('img', { name: /^Voice, / })).toHaveCount(0);
    for (const picture of await rows(page).locator('img').all())
      await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
    await axe(page);

    await page.goto(first);
    await expect(page.getByRole('img', { name: /^Voice, / })).toBeVisible();
    await draw(page, 'The story');
    await whole(page).getByRole('button', { name: 'Copy the story' }).click();
    await expect(page).not.toHaveURL(first);
    await expect(page.getByRole('img', { name: /^Voice, / })).toBeVisible();
    const desk = await (await page.request.get('/api/desk')).json();
    const titles = (desk.stories as { title: string }[]).map(({ title }) => title);
    expect(titles.filter((title) => title.startsWith('Told once'))).toHaveLength(3);
  },
);

test(
  'what was said without a script is typed by listening, and is in the captions',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'wren', 'Heard and typed');
    await page.getByRole('link', { name: 'Booth' }).click();
    await page.getByRole('button', { name: 'Next slide' }).click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring in a sound' }).click(),
    ]);
    await chooser.setFiles(
      make(
        'three.wav',
        '-i',
        "aevalsrc='0.4*sin(2*PI*220*t)*(between(t,0.5,2)+between(t,2.8,4)+between(t,5,6.5))':d=7:s=48000",
      ),
    );
    await page.getByRole('button', { name: 'Type what you hear' }).click();
    const lines = page.getByRole('region', { name: 'Type what you hear' }).getByRole('textbox');
    await expect(lines).toHaveCount(3);
    const frame = () => page.locator('.picture .stage').getAttribute('data-frame');
    const still = await frame();
    await expect.poll(frame, 'the first is heard').not.toBe(still);
    await axe(page);
    await lines.nth(0).fill('once there was a lamp');
    await page.keyboard.press('Shift+Enter');
    await expect(lines.nth(0)).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(lines.nth(1)).toBeFocused();
    await page.keyboard.type('nobody lit it');
    await page.getByRole('button', { name: 'Play phrase 2 again' }).click();
    await lines.nth(2).fill('until today');
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect
      .poll(async () => (await slide(page, 1)).script)
      .toBe('once there was a lamp\nnobody lit it\nuntil today');
    await expect(page.getByRole('listbox', { name: 'What you said' }).getByRole('option')).toHaveText([
      'once there was a lamp',
      'nobody lit it',
      'until today',
    ]);
    const cues = (await view(page)).plan.cues as { start: number; text: string }[];
    expect(cues.map(({ text }) => text)).toEqual(['once there was a lamp', 'nobody lit it', 'until today']);
    expect((cues[1]?.start ?? 0) - (cues[0]?.start ?? 0)).toBeCloseTo(2.3, 0);
  },
);

test('captions of a file become scripts', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'wren', 'From captions');
  await draw(page, 'The story');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    whole(page).getByRole('button', { name: 'Bring in captions' }).click(),
  ]);
  await chooser.setFiles({
    name: 'told.srt',
    mimeType: 'application/x-subrip',
    buffer: Buffer.from(
      '1\n00:00:00,500 --> 00:00:02,000\nThe tide rose.\n\n2\n00:00:06,800 --> 00:00:08,500\nIt fell.\n',
    ),
  });
  await whole(page).getByRole('button', { name: 'Make scripts of them' }).click();
  await expect.poll(() => scripts(page)).toEqual(['The tide rose.', 'It fell.', '', '']);
  await page.getByText('The captions are scripts now.').locator('..').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => scripts(page)).toEqual(['', '', '', '']);
});
