import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chooseFrom, rows, saved, signIn } from './helpers';
import type { Slide } from '../../web/api/types';
import { expect, test, type Page } from './test';

/** A story of one's own, with pictures and voices that are not the sample's: every control of it, by mouse, keyboard and thumb. */
const at = mkdtempSync(join(tmpdir(), 'own-'));
const make = (name: string, ...how: string[]) => {
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', ...how, join(at, name)]);
  return join(at, name);
};
const pictures = () => [
  make('1 fern.jpg', '-i', 'mandelbrot=s=1600x1200', '-frames:v', '1'),
  make('2 tower.png', '-i', 'testsrc2=s=700x1300', '-frames:v', '1'),
  make('3 stamp.jpg', '-i', 'rgbtestsrc=s=400x225', '-frames:v', '1'),
];
const voice = () => make('said.wav', '-i', 'sine=220:d=3', '-af', 'adelay=700:all=1,apad=pad_dur=0.7');

async function begin(page: Page, name: string, title: string) {
  await signIn(page, name);
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByLabel('What is it called?').fill(title);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(rows(page)).toHaveCount(1);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in pictures' }).click(),
  ]);
  await chooser.setFiles(pictures());
  await expect(page.getByText('3 pictures came in.', { exact: true })).toBeVisible({ timeout: 60_000 });
  await expect(rows(page)).toHaveCount(4);
}
const view = async (page: Page) =>
  (await page.request.get(page.url().replace(/.*stories\/([^/?]+).*/, '/api/stories/$1'))).json();
const slide = async (page: Page, n: number) => (await view(page)).story.slides[n] as Slide;
const pictureOf = (s: Slide) => {
  const [picture] = s.layers;
  if (picture?.kind !== 'picture') throw new Error('it shows no picture');
  return picture;
};
const choose = (page: Page, n: number) =>
  rows(page)
    .nth(n)
    .getByText(String(n + 1), { exact: true })
    .first()
    .click();
const panel = (page: Page) => page.getByRole('region', { name: 'The chosen slides' });
const whole = (page: Page) => page.getByRole('region', { name: 'The whole story' });

test('how long a new slide stays can be typed, and everything else stays where it is', async ({ page }) => {
  await begin(page, 'pim', 'Seven seconds');
  await choose(page, 1);
  await page.getByLabel('Stays for (seconds)').fill('7');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await slide(page, 1)).stay).toBe(7);
  await expect(rows(page)).toHaveCount(4);
  await page.getByRole('button', { name: 'The usual time' }).click();
  await expect.poll(async () => (await slide(page, 1)).stay).toBeNull();
  // Two without a voice.
  await rows(page)
    .nth(2)
    .getByText('3', { exact: true })
    .first()
    .click({ modifiers: ['Control'] });
  await expect(panel(page).getByRole('heading', { name: '2 slides' })).toBeVisible();
  await page.getByLabel('Each of the 2 without a voice stays for (seconds)').fill('3.5');
  await page.keyboard.press('Enter');
  await expect.poll(async () => [(await slide(page, 1)).stay, (await slide(page, 2)).stay]).toEqual([3.5, 3.5]);
  await page.getByLabel('Or share a length out over them (seconds)').fill('20');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Share out' }).click();
  await expect.poll(async () => [(await slide(page, 1)).stay, (await slide(page, 2)).stay]).toEqual([10, 10]);
  await saved(page);
});

test('the rows are the slides, in every shape', async ({ page }) => {
  await begin(page, 'pim', 'Composed');
  for (const [shape, ratio] of [
    ['Upright 9:16', 9 / 16],
    ['Square', 1],
    ['Classic 4:3', 4 / 3],
    ['Wide 16:9', 16 / 9],
  ] as const) {
    await page.getByText(shape).click();
    await saved(page);
    // The upright picture has the film's ground beside it where it is shown whole.
    await expect(page.getByText(shape)).toBeVisible();
    for (const n of [0, 1, 2]) {
      const box = await rows(page).nth(n).locator('.composed').boundingBox();
      expect((box?.width ?? 0) / (box?.height ?? 1), `${shape}, row ${n + 1}`).toBeCloseTo(ratio, 1);
    }
    const { plan } = await view(page);
    const shown = await rows(page).nth(2).locator('.composed img').first().getAttribute('src');
    expect(shown).toContain(plan.scenes[2].layers[0].rendition.name === 'whole' ? 'whole-thumb' : '/thumb');
  }
});

