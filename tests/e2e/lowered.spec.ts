import AxeBuilder from '@axe-core/playwright';
import { make, voice } from './support/files';
import { begin, slide, view } from './support/story';
import { type Page, expect, test } from './support/test';

/** Three sentences in the hiss of a room: breath is drawn after the first, a mouth clicks after the second. */
const breathy = () =>
  make(
    'breathy.wav',
    '-i',
    [
      "flite=v=slt:text='The tower leans.',aresample=48000[a]",
      "flite=v=slt:text='It never falls.',aresample=48000[b]",
      "flite=v=slt:text='We sleep well.',aresample=48000,apad=pad_dur=0.9[c]",
      'anoisesrc=d=1.4:c=white:a=0.12:r=48000:seed=4,highpass=f=400,lowpass=f=2500,lowpass=f=2500,' +
        'afade=t=in:st=0.5:d=0.1,afade=t=out:st=0.85:d=0.1[breath]',
      "aevalsrc='0.1*exp(-max(0,t-0.6)*500)*sin(6000*t)*gte(t,0.6)':d=1.2:s=48000[click]",
      '[a][breath][b][click][c]concat=n=5:v=0:a=1,adelay=900:all=1[voice]',
      'anoisesrc=c=white:a=0.006:r=48000:seed=9[hiss]',
      '[voice][hiss]amix=inputs=2:normalize=0:duration=first',
    ].join(';'),
  );
async function bring(page: Page, file: string) {
  const before = (await slide(page, 1)).voice[0]?.asset;
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Bring in a sound' }).click(),
  ]);
  await chooser.setFiles(file);
  await expect.poll(async () => (await slide(page, 1)).voice[0]?.asset, { timeout: 60_000 }).not.toBe(before);
}
const asRecorded = async (page: Page): Promise<string[]> => {
  const { story } = await view(page);
  return story.assets[story.slides[1].voice[0].asset].take?.asRecorded ?? [];
};
const dips = async (page: Page) => {
  const [play] = (await view(page)).plan.plays as { gains: { gain: number }[] }[];
  const voice = Math.max(...(play?.gains ?? []).map(({ gain }) => gain));
  return (play?.gains ?? []).slice(1, -1).filter(({ gain }) => gain < 0.9 * voice).length;
};
const open = (page: Page) => page.getByRole('button', { name: 'Noise and breath' }).click();

test(
  'hum, breath and clicks are lowered, each heard with and without: by mouse, by keys, twice at once, offline, at 390 px',
  { tag: '@deep' },
  async ({ page }) => {
    await begin(page, 'wren', 'A breath of air');
    await page.getByRole('link', { name: 'Booth' }).click();
    await page.getByRole('button', { name: 'Next slide' }).click();
    await bring(page, voice());
    await open(page);
    await expect(page.getByText(/^Nothing was found that has to be lowered/)).toBeVisible();
    await page.keyboard.press('Escape');

    await bring(page, breathy());
    expect(await dips(page), 'a breath and a click').toBe(4);
    await open(page);
    const breath = page.getByRole('switch', { name: 'Breaths lower: 1' });
    const hum = page.getByRole('switch', { name: /^Hum and hiss lower: \d+ dB$/ });
    const click = page.getByRole('switch', { name: 'Clicks of the mouth lower: 1' });
    for (const each of [breath, hum, click]) await expect(each).toBeChecked();
    expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([]);

    // Each by itself, while one listens.
    await page.getByRole('dialog').getByRole('button', { name: 'Listen' }).click();
    await page.getByText('Breaths lower: 1').click();
    await expect.poll(() => asRecorded(page)).toEqual(['breaths']);
    expect(await dips(page)).toBe(2);
    await expect(breath).not.toBeChecked();
    // What is heard ends where it was to end, though the plan is another now.
    const frame = async () => Number(await page.locator('.picture .stage').getAttribute('data-frame'));
    await expect
      .poll(async () => {
        const before = await frame();
        await page.waitForTimeout(400);
        return (await frame()) - before;
      })
      .toBe(0);
    const { plan } = await view(page);
    expect(await frame()).toBeGreaterThan(plan.scenes[1].start);
    expect(await frame()).toBeLessThanOrEqual(plan.scenes[1].end);
    await hum.focus();
    const [noisy] = await Promise.all([
      page.waitForResponse(/untouched\.flac$/),
      page.keyboard.press('Space').then(() => page.getByRole('dialog').getByRole('button', { name: 'Listen' }).click()),
    ]);
    expect(noisy.status()).toBe(200);
    await expect.poll(() => asRecorded(page)).toEqual(['breaths', 'noise']);
    const still = await frame();
    await expect.poll(frame, 'it is heard').not.toBe(still);

    // Pressed twice at once it is done once.
    await page.getByText('Clicks of the mouth lower: 1').dblclick();
    await expect.poll(() => asRecorded(page)).toEqual(['breaths', 'noise', 'clicks']);
    await expect(click).not.toBeChecked();
    await page.getByText('Clicks of the mouth lower: 1').click();
    await expect.poll(() => asRecorded(page)).toEqual(['breaths', 'noise']);

    // Without a connection it is kept, and sent.
    await page.context().setOffline(true);
    await page.getByText('Breaths lower: 1').click();
    await page.context().setOffline(false);
    await expect.poll(() => asRecorded(page), { timeout: 30_000 }).toEqual(['noise']);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => asRecorded(page)).toEqual(['breaths', 'noise']);

    await page.setViewportSize({ width: 390, height: 844 });
    await open(page);
    const box = await page.getByRole('dialog').boundingBox();
    expect(box?.x ?? -1).toBeGreaterThanOrEqual(0);
    expect((box?.x ?? 0) + (box?.width ?? 1000)).toBeLessThanOrEqual(390);
    await page.getByText(/^Hum and hiss lower/).click();
    await expect.poll(() => asRecorded(page)).toEqual(['breaths']);
  },
);
