import { hears, spokenFor } from './support/microphone';
import { signIn } from './support/people';
import { begin, view } from './support/story';
import { type Page, expect, test } from './support/test';
import type { Slide } from '../../web/api/types';
import type { Span } from '../../web/story/spans';

/** Losing a recording is the one thing that is never forgiven. */
async function inTheBooth(page: Page, title: string) {
  await signIn(page, 'juno');
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByLabel('What is it called?').fill(title);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('link', { name: 'Record slide 1' }).click();
  await page.getByRole('button', { name: 'Turn the microphone on' }).click();
  await page.getByText('Count in').click();
}

test('the network is cut while somebody speaks: the recording is kept, and sent when it is back', async ({
  page,
  context,
}) => {
  await inTheBooth(page, 'A bad line');
  await page.getByRole('button', { name: 'Record' }).click();
  await spokenFor(page, 2);
  await context.setOffline(true);
  await spokenFor(page, 5);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('No connection. Your recording is kept here and will be sent.')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 40_000 });
  const [take] = Object.values((await view(page)).story.assets as Record<string, { kind: string; samples: number }>);
  expect(take?.samples ?? 0).toBeGreaterThan(4 * 48_000);
});

test('the page is closed in the middle, without a network: at the next visit the recording is sent', async ({
  page,
  context,
}) => {
  await inTheBooth(page, 'A closed lid');
  await page.getByRole('button', { name: 'Record' }).click();
  await spokenFor(page, 1);
  await context.setOffline(true);
  await spokenFor(page, 4);
  await page.close();
  await context.setOffline(false);

  const again = await context.newPage();
  await again.goto('/');
  await expect(again.getByText('The recording is safe, and its slide speaks with it.')).toBeVisible({
    timeout: 40_000,
  });
  await again.getByRole('link', { name: 'A closed lid', exact: true }).first().click();
  await expect(again.getByRole('img', { name: /^Voice, / })).toBeVisible();
});

test(
  'a take is never overwritten: another may be dropped, and the one before speaks again',
  { tag: '@deep' },
  async ({ page }) => {
    await inTheBooth(page, 'Two takes');
    const take = async () => {
      return (await view(page)).story.slides[0].voice[0]?.asset as string;
    };
    for (const seconds of [2, 3]) {
      await page.getByRole('button', { name: 'Record' }).click();
      await spokenFor(page, seconds);
      await page.getByRole('button', { name: 'Stop' }).click();
      await expect(page.getByRole('button', { name: 'Record' })).toBeEnabled({ timeout: 30_000 });
      await expect(page.getByText(/^Spoken: /)).toBeVisible();
    }
    const second = await take();
    await page.getByRole('button', { name: 'Keep the one before' }).click();
    await expect.poll(take).not.toBe(second);
    expect(await take()).toBeTruthy();
  },
);

test(
  'without a connection one goes on from slide to slide, and what was said last counts',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'juno', 'Far from anywhere');
    await page.getByRole('link', { name: 'Booth' }).click();
    await page.getByText('Count in').click();
    await page.getByRole('button', { name: 'Turn the microphone on' }).click();
    await expect(page.getByRole('meter')).toBeVisible();
    await context.setOffline(true);
    const safe = page.getByText('No connection. Your recording is kept here and will be sent.');
    const speak = async (seconds: number) => {
      await page.getByRole('button', { name: 'Record' }).click();
      await spokenFor(page, seconds);
      await page.getByRole('button', { name: 'Stop' }).click();
      await expect(safe).toBeVisible();
    };
    await speak(2);
    await page.keyboard.press('n');
    await speak(3);
    await page.keyboard.press('p');
    await speak(5);
    await context.setOffline(false);
    await expect(safe).toBeHidden({ timeout: 60_000 });
    const { story } = await view(page);
    const samples = (n: number) => story.assets[story.slides[n].voice[0].asset].samples / 48_000;
    expect(samples(0), 'the second one').toBeGreaterThan(4);
    expect(samples(1)).toBeLessThan(4.5);
    expect(
      Object.values(story.assets as Record<string, { kind: string }>).filter(({ kind }) => kind === 'voice'),
    ).toHaveLength(3);
  },
);

