import { expect, test, type Page } from './test';
import { signIn, spokenFor } from './helpers';

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
  const desk = await (await page.request.get('/api/desk')).json();
  const view = await (await page.request.get(`/api/stories/${desk.stories[0].id}`)).json();
  const [take] = Object.values(view.story.assets as Record<string, { kind: string; samples: number }>);
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

test('a take is never overwritten: another may be dropped, and the one before speaks again', async ({ page }) => {
  await inTheBooth(page, 'Two takes');
  const take = async () => {
    const desk = await (await page.request.get('/api/desk')).json();
    return (await (await page.request.get(`/api/stories/${desk.stories[0].id}`)).json()).story.slides[0].voice[0]
      ?.asset as string;
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
});

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

test('a microphone pulled out while recording: what was said until then is kept', async ({ page }) => {
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
});