test('Proof says each thing once, and one act mends it for all', async ({ page }) => {
  await begin(page, 'pim', 'Proofread');
  const mend = whole(page).getByRole('list', { name: 'What to mend' });
  await expect(whole(page).getByText('It opens with a title.')).toBeVisible();
  await page.getByLabel('Title on slide 1', { exact: true }).fill('Read by a friend');
  await page.getByLabel('Subtitle on slide 1').fill('and mended');
  await page.getByLabel('Subtitle on slide 1').blur();
  await expect(rows(page).first().getByAltText('Read by a friend')).toBeVisible();
  // Who writes in a row has it in hand.
  await page.getByRole('button', { name: 'The whole story' }).click();
  await expect(mend.getByText('3 slides do not say whose picture they show')).toHaveCount(1);
  await mend.getByRole('button', { name: 'Go to slide 3' }).first().click();
  await expect(panel(page).getByText('Slide 3 does not say whose picture it shows')).toBeVisible();
  // For the chosen one, then for all that are left.
  await panel(page).getByRole('button', { name: 'I made it myself' }).click();
  await expect(panel(page).getByText('Slide 3 does not say whose picture it shows')).toBeHidden();
  await page.getByRole('button', { name: 'The whole story' }).click();
  await expect(mend.getByText('2 slides do not say whose picture they show')).toBeVisible();
  await mend.getByRole('button', { name: 'I made these myself' }).click();
  await expect(whole(page).getByText('Everybody whose work is used is named.')).toBeVisible();
  // The small one is shown whole; a title that was deleted comes back.
  await mend.getByRole('button', { name: 'Show it whole' }).click();
  await expect.poll(async () => pictureOf(await slide(page, 3)).fit).toBe('whole');
  await page.getByRole('button', { name: 'Delete slide 1' }).click();
  await page.getByRole('status').getByRole('button', { name: 'Close this notice' }).click();
  await mend.getByRole('button', { name: 'Add a title slide' }).click();
  await expect.poll(async () => (await slide(page, 0)).layout).toBe('title');
  await expect(whole(page).getByText('Nothing to mend. It is ready to become a film.')).toBeVisible();
  await page.getByRole('link', { name: 'Film', exact: true }).click();
  await expect(page.getByText('Nothing to mend. It is ready to become a film.')).toBeVisible();
});

test('several slides of one kind are mended at once, from the film page too', async ({ page }) => {
  await begin(page, 'pim', 'Twice small');
  const small = [make('4 dot.jpg', '-i', 'rgbtestsrc=s=320x180', '-frames:v', '1')];
  await page.locator('input[type=file]').first().setInputFiles(small);
  await expect(rows(page)).toHaveCount(5, { timeout: 30_000 });
  await page.getByRole('link', { name: 'Film', exact: true }).click();
  await page.getByRole('button', { name: 'Show them whole' }).click();
  await expect
    .poll(async () => [pictureOf(await slide(page, 3)).fit, pictureOf(await slide(page, 4)).fit])
    .toEqual(['whole', 'whole']);
  await page.getByRole('button', { name: 'Go to slide 2' }).first().click();
  await expect(panel(page).getByRole('heading', { name: 'Slide 2' })).toBeVisible();
});