test('a refused microphone gets a sentence that helps', async ({ browser }) => {
  const page = await (await browser.newContext({ permissions: [] })).newPage();
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await signIn(page, 'juno');
  await page.getByRole('link', { name: 'Who Turns the Wheel?', exact: true }).click();
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(page.getByRole('alert')).toContainText('allow it, and try again');
});

test(
  'a microphone pulled out while recording: what was said until then is kept',
  { tag: '@deep' },
  async ({ page }) => {
    await page.addInitScript(() => {
      const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
      navigator.mediaDevices.getUserMedia = async (wanted) => {
        const stream = await ask(wanted);
        Object.assign(window, { microphone: stream.getAudioTracks()[0] });
        return stream;
      };
    });
    await inTheBooth(page, 'Pulled out');
    await page.getByRole('button', { name: 'Record' }).click();
    await spokenFor(page, 3);
    // What a browser does when the device is gone: the track ends by itself.
    await page.evaluate(() =>
      (window as unknown as { microphone: MediaStreamTrack }).microphone.dispatchEvent(new Event('ended')),
    );
    await expect(page.getByText('The microphone was pulled out. What you said until then is kept.')).toBeVisible();
    await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText('The microphone is off')).toBeVisible();
  },
);

test(
  'one sentence is said again, then all from there on: what else was said stays',
  { tag: '@deep' },
  async ({ page }) => {
    await inTheBooth(page, 'Said again');
    const voice = async () => {
      return (await view(page)).story.slides[0].voice as {
        asset: string;
        from: number;
        to: number;
      }[];
    };
    const ended = async () => {
      await spokenFor(page, 3);
      await page.getByRole('button', { name: 'Stop' }).click();
      // Where the server takes its time another may be recorded already; dropped may this one be only when the page has it.
      await expect(page.getByRole('button', { name: 'Keep the one before' })).toBeEnabled({ timeout: 40_000 });
    };
    await page.getByRole('button', { name: 'Record' }).click();
    await spokenFor(page, 6);
    await page.getByRole('button', { name: 'Stop' }).click();
    const wave = page.getByRole('region', { name: 'What you said' }).locator('svg').first();
    await expect(wave).toBeVisible({ timeout: 30_000 });
    const [first] = await voice();
    if (!first) throw new Error('nobody spoke');
    const mark = async () => {
      const { x, y, width, height } = (await wave.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
      await page.mouse.move(x + width * 0.4, y + height / 2);
      await page.mouse.down();
      await page.mouse.move(x + width * 0.6, y + height / 2, { steps: 4 });
      await page.mouse.up();
    };
    await mark();
    await page.getByRole('button', { name: 'Say only this again' }).click();
    await ended();
    await expect.poll(async () => (await voice()).length).toBe(3);
    const [before, again, after] = await voice();
    expect([before?.asset, after?.asset]).toEqual([first.asset, first.asset]);
    expect(again?.asset).not.toBe(first.asset);
    expect(before?.from).toBe(first.from);
    expect(after?.to).toBe(first.to);
    expect(((before?.to ?? 0) - first.from) / (first.to - first.from)).toBeCloseTo(0.4, 1);

    // It is not better: what was said before is had back, as it was.
    await page.getByRole('button', { name: 'Keep the one before' }).dblclick();
    await expect.poll(voice).toEqual([first]);

    // By key: nobody counts in, and it is stopped at once.
    await mark();
    await page.keyboard.press('o');
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    await ended();
    await expect.poll(async () => (await voice()).length).toBe(3);
    await page.keyboard.press('d');
    await expect.poll(voice).toEqual([first]);

    // Counted in, one hears what comes before it, and is recorded when that is over; stopped before that, nothing is.
    await page.getByText('Count in').click();
    await mark();
    const place = () => page.locator('.picture .stage').getAttribute('data-frame');
    const still = await place();
    await page.keyboard.press('o');
    await expect(page.getByRole('timer')).toHaveText('2');
    await expect.poll(place, 'it is heard over its picture').not.toBe(still);
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByRole('button', { name: 'Record' })).toBeEnabled();
    expect(await voice()).toEqual([first]);
    await mark();
    await page.getByRole('button', { name: 'Say only this again' }).click();
    await expect(page.getByRole('timer')).toBeVisible();
    await expect(page.getByRole('timer')).toBeHidden();
    await ended();
    await expect.poll(async () => (await voice()).length).toBe(3);
    await page.keyboard.press('d');
    await expect.poll(voice).toEqual([first]);
    await page.getByText('Count in').click();

    // The network is cut while one speaks.
    await mark();
    await page.getByRole('button', { name: 'Again from here' }).click();
    await spokenFor(page, 1);
    await page.context().setOffline(true);
    await spokenFor(page, 3);
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('No connection. Your recording is kept here and will be sent.')).toBeVisible();
    await page.context().setOffline(false);
    await expect.poll(async () => (await voice()).length, { timeout: 40_000 }).toBe(2);
    const [start, rest] = await voice();
    expect(start?.asset).toBe(first.asset);
    expect(((start?.to ?? 0) - first.from) / (first.to - first.from)).toBeCloseTo(0.4, 1);
    expect([first.asset, again?.asset]).not.toContain(rest?.asset);
  },
);

