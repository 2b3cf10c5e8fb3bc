import { make, voice } from './support/files';
import { choose, chooseFrom, panel, rows, saved } from './support/sheet';
import { begin, slide, view } from './support/story';
import { expect, test } from './support/test';

/** Voices, the Booth and pictures on their way, without a network too, each on a story of one's own. */
test('a voice is brought in, its silence left out or kept, and the row’s own tools work', async ({ page }) => {
  await begin(page, 'pim', 'Brought in');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in a sound for slide 2' }).click(),
  ]);
  await chooser.setFiles(voice());
  await expect(page.getByRole('img', { name: /^Voice, / })).toBeVisible({ timeout: 30_000 });
  await choose(page, 1);
  await panel(page).getByText('Leave out the silence around the voice').click();
  await expect.poll(async () => (await slide(page, 1)).voice[0]?.from).toBe(0);
  await expect(panel(page).getByText('It stays as long as its voice lasts.')).toBeVisible();
  await page.getByRole('button', { name: 'Play from slide 2' }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'Move slide 2 down' }).click();
  await expect.poll(async () => (await slide(page, 2)).voice).toHaveLength(1);
  await page.getByRole('button', { name: 'Move slide 3 up' }).click();
  await expect.poll(async () => (await slide(page, 1)).voice).toHaveLength(1);
  await page.getByRole('button', { name: 'Duplicate slide 2' }).click();
  await expect(rows(page)).toHaveCount(5);
  await page.getByRole('button', { name: 'Delete slide 3' }).click();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(rows(page)).toHaveCount(5);
  await page.getByRole('link', { name: 'Record slide 2 again' }).click();
  await expect(page.getByRole('button', { name: 'Record' })).toBeVisible();
});

test(
  'the booth by mouse: listen, another slide, another microphone, a sound brought in, delete',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'pim', 'By mouse');
    await page.getByRole('link', { name: 'Booth' }).click();
    await page.getByRole('button', { name: 'Next slide' }).click();
    await expect(page.getByText('slide 2 of 4')).toBeVisible();
    await page.getByRole('button', { name: 'Slide before' }).click();
    await expect(page.getByText('slide 1 of 4')).toBeVisible();
    await page.getByRole('button', { name: 'Before you speak' }).click();
    await expect(page.getByRole('dialog').getByText('Headphones are not needed', { exact: false })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Turn the microphone on' }).click();
    await chooseFrom(page, 'Microphone', 1);
    await expect(page.getByRole('meter')).toBeVisible();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring in a sound' }).click(),
    ]);
    await chooser.setFiles(voice());
    await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Listen' }).click();
    await page.getByRole('button', { name: 'Delete' }).click();
    await expect.poll(async () => (await slide(page, 0)).voice).toEqual([]);
    await page.getByRole('link', { name: /Back to the script/ }).click();
    await expect(rows(page)).toHaveCount(4);
  },
);

test('a microphone that does not start is a sentence, and the booth goes on', async ({ page }) => {
  const thrown: string[] = [];
  page.on('pageerror', (error) => thrown.push(error.message));
  await page.addInitScript(() => {
    MediaRecorder.prototype.start = () => {
      throw new DOMException('no', 'NotSupportedError');
    };
  });
  await begin(page, 'pim', 'It does not start');
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByText('Count in').click();
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(page.getByRole('alert')).toContainText('The microphone did not start.');
  await expect(page.getByRole('button', { name: 'Record' })).toBeEnabled();
  expect(thrown).toEqual([]);
});

test('an edit in the script is not overtaken by one in the booth, also without a network', async ({
  page,
  context,
}) => {
  await begin(page, 'pim', 'One queue');
  await context.setOffline(true);
  await page.getByLabel('Script of slide 2').fill('Said without a network.');
  await page.getByLabel('Title of the story').fill('One queue, renamed');
  await expect(page.getByText('Not saved yet: no connection. It will be sent.')).toBeVisible();
  await page.getByRole('link', { name: 'Booth' }).click();
  await context.setOffline(false);
  await page.getByRole('link', { name: /Back to the script/ }).click();
  await saved(page);
  const { story } = await view(page);
  expect([story.title, story.slides[1].script]).toEqual(['One queue, renamed', 'Said without a network.']);
});

test(
  'pictures wait while the network is cut, and come in when it is back',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'pim', 'Cut off');
    await context.setOffline(true);
    await page
      .locator('input[type=file]')
      .first()
      .setInputFiles([
        make('5 late.jpg', '-i', 'testsrc=s=900x600', '-frames:v', '1'),
        make('6 never.jpg', '-i', 'testsrc=s=901x600', '-frames:v', '1'),
      ]);
    await expect(page.getByText('There is no connection at the moment.').first()).toBeVisible();
    await page
      .getByRole('listitem')
      .filter({ hasText: '6 never.jpg' })
      .getByRole('button', { name: 'Leave it out' })
      .click();
    await context.setOffline(false);
    await expect(rows(page)).toHaveCount(5, { timeout: 30_000 });
    await page.waitForTimeout(1500);
    await expect(rows(page)).toHaveCount(5);
    await page.getByRole('button', { name: 'Close this list' }).click();
  },
);

test('pictures that a reload cut off go on by themselves, each once', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'pim', 'Cut off');
  // Nothing of them arrives before the page is loaded again.
  await page.route('**/parts/*', (route) => route.abort());
  const more = [
    make('5 later.jpg', '-i', 'mandelbrot=s=800x600', '-frames:v', '1'),
    make('6 last.jpg', '-i', 'testsrc=s=800x600', '-frames:v', '1'),
  ];
  await page.locator('input[type=file]').first().setInputFiles(more);
  await expect(page.getByText('0 of 2 files came in.')).toBeVisible();
  await page.waitForTimeout(500);
  await page.unroute('**/parts/*');
  await page.reload();
  await expect(rows(page)).toHaveCount(6, { timeout: 30_000 });
  await expect(page.getByText('2 files came in.', { exact: true })).toBeVisible();
  await page.waitForTimeout(1500);
  await expect(rows(page)).toHaveCount(6);
});