test('each setting of a slide is chosen and kept', async ({ page }) => {
  await begin(page, 'pim', 'Settings');
  await choose(page, 1);
  const kept = async (path: (s: Slide) => unknown, wanted: unknown) =>
    expect.poll(async () => path(await slide(page, 1))).toEqual(wanted);
  for (const [label, place] of [
    ['Top', 'top'],
    ['Middle', 'middle'],
    ['Bottom', 'bottom'],
  ] as const) {
    await panel(page).getByText(label, { exact: true }).click();
    await kept((s) => s.layers.find((layer) => layer.id === 'caption'), expect.objectContaining({ place }));
  }
  for (const [label, fit] of [
    ['Fill the slide', 'fill'],
    ['Whole', 'whole'],
    ['As suits it', 'auto'],
  ] as const) {
    await panel(page).getByText(label, { exact: true }).click();
    await kept((s) => pictureOf(s).fit, fit);
  }
  await panel(page).getByText('A slow move across the picture').click();
  await kept((s) => pictureOf(s).framing?.motion, 'still');
  await panel(page).getByRole('button', { name: 'Turn right' }).click();
  await kept((s) => pictureOf(s).recipe?.turn, 90);
  await panel(page).getByRole('button', { name: 'Turn left' }).click();
  await kept((s) => pictureOf(s).recipe?.turn, 0);
  for (const [label, kind] of [
    ['Cut', 'cut'],
    ['Through dark', 'through-dark'],
    ['Through light', 'through-light'],
    ['Sweep', 'sweep'],
    ['Rise', 'rise'],
    ['Crossfade', 'crossfade'],
  ] as const) {
    await panel(page).getByText(label, { exact: true }).click();
    await kept((s) => s.transition?.kind, kind);
  }
  for (const [label, seconds] of [
    ['½ s', 0.5],
    ['1½ s', 1.5],
    ['2 s', 2],
    ['1 s', 1],
  ] as const) {
    await panel(page).getByText(label, { exact: true }).click();
    await kept((s) => s.transition?.seconds, seconds);
  }
  await panel(page).getByRole('button', { name: 'As usual in this story' }).click();
  await kept((s) => s.transition, null);
  await panel(page).getByLabel('Title', { exact: true }).fill('Fern');
  await panel(page).getByLabel('Author').fill('Pim');
  await panel(page).getByLabel('Link').fill('https://fern.example');
  await panel(page).getByLabel('Licence, such as CC BY 4.0').fill('CC0');
  await panel(page).getByLabel('Licence, such as CC BY 4.0').blur();
  await saved(page);
  const [, first] = (await view(page)).story.slides;
  expect((await view(page)).story.assets[first.layers[0].asset].source).toEqual({
    title: 'Fern',
    author: 'Pim',
    link: 'https://fern.example',
    licence: 'CC0',
  });
  await rows(page)
    .nth(2)
    .getByText('3', { exact: true })
    .first()
    .click({ modifiers: ['Shift'] });
  await panel(page).getByRole('button', { name: 'I made them myself' }).click();
  await expect
    .poll(
      async () =>
        Object.values((await view(page)).story.assets as Record<string, { source: { licence: string } }>).filter(
          (p) => p.source.licence === 'my own work',
        ).length,
    )
    .toBe(2);
});

test('an icon is put on a slide, set, comes when it should, and is taken off', async ({ page }) => {
  await begin(page, 'pim', 'Icons');
  await choose(page, 1);
  const icon = async () => (await slide(page, 1)).layers.find(({ kind }) => kind === 'icon');
  await panel(page).getByRole('button', { name: 'Add an icon' }).click();
  await expect(rows(page).nth(1).locator('.composed svg')).toBeVisible();
  const one = panel(page).getByRole('group', { name: 'Icon 1' });
  await chooseFrom(one, 'Icon', 'Arrow');
  await chooseFrom(one, 'Colour', 'Red');
  await chooseFrom(one, 'Where', 'Left');
  await chooseFrom(one, 'How large', 'Large');
  await one.getByLabel('Comes after (seconds)').fill('1.5');
  await one.getByLabel('Comes after (seconds)').blur();
  await expect
    .poll(icon)
    .toMatchObject({ name: 'arrow', colour: 'red', place: 'left', size: 0.4, comes: 1.5, goes: null });
  await one.getByRole('button', { name: 'Take it off' }).click();
  await expect.poll(icon).toBeUndefined();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(icon).toMatchObject({ name: 'arrow' });
});