test(
  'where the level cannot be looked at, one records all the same; where it can, it has figures',
  { tag: '@deep' },
  async ({ page }) => {
    await page.addInitScript(() => {
      Object.assign(window, { deaf: false });
      const { state } = Object.getOwnPropertyDescriptors(BaseAudioContext.prototype);
      Object.defineProperty(BaseAudioContext.prototype, 'state', {
        get() {
          return (window as unknown as { deaf: boolean }).deaf ? 'suspended' : state.get?.call(this);
        },
      });
      // Without an output it never settles.
      AudioContext.prototype.resume = () => new Promise(() => undefined);
    });
    await inTheBooth(page, 'Deaf');
    await expect(page.getByText(/^(voice -?\d+ dB, )?peak -?\d+ dB$/)).toBeVisible();
    await expect(page.getByRole('meter')).toHaveAttribute('aria-valuetext', /./);
    await page.evaluate(() => Object.assign(window, { deaf: true }));
    await expect(page.getByText('The level cannot be shown here. Recording works all the same.')).toBeVisible();
    await page.getByRole('button', { name: 'Record' }).click();
    await spokenFor(page, 2);
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 30_000 });
  },
);

/** In one go, from the first slide on to the second. */
async function twoSlidesSpoken(page: Page) {
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByText('In one go').click();
  await page.getByText('Count in').click();
  await page.getByRole('button', { name: 'Record' }).click();
  await spokenFor(page, 3);
  await page.keyboard.press('n');
}

