import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { at, make } from './support/files';
import { choose, chooseFrom, close, draw, panel, proof, rows, saved, whole } from './support/sheet';
import { begin, pictureOf, slide, view } from './support/story';
import { expect, test } from './support/test';
import type { Slide } from '../../web/api/types';

/** What can be set of a slide and of a story, each on a story of one's own. */
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

test('the rows are the slides, in every shape', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'pim', 'Composed');
  for (const [shape, ratio] of [
    ['Upright 9:16', 9 / 16],
    ['Square', 1],
    ['Classic 4:3', 4 / 3],
    ['Wide 16:9', 16 / 9],
  ] as const) {
    await draw(page, 'The story');
    await page.getByText(shape).click();
    await saved(page);
    await close(page);
    // The upright picture has the film's ground beside it where it is shown whole.
    for (const n of [0, 1, 2]) {
      const around = async () => {
        const box = await rows(page).nth(n).locator('.composed').boundingBox();
        return (box?.width ?? 0) / (box?.height ?? 1);
      };
      await expect.poll(around, { message: `${shape}, row ${n + 1}` }).toBeCloseTo(ratio, 1);
    }
    const { plan } = await view(page);
    const shown = await rows(page).nth(2).locator('.composed img').first().getAttribute('src');
    expect(shown).toContain(plan.scenes[2].layers[0].rendition.name === 'whole' ? 'whole-thumb' : '/thumb');
  }
});

test('Proof says each thing once, and one act mends it for all', async ({ page }) => {
  await begin(page, 'pim', 'Proofread');
  const mend = proof(page).getByRole('list', { name: 'What to mend' });
  await page.getByLabel('Title on slide 1', { exact: true }).fill('Read by a friend');
  await page.getByLabel('Subtitle on slide 1').fill('and mended');
  await page.getByLabel('Subtitle on slide 1').blur();
  await expect(rows(page).first().getByAltText('Read by a friend')).toBeVisible();
  await draw(page, /^Proof: \d to mend/);
  await expect(proof(page).getByText('It opens with a title.')).toBeVisible();
  await expect(mend.getByText('3 slides do not say whose picture they show')).toHaveCount(1);
  await mend.getByRole('button', { name: 'Go to slide 3' }).first().click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(panel(page).getByText('Slide 3 does not say whose picture it shows')).toBeVisible();
  // For the chosen one, then for all that are left.
  await panel(page).getByRole('button', { name: 'I made it myself' }).click();
  await expect(panel(page).getByText('Slide 3 does not say whose picture it shows')).toBeHidden();
  await draw(page, /^Proof: \d to mend/);
  await expect(mend.getByText('2 slides do not say whose picture they show')).toBeVisible();
  await mend.getByRole('button', { name: 'I made these myself' }).click();
  await expect(proof(page).getByText('Everybody whose work is used is named.')).toBeVisible();
  // The small one is shown whole; a title that was deleted comes back.
  await mend.getByRole('button', { name: 'Show it whole' }).click();
  await expect.poll(async () => pictureOf(await slide(page, 3)).fit).toBe('whole');
  await close(page);
  await page.getByRole('button', { name: 'Delete slide 1' }).click();
  await page.getByRole('status').getByRole('button', { name: 'Close this notice' }).click();
  await draw(page, /^Proof: 1 to mend/);
  await mend.getByRole('button', { name: 'Add a title' }).click();
  await expect.poll(async () => (await slide(page, 0)).layout).toBe('title');
  await expect(proof(page).getByText('Nothing to mend. It is ready to become a film.')).toBeVisible();
  await close(page);
  await expect(page.getByRole('button', { name: 'Proof: ready' })).toBeVisible();
  await page.getByRole('link', { name: 'Film', exact: true }).click();
  await expect(page.getByText('Nothing to mend. It is ready to become a film.')).toBeVisible();
});

test('several slides of one kind are mended at once, from the film page too', { tag: '@deep' }, async ({ page }) => {
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

test('each setting of a slide is chosen and kept', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'pim', 'Settings');
  await choose(page, 1);
  const kept = async (path: (s: Slide) => unknown, wanted: unknown) =>
    expect.poll(async () => path(await slide(page, 1))).toEqual(wanted);
  for (const [label, place] of [
    ['Top', 'top'],
    ['Middle', 'middle'],
    ['Bottom', 'bottom'],
  ] as const) {
    await panel(page).getByRole('radio', { name: label, exact: true }).locator('xpath=ancestor::label[1]').click();
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
  await panel(page).getByRole('button', { name: 'Choose nothing' }).click();
  await expect(panel(page)).toBeHidden();
});

test(
  'each setting of the story is chosen and kept, music with all that can be said of it',
  { tag: '@deep' },
  async ({ page }) => {
    test.setTimeout(120_000);
    await begin(page, 'pim', 'Whole settings');
    await draw(page, 'The story');
    await whole(page).getByText('Sweep', { exact: true }).click();
    await expect.poll(async () => (await view(page)).story.style.transition.kind).toBe('sweep');
    // The way they come is chosen by mouse, and by keys back; there is none where there are no credits.
    await whole(page).getByText('Rolling upwards').click();
    await expect.poll(async () => (await view(page)).plan.scheme.credits).toBe('roll');
    await page.keyboard.press('ArrowLeft');
    await expect.poll(async () => (await view(page)).plan.scheme.credits).toBe('pages');
    await page.keyboard.press('ArrowRight');
    await expect.poll(async () => (await view(page)).plan.scheme.credits).toBe('roll');
    await whole(page).getByText('Page after page').click();
    await expect.poll(async () => (await view(page)).plan.scheme.credits).toBe('pages');
    await page.getByText('Credits at the end, made from the sources').click();
    await expect.poll(async () => (await view(page)).story.credits).toBe(false);
    await expect(whole(page).getByRole('radiogroup', { name: 'They come' })).toBeHidden();
    await chooseFrom(page, 'Language', 'Deutsch');
    await expect.poll(async () => (await view(page)).story.language).toBe('de');
    const [music] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Bring in music' }).click(),
    ]);
    await music.setFiles(make('drone.mp3', '-i', 'sine=110:d=20'));
    const bed = page.getByRole('region', { name: 'Bed: drone.mp3' });
    await expect(bed).toBeVisible({ timeout: 30_000 });
    await close(page);
    await draw(page, /^Proof:/);
    await proof(page).getByRole('button', { name: 'I made the music myself' }).click();
    await expect(proof(page).getByText(/music “drone.mp3” does not say/)).toBeHidden();
    await close(page);
    await draw(page, 'The story');
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
  },
);