test('each setting of the story is chosen and kept, music with all that can be said of it', async ({ page }) => {
  test.setTimeout(120_000);
  await begin(page, 'pim', 'Whole settings');
  await whole(page).getByText('Sweep', { exact: true }).click();
  await expect.poll(async () => (await view(page)).story.style.transition.kind).toBe('sweep');
  await page.getByText('Credits at the end, made from the sources').click();
  await expect.poll(async () => (await view(page)).story.credits).toBe(false);
  await chooseFrom(page, 'Language', 'Deutsch');
  await expect.poll(async () => (await view(page)).story.language).toBe('de');
  const [music] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in music' }).click(),
  ]);
  await music.setFiles(make('drone.mp3', '-i', 'sine=110:d=20'));
  const bed = page.getByRole('region', { name: 'Bed: drone.mp3' });
  await expect(bed).toBeVisible({ timeout: 30_000 });
  await whole(page).getByRole('button', { name: 'I made the music myself' }).click();
  await expect(whole(page).getByText(/music “drone.mp3” does not say/)).toBeHidden();
  await chooseFrom(bed, 'Through', 2);
  await chooseFrom(bed, 'From', 1);
  await bed.getByRole('slider').focus();
  await page.keyboard.press('ArrowLeft');
  await bed.getByText('It gives way to the voice').click();
  await bed.getByText('Fades, start and source').click();
  for (const [label, text] of [
    ['Fades in over (seconds)', '1.5'],
    ['Fades out over (seconds)', '4'],
    ['Begins at this second of the music', '2'],
  ] as const) {
    await bed.getByLabel(label).fill(text);
    await page.keyboard.press('Tab');
  }
  await bed.getByText('It begins again when it is over').click();
  await bed.getByRole('button', { name: 'I made it myself' }).click();
  await bed.getByLabel('Title of the music').fill('Drone');
  await bed.getByLabel('Who made it').fill('Pim and a fan');
  await bed.getByLabel('Link to the music').fill('https://drone.example');
  await bed.getByLabel('Its licence, such as CC BY 4.0').fill('CC BY 4.0');
  await page.keyboard.press('Tab');
  await saved(page);
  const { story } = await view(page);
  expect(story.beds[0]).toMatchObject({
    from: story.slides[0].id,
    to: story.slides[1].id,
    under: 17,
    ducks: false,
    fadeIn: 1.5,
    fadeOut: 4,
    start: 2,
    loops: false,
  });
  expect(
    (Object.values(story.assets) as { kind: string; source: unknown }[]).find(({ kind }) => kind === 'music')?.source,
  ).toEqual({
    title: 'Drone',
    author: 'Pim and a fan',
    link: 'https://drone.example',
    licence: 'CC BY 4.0',
  });
  await bed.getByRole('button', { name: 'Take it out' }).click();
  await expect(bed).toBeHidden();

  const lines = join(at, 'lines.vtt');
  writeFileSync(lines, 'WEBVTT\n\n00:00.500 --> 00:02.000\nHello\n');
  const [captions] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in captions' }).click(),
  ]);
  await captions.setFiles(lines);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Made from the scripts and timed to the voices.')).toBeVisible();
});

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

test('the booth by mouse: listen, another slide, another microphone, a sound brought in, delete', async ({ page }) => {
  await begin(page, 'pim', 'By mouse');
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByRole('button', { name: 'Next slide' }).click();
  await expect(page.getByText('slide 2 of 4')).toBeVisible();
  await page.getByRole('button', { name: 'Slide before' }).click();
  await expect(page.getByText('slide 1 of 4')).toBeVisible();
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
});

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

test('pictures wait while the network is cut, and come in when it is back', async ({ page, context }) => {
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
});

test('pictures that a reload cut off go on by themselves, each once', async ({ page }) => {
  await begin(page, 'pim', 'Cut off');
  // Nothing of them arrives before the page is loaded again.
  await page.route('**/parts/*', (route) => route.abort());
  const more = [
    make('5 later.jpg', '-i', 'mandelbrot=s=800x600', '-frames:v', '1'),
    make('6 last.jpg', '-i', 'testsrc=s=800x600', '-frames:v', '1'),
  ];
  await page.locator('input[type=file]').first().setInputFiles(more);
  await expect(page.getByText('0 of 2 pictures came in.')).toBeVisible();
  await page.waitForTimeout(500);
  await page.unroute('**/parts/*');
  await page.reload();
  await expect(rows(page)).toHaveCount(6, { timeout: 30_000 });
  await expect(page.getByText('2 pictures came in.', { exact: true })).toBeVisible();
  await page.waitForTimeout(1500);
  await expect(rows(page)).toHaveCount(6);
});