test(
  'a whole story in one go: by keys, a pedal and taps, back and again, with a rest and without a network',
  { tag: '@deep' },
  async ({ page }) => {
    // Where the machine stands still nothing is missing: each step is where it was said.
    await hears(page, 'var/e2e-voice.wav', { again: true });
    await begin(page, 'juno', 'In one go');
    await twoSlidesSpoken(page);
    await expect(page.getByText('slide 2 of 4')).toBeVisible();
    await page.context().setOffline(true);
    await spokenFor(page, 6);
    await page.keyboard.press('PageDown');
    await expect(page.getByText('slide 3 of 4')).toBeVisible();
    await spokenFor(page, 9);
    // Back: the second slide again, and from there on.
    await page.getByRole('button', { name: 'Slide before' }).click();
    await spokenFor(page, 12);
    await page.getByRole('button', { name: 'Pause' }).click();
    const rested = await page.getByText(/^0:\d\d Pausing$/).innerText();
    await page.waitForTimeout(2500);
    expect(await page.getByText(/^0:\d\d Pausing$/).innerText()).toBe(rested);
    await page.getByRole('button', { name: 'Go on' }).click();
    await page.keyboard.press('s');
    await expect(page.getByText(/^0:\d\d Pausing$/)).toBeVisible();
    await page.keyboard.press('s');
    await page.getByRole('figure', { name: 'Preview' }).click({ force: true });
    await expect(page.getByText('slide 3 of 4')).toBeVisible();
    await spokenFor(page, 16);
    await page.getByRole('button', { name: 'On to the next' }).click();
    await expect(page.getByText('slide 4 of 4')).toBeVisible();
    await spokenFor(page, 19);
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('No connection. Your recording is kept here and will be sent.')).toBeVisible();
    await page.context().setOffline(false);
    await expect(page.getByText('4 slides speak with it now.')).toBeVisible({ timeout: 40_000 });

    const { story } = await view(page);
    const spans = story.slides.map(({ voice }: Slide) => voice[0]);
    expect(new Set(spans.map(({ asset }: Span) => asset)).size, 'one recording').toBe(1);
    const seconds = spans.map(({ from, to }: Span) => [from / 48_000, to / 48_000] as const);
    // Each where it was spoken the last time, moved by half a second at most, without the rest between.
    for (const [i, [from, to]] of (
      [
        [0, 3],
        [9, 12.5],
        [12.5, 16.5],
        [16.5, 20.5],
      ] as [number, number][]
    ).entries()) {
      expect(seconds[i][0], `slide ${i + 1} begins`).toBeGreaterThan(from - 0.8);
      expect(seconds[i][1], `slide ${i + 1} ends`).toBeLessThan(to + 1.2);
      expect(seconds[i][1]).toBeGreaterThan(seconds[i][0]);
    }
    for (const i of [0, 1, 2])
      expect(seconds[i][1], 'nothing is said twice').toBeLessThanOrEqual(seconds[i + 1][0] + 0.3);
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect
      .poll(async () => (await view(page)).story.slides.some(({ voice }: Slide) => voice.length > 0))
      .toBe(false);
  },
);

test('what is said again is for its own slide, though all would be in one go', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'juno', 'One only');
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByText('Count in').click();
  await page.getByRole('button', { name: 'Record' }).click();
  await spokenFor(page, 3);
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('option').first().click({ timeout: 30_000 });
  await page.getByText('In one go').click();
  await page.getByRole('button', { name: 'Again from here' }).click();
  await spokenFor(page, 2);
  await expect(page.getByRole('button', { name: 'Next slide' })).toBeDisabled();
  await expect(page.getByRole('button', { name: 'On to the next' })).toHaveCount(0);
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Record' })).toBeEnabled({ timeout: 30_000 });
  await expect(page.getByText('slide 1 of 4')).toBeVisible();
  const spoken = (await view(page)).story.slides.map(({ voice }: Slide) => voice.length > 0);
  expect(spoken).toEqual([true, false, false, false]);
});

test(
  'the page is closed in the middle of a whole story: each slide speaks as far as it was told',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'juno', 'A closed book');
    await twoSlidesSpoken(page);
    await spokenFor(page, 7);
    await page.close();
    const again = await context.newPage();
    await again.goto('/');
    await expect(again.getByText('The recording is safe, and its slide speaks with it.')).toBeVisible({
      timeout: 40_000,
    });
    await again.getByRole('link', { name: 'A closed book', exact: true }).first().click();
    await expect(again.getByRole('img', { name: /^Voice, / })).toHaveCount(2);
  },
);
