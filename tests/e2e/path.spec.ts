import { folder, probe } from './support/files';
import { spokenFor } from './support/microphone';
import { RUN, desk, newTask, openClass } from './support/classroom';
import { signIn } from './support/people';
import { order, rows, saved } from './support/sheet';
import { expect, test } from './support/test';
import { readFileSync } from 'node:fs';
import webvtt from 'node-webvtt';

/** The whole path, from a folder of pictures to an answered film, as a student and as a teacher, in a class of their own. */
test('from a folder of pictures to an answered film', async ({ page: teacher, browser }) => {
  test.setTimeout(420_000);
  const called = `Weir ${RUN}`;
  const open = async (name: string) => {
    const page = await (await browser.newContext({ permissions: ['microphone'] })).newPage();
    await signIn(page, name);
    return page;
  };
  await signIn(teacher, 'maren');
  const code = await openClass(teacher, called);
  await newTask(teacher, called, 'Low or high');
  await teacher.getByRole('button', { name: 'Set the task' }).click();
  await expect(teacher.getByRole('heading', { level: 1, name: 'Low or high' })).toBeVisible();
  await teacher.goto('/');
  const student = await (await browser.newContext({ permissions: ['microphone'] })).newPage();
  await student.goto('/join');
  await student.getByLabel('Code on the board').fill(code);
  await student.getByLabel('First name').fill('Ivo');
  await student.getByRole('button', { name: 'Join the class' }).click();
  await student.getByRole('button', { name: 'I have written it down' }).click();
  await expect(desk(student, 'Ivo')).toBeVisible();

  let address = '';
  await test.step('a story begins with its title and nothing else', async () => {
    await student.getByRole('button', { name: 'Begin this story' }).click();
    await student.getByLabel('What is it called?').fill('Low Water');
    await student.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(rows(student)).toHaveCount(1);
    address = student.url().replace(/.*stories\/([^/?]+).*/, '/api/stories/$1');
    await expect(student.getByAltText('Low Water')).toBeVisible();
  });

  await test.step('many pictures come in at once, in the natural order of their names', async () => {
    const { files, twin, broken } = folder();
    await student.locator('input[type=file]').first().setInputFiles(files);
    await expect(rows(student)).toHaveCount(5, { timeout: 60_000 });
    expect(await order(student)).toEqual(['title', '1 dawn.jpg', '2 low water.jpg', '10 wheel.jpg', '11 heron.heic']);

    await student.locator('input[type=file]').first().setInputFiles([twin, broken]);
    await expect(student.getByText('This picture is in the story already.')).toBeVisible({ timeout: 30_000 });
    await expect(student.getByText(/This picture is broken/)).toBeVisible();
    await student.getByRole('button', { name: 'Use it again' }).click();
    await expect(rows(student)).toHaveCount(6);
    await student.getByRole('button', { name: 'Close this list' }).click();
  });

  await test.step('slides are dragged, moved by keys, duplicated, deleted, and all of it is undone after a reload', async () => {
    // Tall enough for both rows to be seen: the stand-in mouse does not wait for a page to scroll while it drags.
    await student.setViewportSize({ width: 1280, height: 2400 });
    await rows(student)
      .nth(5)
      .dragTo(rows(student).nth(1), { sourcePosition: { x: 30, y: 20 }, targetPosition: { x: 100, y: 3 } });
    await expect
      .poll(() => order(student))
      .toEqual(['title', '2 low water.jpg', '1 dawn.jpg', '2 low water.jpg', '10 wheel.jpg', '11 heron.heic']);
    await student.setViewportSize({ width: 1280, height: 800 });
    await rows(student).nth(1).getByText('2', { exact: true }).first().click();
    await student.keyboard.press('Delete');
    await expect(rows(student)).toHaveCount(5);
    await expect(student.getByText('The slide is deleted.')).toBeVisible();

    await rows(student).nth(3).getByText('4', { exact: true }).first().click();
    await student.keyboard.press('Alt+ArrowUp');
    await expect
      .poll(() => order(student))
      .toEqual(['title', '1 dawn.jpg', '10 wheel.jpg', '2 low water.jpg', '11 heron.heic']);
    await student.getByRole('button', { name: 'Duplicate slide 2' }).click();
    await expect(rows(student)).toHaveCount(6);
    await saved(student);

    await student.reload();
    await student.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(rows(student)).toHaveCount(5);
    await student.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect
      .poll(() => order(student))
      .toEqual(['title', '1 dawn.jpg', '2 low water.jpg', '10 wheel.jpg', '11 heron.heic']);
    await student.getByRole('button', { name: 'Do again' }).click();
    await expect
      .poll(() => order(student))
      .toEqual(['title', '1 dawn.jpg', '10 wheel.jpg', '2 low water.jpg', '11 heron.heic']);
    await student.getByRole('button', { name: 'Undo', exact: true }).click();
  });

  await test.step('words, script and source are written and saved by themselves', async () => {
    await student.getByLabel('Caption on slide 2').fill('Twice a day, without being asked');
    await student
      .getByLabel('Script of slide 2')
      .fill('Every day the sea comes up the Wend, stays a while, and goes home again.');
    await student.getByLabel('Script of slide 3').fill('At low water the boats lie down to sleep.');
    await student.getByLabel('Subtitle on slide 1').fill('by Ivo');
    await saved(student);
    await expect(student.getByAltText('Twice a day, without being asked')).toBeVisible();

    await rows(student).nth(1).getByText('2', { exact: true }).first().click();
    const panel = student.getByRole('region', { name: 'The chosen slides' });
    await panel.getByLabel('Author').fill('Hale Brannock (invented)');
    await panel.getByLabel('Licence, such as CC BY 4.0').fill('CC BY 4.0');
    const top = panel.getByRole('radio', { name: 'Top', exact: true });
    await top.locator('xpath=ancestor::label[1]').click();
    await expect(top).toBeChecked();
    await saved(student);
    await student.reload();
    await expect(student.getByLabel('Caption on slide 2')).toHaveValue('Twice a day, without being asked');
    await rows(student).nth(1).getByText('2', { exact: true }).first().click();
    await expect(panel.getByLabel('Author')).toHaveValue('Hale Brannock (invented)');
  });

  await test.step('the voice is recorded in the Booth, all by keyboard', async () => {
    await student.getByRole('link', { name: 'Record slide 2' }).click();
    await student.getByRole('button', { name: 'Turn the microphone on' }).click();
    await expect(student.getByText('Good', { exact: true })).toBeVisible();
    await student.locator('h1').click();
    await student.keyboard.press(' ');
    await expect(student.getByRole('button', { name: 'Stop' })).toBeVisible();
    await spokenFor(student, 4);
    await student.keyboard.press(' ');
    await expect(student.getByText(/^Spoken: \d/)).toBeVisible({ timeout: 30_000 });
    await student.keyboard.press('n');
    await expect(student.getByText('slide 3 of 5')).toBeVisible();
    await student.getByText('Count in').click();
    await student.keyboard.press(' ');
    await student.locator('h1').click();
    await student.keyboard.press(' ');
    await spokenFor(student, 3);
    await student.keyboard.press(' ');
    await expect(student.getByText(/^Spoken: \d/)).toBeVisible({ timeout: 30_000 });
    await expect(student.getByText('2 spoken')).toBeVisible();
    await student.getByRole('link', { name: /Back to the script/ }).click();
    await expect(student.getByRole('img', { name: /^Voice, / })).toHaveCount(2);
  });

  await test.step('silence around the voice is trimmed, and the trimming can be undone', async () => {
    const page = await open('juno');
    await page.getByRole('link', { name: 'Who Turns the Wheel?', exact: true }).click();
    // The sample voices have nearly a second of a quiet room before and after.
    const length = async () =>
      parseFloat(
        (
          (await page
            .getByRole('img', { name: /^Voice, / })
            .first()
            .getAttribute('aria-label')) ?? ''
        ).replace('Voice, ', ''),
      );
    await expect.poll(length).toBeGreaterThan(1);
    const trimmed = await length();
    await rows(page)
      .filter({ has: page.getByRole('img', { name: /^Voice, / }) })
      .first()
      .click({ position: { x: 12, y: 16 } });
    const trim = page
      .getByRole('region', { name: 'The chosen slides' })
      .getByText('Leave out the silence around the voice');
    await trim.click();
    await expect.poll(length).toBeGreaterThan(trimmed + 1.2);
    await trim.click();
    await expect.poll(length).toBe(trimmed);
  });

  await test.step('the preview plays the plan without waiting', async () => {
    const stage = student.locator('[data-frame]');
    await student.getByRole('button', { name: 'Play', exact: true }).click();
    const frame = async () => Number(await stage.getAttribute('data-frame'));
    await expect.poll(frame).toBeGreaterThan(20);
    await student.getByRole('button', { name: 'Pause' }).click();
    const stood = await frame();
    await student.waitForTimeout(300);
    expect(await frame()).toBe(stood);
    // Into a join: both slides are seen, the next one coming in over the other.
    await student.getByRole('slider', { name: 'Position in the film' }).fill(String(150 + 15));
    const opacities = await stage
      .locator('> div')
      .evaluateAll((layers) =>
        layers.map((l) => [getComputedStyle(l).visibility, Number(getComputedStyle(l).opacity).toFixed(2)].join(' ')),
      );
    expect(opacities.filter((layer) => layer.startsWith('visible')).sort()).toEqual(['visible 0.50', 'visible 1.00']);
  });

  let film = '';

  await test.step('the film is made by a worker, and what is downloaded is a film', async () => {
    await student.getByRole('link', { name: 'Film', exact: true }).click();
    await student.getByRole('button', { name: 'Make the film' }).click();
    await expect(student.getByRole('progressbar', { name: 'How far the film is' })).toBeVisible();
    // Leave, and come back.
    await student.getByRole('link', { name: 'Script', exact: true }).click();
    await student.getByRole('link', { name: 'Film', exact: true }).click();
    await expect(student.getByRole('link', { name: /Download the film/ })).toBeVisible({ timeout: 200_000 });

    const [download] = await Promise.all([
      student.waitForEvent('download'),
      student.getByRole('link', { name: /Download the film/ }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('Low Water.mp4');
    const said = probe(await download.path());
    const view = (await (
      await student.request.get(student.url().replace(/.*stories\/([^/]+).*/, '/api/stories/$1'))
    ).json()) as { plan: { frames: number } };
    expect(said['streams.stream.0.nb_read_frames']).toBe(String(view.plan.frames));
    expect([said['streams.stream.0.codec_name'], said['streams.stream.1.codec_name']]).toEqual(['h264', 'aac']);
    expect(said['streams.stream.0.height']).toBe('720');

    // What we write, an independent parser reads (W3C WebVTT).
    const [captions] = await Promise.all([
      student.waitForEvent('download'),
      student.getByRole('link', { name: 'Captions, WebVTT' }).click(),
    ]);
    const parsed = webvtt.parse(readFileSync(await captions.path(), 'utf8'), { meta: true, strict: true });
    expect(parsed.valid).toBe(true);
    expect(parsed.cues.map((cue: { text: string }) => cue.text.replace(/\s+/g, ' ')).join(' ')).toContain(
      'the boats lie down to sleep.',
    );
    await expect(student.getByText('Hale Brannock (invented)').first()).toBeVisible();
  });

  await test.step('the film plays in the page, with captions', async () => {
    const video = student.locator('video');
    await student.getByRole('button', { name: 'Play', exact: true }).click();
    await expect.poll(() => video.evaluate((v: HTMLVideoElement) => v.currentTime)).toBeGreaterThan(0.5);
    expect(await video.evaluate((v: HTMLVideoElement) => v.textTracks[0]?.cues?.length ?? 0)).toBeGreaterThan(0);
    await student.getByRole('button', { name: 'Pause' }).click();
  });

  await test.step('it is handed in, and what is handed in is frozen', async () => {
    await student.getByRole('button', { name: 'Hand in', exact: true }).dblclick();
    await expect(student.getByText('This film is handed in and waits for an answer.')).toBeVisible();
    // Nobody has looked yet: it is taken back, once without a network, and handed in again.
    await student.context().setOffline(true);
    await student.getByRole('button', { name: 'Take it back' }).click();
    await expect(student.getByText(/connection/).first()).toBeVisible();
    await student.context().setOffline(false);
    await student.getByRole('button', { name: 'Take it back' }).dblclick();
    await expect(student.getByText('It is taken back.', { exact: false })).toBeVisible();
    const hers = teacher.getByRole('region', { name: called, exact: true });
    await hers
      .getByRole('link', { name: /See the hand-ins|for your answer/ })
      .first()
      .click();
    await expect(teacher.getByRole('heading', { name: 'Waiting for your answer' })).toBeVisible();
    await expect(teacher.getByRole('link', { name: 'Low Water', exact: true })).toHaveCount(0);
    await teacher.goto('/');
    await student.getByRole('link', { name: /^Hand-in 1/ }).click();
    await expect(student.getByText('taken back', { exact: true })).toBeVisible();
    await student.getByRole('link', { name: 'To the script' }).click();
    await student.getByRole('link', { name: 'Film', exact: true }).click();
    await student.getByRole('button', { name: 'Hand in', exact: true }).click();
    await expect(student.getByText('This film is handed in and waits for an answer.')).toBeVisible();
    await student.getByRole('link', { name: /^Hand-in 1/ }).click();
    await student.getByRole('button', { name: 'Take it back' }).click();
    await expect(student.getByText('taken back', { exact: true })).toBeVisible();
    await student.goBack();
    await student.getByRole('button', { name: 'Hand in', exact: true }).click();
    await expect(student.getByText('This film is handed in and waits for an answer.')).toBeVisible();
    film = (await student.locator('video').getAttribute('src')) ?? '';
    await student.getByRole('link', { name: 'Script', exact: true }).click();
    await student.getByLabel('Title of the story').fill('Low Water, changed');
    await student.getByLabel('Title of the story').blur();
    await saved(student);
  });

  await test.step('the teacher watches, leaves a remark at a moment and returns it', async () => {
    await teacher.goto('/');
    await teacher
      .getByRole('region', { name: called, exact: true })
      .getByRole('link', { name: /wait.* for your answer/ })
      .click();
    await teacher.getByRole('listitem').getByRole('link', { name: 'Low Water', exact: true }).click();
    await expect(teacher.locator('video')).toHaveAttribute('src', film);
    // Whoever made it sees that it is read, and takes it back no more.
    const own = await student.context().newPage();
    await own.goto(teacher.url());
    await expect(own.getByText('being read', { exact: true })).toBeVisible();
    await expect(own.getByRole('button', { name: 'Take it back' })).toHaveCount(0);
    await own.close();
    await teacher.getByRole('slider', { name: 'Position in the film' }).fill('70');
    await teacher.getByRole('button', { name: 'Leave a remark at this moment' }).click();
    await teacher.getByLabel(/^Remark at/).fill('Say where you saw this.');
    await teacher.getByRole('button', { name: 'Leave it' }).click();
    await expect(teacher.getByRole('button', { name: /^Remark at 0:07/ })).toBeVisible();
    // Another one is thought of and left, a third is taken back; the one that stays leads to its moment.
    await teacher.getByRole('button', { name: 'Leave a remark at this moment' }).click();
    await teacher.getByRole('button', { name: 'Not now' }).click();
    await teacher.getByRole('slider', { name: 'Position in the film' }).fill('30');
    await teacher.getByRole('button', { name: 'Leave a remark at this moment' }).click();
    await teacher.getByRole('textbox', { name: /^Remark at/ }).fill('No, it is fine.');
    await teacher.getByRole('button', { name: 'Leave it' }).click();
    const third = teacher.getByRole('listitem').filter({ hasText: 'No, it is fine.' });
    await third.getByRole('button', { name: 'Take this remark back' }).click();
    await expect(third).toHaveCount(0);
    const moment = () => teacher.locator('video').evaluate((v: HTMLVideoElement) => v.currentTime);
    await teacher.getByRole('button', { name: /^Jump to 0:07/ }).click();
    await expect.poll(moment).toBeCloseTo(7, 0);
    await teacher.getByRole('slider', { name: 'Position in the film' }).fill('10');
    await teacher.getByRole('button', { name: /^Remark at 0:07/ }).click();
    await expect.poll(moment).toBeCloseTo(7, 0);
    await teacher.getByLabel('A sentence for the student').fill('Good. One thing to mend.');
    await teacher.getByRole('button', { name: 'Return to be mended' }).click();
    await expect(teacher.getByText('Good. One thing to mend.')).toBeVisible();
  });

  await test.step('the student finds the remark beside its slide, mends, and hands in again', async () => {
    await student.reload();
    await expect(rows(student).nth(1).getByText('Say where you saw this.')).toBeVisible();
    await student.getByLabel('Caption on slide 2').fill('Seen from the quay, twice a day');
    await saved(student);
    await student.getByRole('link', { name: 'Film', exact: true }).click();
    await student.getByRole('button', { name: 'Make it again' }).click();
    await expect(student.getByRole('button', { name: 'Hand in again' })).toBeVisible({ timeout: 200_000 });
    await student.getByRole('button', { name: 'Hand in again' }).click();
    await expect(student.getByText('This film is handed in and waits for an answer.')).toBeVisible();
  });

  await test.step('the teacher accepts it, and the earlier hand-in stays readable', async () => {
    await teacher.getByRole('link', { name: 'All hand-ins' }).click();
    await teacher.getByRole('listitem').getByRole('link', { name: 'Low Water, changed', exact: true }).click();
    // What changed since is told, and what was said of it ticked off; the one before is a step away.
    const since = teacher.getByRole('region', { name: 'Since hand-in 1' });
    await expect(since.getByRole('listitem').filter({ hasText: 'Slide 2' })).toContainText('words');
    await since.getByRole('button', { name: 'See slide 2' }).click();
    await expect
      .poll(() => teacher.locator('video').evaluate((v: HTMLVideoElement) => v.currentTime))
      .toBeGreaterThan(1);
    const told = since.getByRole('switch', { name: 'Done: “Say where you saw this.”' });
    await teacher.context().setOffline(true);
    await since.getByText('Say where you saw this.').click();
    await expect(teacher.getByText(/connection/).first()).toBeVisible();
    await expect(told).not.toBeChecked();
    await teacher.context().setOffline(false);
    await since.getByText('Say where you saw this.').click();
    await expect(told).toBeChecked();
    await teacher.reload();
    await expect(told).toBeChecked();
    await since.getByRole('link', { name: 'See hand-in 1' }).click();
    await expect(teacher.getByRole('heading', { name: 'Low Water', exact: true })).toBeVisible();
    await teacher.goBack();
    await teacher.getByRole('button', { name: 'Accept' }).click();
    await expect(teacher.getByRole('heading', { name: 'Accepted' })).toBeVisible();
    await teacher.getByRole('link', { name: 'Hand-in 1 (returned)' }).click();
    await expect(teacher.getByRole('heading', { name: 'Low Water', exact: true })).toBeVisible();

    await student.goto('/');
    await expect(student.getByText('accepted').first()).toBeVisible();
  });

  await test.step('others see nothing of it', async () => {
    const other = await open('juno');
    const stranger = await (await browser.newContext()).newPage();
    const story = address;
    const view = await (await student.request.get(story)).json();
    const named = (kind: string) =>
      Object.entries(view.story.assets).find(([, asset]) => (asset as { kind: string }).kind === kind)?.[0];
    const [picture, take] = [named('picture'), named('voice')];
    const key = film.replace('/api/', '');
    for (const address of [
      story,
      `${story}/assets/${picture}/full.jpg`,
      `${story}/assets/${take}/voice.flac`,
      film,
      film.replace('film.mp4', 'captions.vtt'),
      `/api/handins/${view.handIns[0].id}`,
      `/_store/pictures/${picture}/full.jpg`,
      `/_store/${key}`,
    ]) {
      expect((await other.request.get(address)).status(), address).toBe(404);
      expect([401, 404], address).toContain((await stranger.request.get(address)).status());
    }
  });
});