test('the desk: a story is begun or not, deleted and brought back; the keys are shown', async ({ page }) => {
  await begin(page, 'pim', 'To be deleted');
  await page.getByRole('button', { name: 'The keys' }).click();
  await expect(page.getByRole('dialog')).toContainText('move the chosen slides');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Rhapsode, to the desk' }).click();
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByRole('button', { name: 'Not now' }).click();
  await page.getByRole('button', { name: 'Delete “To be deleted”' }).click();
  await expect(page.getByRole('link', { name: 'To be deleted', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('link', { name: 'To be deleted', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByLabel('Password')).toBeVisible();
});

test('preview and captions, and a film of one’s own in another size, stopped and made', async ({ page }) => {
  test.setTimeout(150_000);
  await begin(page, 'pim', 'Small film');
  await page.getByRole('button', { name: 'Show the captions' }).click();
  await page.getByRole('button', { name: 'Hide the captions' }).click();
  await page.getByRole('button', { name: 'Full screen' }).click();
  await page.getByRole('button', { name: 'Full screen' }).click();
  await page.getByRole('link', { name: 'Film', exact: true }).click();
  for (const label of [
    '540',
    '1080, for a big screen',
    '720, the usual',
    'WebM, free formats',
    'MP4, plays everywhere',
    'Small, for slow networks',
  ])
    await page.getByText(label, { exact: true }).click();
  await page.getByRole('button', { name: 'Make the film' }).click();
  await page.getByRole('button', { name: 'Stop making it' }).click();
  await expect(page.getByRole('button', { name: 'Make the film' })).toBeVisible();
  await page.getByText('Small, for slow networks', { exact: true }).click();
  await page.getByRole('button', { name: 'Make the film' }).click();
  await expect(page.getByRole('link', { name: /Download the film/ })).toBeVisible({ timeout: 120_000 });
  for (const name of ['SubRip', 'Transcript']) {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()]);
    expect(download.suggestedFilename()).toMatch(/\.(srt|txt)$/);
  }
});

test('all by keyboard, on a new story', async ({ page }) => {
  await begin(page, 'pim', 'By keyboard');
  await rows(page).nth(1).focus();
  await page.keyboard.press('Space');
  await expect(panel(page).getByRole('heading', { name: 'Slide 2' })).toBeVisible();
  await page.keyboard.press('Shift+ArrowDown');
  await expect(panel(page).getByRole('heading', { name: '2 slides' })).toBeVisible();
  const before = (await view(page)).story.slides.map((s: { id: string }) => s.id);
  await page.keyboard.press('Alt+ArrowDown');
  await expect
    .poll(async () => (await view(page)).story.slides.map((s: { id: string }) => s.id))
    .toEqual([before[0], before[3], before[1], before[2]]);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await view(page)).story.slides.map((s: { id: string }) => s.id)).toEqual(before);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(async () => (await slide(page, 1)).id).toBe(before[3]);
  await page.keyboard.press('Alt+c');
  await expect(rows(page)).toHaveCount(6);
  await page.keyboard.press('Delete');
  await expect(rows(page)).toHaveCount(4);
  await rows(page).nth(1).focus();
  await page.keyboard.press('Space');
  await expect(panel(page)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(whole(page)).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  // A slide by its handle: Enter takes it up, the arrows carry it, Enter puts it down.
  await page.getByRole('button', { name: 'Drag slide 3' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await saved(page);
});

test('on a phone: settings are drawn up, the booth is under the thumb, no letters of a keyboard', async ({
  browser,
}) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    permissions: ['microphone'],
  });
  const page = await context.newPage();
  await begin(page, 'pim', 'On a phone');
  const header = await page.getByRole('banner').boundingBox();
  expect(header?.height ?? 999, 'two rows of header at most').toBeLessThanOrEqual(100);
  await page.getByRole('button', { name: 'The whole story' }).tap();
  await page.getByRole('dialog').getByText('Square').tap();
  await expect.poll(async () => (await view(page)).story.shape).toBe('1:1');
  await page.getByRole('button', { name: 'Close', exact: true }).tap();
  await choose(page, 1);
  await page.getByRole('button', { name: 'Slide 2', exact: true }).tap();
  await page.getByRole('dialog').getByText('Sweep', { exact: true }).tap();
  await expect.poll(async () => (await slide(page, 1)).transition?.kind).toBe('sweep');
  await page.getByRole('button', { name: 'Close', exact: true }).tap();
  await rows(page)
    .nth(2)
    .getByText('3', { exact: true })
    .first()
    .click({ modifiers: ['Control'] });
  await page.getByRole('button', { name: '2 slides', exact: true }).tap();
  await page.getByRole('dialog').getByText('Cut', { exact: true }).tap();
  await expect
    .poll(async () => [(await slide(page, 1)).transition?.kind, (await slide(page, 2)).transition?.kind])
    .toEqual(['cut', 'cut']);
  await page.getByRole('button', { name: 'Close', exact: true }).tap();
  await page.getByRole('link', { name: 'Booth' }).tap();
  const control = page.getByRole('button', { name: 'Record' });
  await expect(control).toBeVisible();
  const box = await control.boundingBox();
  expect(box?.y ?? 0, 'in the lower half').toBeGreaterThan(500);
  expect((box?.y ?? 999) + (box?.height ?? 0), 'and on the screen').toBeLessThanOrEqual(844);
  expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBeLessThanOrEqual(0);
  for (const key of await page.locator('kbd, .key').all()) await expect(key).toBeHidden();
  await page.getByText('Count in').tap();
  await control.tap();
  await expect(page.getByText('0:02')).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).tap();
  await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 30_000 });
  await context.close();
});
