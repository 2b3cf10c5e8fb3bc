import AxeBuilder from '@axe-core/playwright';
import { make } from './support/files';
import { hears } from './support/microphone';
import { saved } from './support/sheet';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';

const said = (name: string, voice: string, text: string) =>
  make(name, '-i', `flite=v=${voice}:text='${text}',apad=pad_dur=0.6,adelay=500:all=1`);
const asks = () => said('asks.wav', 'slt', 'Why does the tower lean so far? Does it fall?');
const tells = () => said('tells.wav', 'rms', 'It leans since it is tired. It never falls.');

async function bring(page: Page, file: string) {
  const spoken = await slide(page, 1);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in a sound' }).click(),
  ]);
  await chooser.setFiles(file);
  await expect
    .poll(async () => (await slide(page, 1)).voice[0]?.asset, { timeout: 30_000 })
    .not.toBe(spoken.voice[0]?.asset);
}
const spans = async (page: Page) => (await slide(page, 1)).voice.length;
const take = (page: Page, name: string) => page.getByRole('listitem', { name, exact: true });

test(
  'two takes of one slide: heard, chosen, joined, named, put away and had back; captions say who speaks',
  { tag: '@deep' },
  async ({ page, context }) => {
    await begin(page, 'wren', 'An interview with a tower');
    await page
      .getByLabel('Script of slide 2')
      .fill('Why does the tower lean so far? Does it fall? It leans since it is tired. It never falls.');
    await page.getByLabel('Script of slide 2').blur();
    await saved(page);
    await page.getByRole('link', { name: 'Booth' }).click();
    await page.getByRole('button', { name: 'Next slide' }).click();
    await page.getByRole('button', { name: 'Takes', exact: true }).click();
    await expect(page.getByText('Nothing has been spoken for this slide yet.')).toBeVisible();
    await page.keyboard.press('Escape');
    await bring(page, tells());
    await bring(page, asks());

    await page.getByRole('button', { name: 'Takes', exact: true }).click();
    await expect(take(page, 'Take 2')).toContainText('Heard in the film');
    await expect(take(page, 'Take 1')).toContainText(/, \d(\.\d)? s long · Sounds good/);
    expect((await new AxeBuilder({ page }).exclude('[data-live-announcer]').analyze()).violations).toEqual([]);

    // The one that the film does not have moves the picture too, and ends by itself.
    const frame = () => page.locator('.picture .stage').getAttribute('data-frame');
    const still = await frame();
    await page.getByRole('button', { name: 'Hear “Take 1”' }).click();
    await expect.poll(frame).not.toBe(still);
    await page.getByRole('button', { name: 'Stop “Take 1”' }).click();
    await page.getByRole('button', { name: 'Hear “Take 1”' }).click();
    await expect(page.getByRole('button', { name: 'Stop “Take 1”' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Hear “Take 1”' })).toBeVisible({ timeout: 15_000 });

    // Pressed twice at once it is said once.
    await page.getByRole('button', { name: 'Put “Take 1” after what is heard' }).dblclick();
    await expect.poll(() => spans(page)).toBe(2);
    for (const [name, speaker] of [
      ['Take 2', 'Mara'],
      ['Take 1', 'The tower'],
    ] as const) {
      await page.getByRole('button', { name: `Name “${name}”, or who speaks` }).click();
      await take(page, name).getByLabel('Who speaks (captions begin with it)').fill(speaker);
      await page.keyboard.press('Tab');
      await expect
        .poll(async () => JSON.stringify((await view(page)).story.assets))
        .toContain(`"speaker":"${speaker}"`);
    }
    const captions = (await view(page)).plan.cues.map(({ text }: { text: string }) => text.replace('\n', ' '));
    expect(captions.filter((text: string) => text.includes(':'))).toEqual([
      expect.stringMatching(/^Mara: Why does the tower/),
      expect.stringMatching(/^The tower: It leans/),
    ]);
    await take(page, 'Take 1').getByLabel('Name of the take').fill('tired');
    await page.keyboard.press('Tab');
    await expect(take(page, 'tired')).toContainText('The tower');

    // Chosen alone, the other is put away, and had back.
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect.poll(() => spans(page)).toBe(1);
    await page.getByRole('button', { name: 'Takes', exact: true }).click();
    await page.getByRole('button', { name: 'Speak with “Take 1”' }).press('Enter');
    await expect(take(page, 'Take 1')).toContainText('Heard in the film');
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Put “Take 2” away' }).click();
    await context.setOffline(false);
    await expect(take(page, 'Take 2')).toHaveCount(0);
    await page.getByRole('button', { name: 'Put away: 1' }).click();
    await page.getByRole('button', { name: 'Have “Take 2” back' }).click();
    await expect(page.getByRole('button', { name: 'Put “Take 2” away' })).toBeVisible();
    await page.keyboard.press('Escape');

    // For another slide it is listed too, below.
    await page.getByRole('button', { name: 'Next slide' }).click();
    await page.getByRole('button', { name: 'Takes', exact: true }).click();
    await page.getByRole('button', { name: 'Spoken for other slides: 2' }).click();
    await page.getByRole('button', { name: 'Speak with “Take 2”' }).click();
    await expect.poll(async () => (await slide(page, 2)).voice.length).toBe(1);
  },
);

test('a slide speaks with the sound of a clip', { tag: '@deep' }, async ({ page }) => {
  await begin(page, 'wren', 'Filmed with a phone');
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByRole('button', { name: 'Next slide' }).click();
  await bring(
    page,
    make('talk.mov', '-i', 'testsrc2=s=320x240:d=3', '-f', 'lavfi', '-i', 'sine=300:d=3', '-c:v', 'mjpeg'),
  );
  const { story } = await view(page);
  const [spoken] = story.slides[1].voice;
  expect((spoken.to - spoken.from) / 48_000).toBeCloseTo(3, 0);
  expect(story.assets[spoken.asset]).toMatchObject({ kind: 'voice', file: 'talk.mov' });
});

test('then the next one: slide after slide is recorded without a touch', { tag: '@deep' }, async ({ page }) => {
  await hears(page, make('one of many.wav', '-i', 'sine=250:d=2.5', '-af', 'volume=2,apad=pad_dur=4.5'), {
    again: true,
  });
  await begin(page, 'wren', 'Hands full');
  await page.getByRole('link', { name: 'Booth' }).click();
  await page.getByText('Count in').click();
  await page.getByText('Then the next one').click();
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(page.getByText('When you have been quiet for three seconds')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('slide 2 of 4', { timeout: 20_000 });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('slide 3 of 4', { timeout: 20_000 });
  // Whoever does not want to wait goes on by a key.
  await page.waitForTimeout(1500);
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('slide 4 of 4');
  // After the last it rests.
  await expect(page.getByText(/^Spoken: /)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('button', { name: 'Record' })).toBeEnabled();
  await expect
    .poll(async () => (await view(page)).story.slides.map(({ voice }: { voice: unknown[] }) => voice.length), {
      timeout: 30_000,
    })
    .toEqual([1, 1, 1, 1]);
});
