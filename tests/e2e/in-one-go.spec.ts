import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { at, make, probe } from './support/files';
import { hears, say } from './support/microphone';
import { saved } from './support/sheet';
import { begin, view } from './support/story';
import { type Page, expect, test } from './support/test';

const RATE = 48_000;
/** Ten slides of two sentences. Of three the second is begun again, and once somebody looks for the place for four seconds. */
const SAID: [string, string][] = [
  ['The lamp on the pier went out.', 'Nobody saw it go.'],
  ['My aunt keeps the spare key.', 'It hangs behind the kitchen door.'],
  ['We took the long way round.', 'The tide had covered the steps.'],
  ['Her dog came along with us.', 'He is afraid of gulls.'],
  ['At the gate we heard a bell.', 'It rang four times and stopped.'],
  ['The lock was stiff with salt.', 'I had to lean on the key.'],
  ['Inside it smelled of oil.', 'A chair lay on its side.'],
  ['The stairs turn to the left.', 'There are ninety two of them.'],
  ['At the top the wind was loud.', 'We lit the lamp with a match.'],
  ['Out at sea a boat turned round.', 'It had been waiting for us.'],
];
const TWICE = [2, 5, 8];
const LOOKS = 6;

const samples = (file: string): Float32Array =>
  new Float32Array(
    new Uint8Array(
      execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-f', 'f32le', '-ac', '1', '-ar', String(RATE), '-'], {
        maxBuffer: 1 << 30,
      }),
    ).buffer,
  );
const onset = (sound: Float32Array) => sound.findIndex((sample) => Math.abs(sample) > 0.02);

/** All of it in one file, with what is known of it: where each sentence that stays begins, and where each slide's part ends, in samples. */
function spoken() {
  const whole: Float32Array[] = [];
  let length = 0;
  const add = (part: Float32Array) => {
    whole.push(part);
    length += part.length;
  };
  const quiet = (seconds: number) => add(new Float32Array(seconds * RATE));
  const begins: number[] = [];
  const ends: number[] = [];
  const sentence = (name: string, text: string) => {
    const sound = samples(make(`${name}.wav`, '-i', `flite=v=slt:text='${text}'`));
    add(sound);
    return length - sound.length + onset(sound);
  };
  quiet(0.8);
  SAID.forEach(([first, second], i) => {
    begins.push(sentence(`a${i}`, first));
    quiet(i === LOOKS ? 4 : 0.4);
    if (TWICE.includes(i)) {
      sentence(`b${i}`, second);
      quiet(0.7);
    }
    begins.push(sentence(`b${i}`, second));
    quiet(0.2);
    ends.push(length);
  });
  const file = join(at, 'in one go.f32');
  const all = new Float32Array(length);
  let put = 0;
  for (const part of whole) {
    all.set(part, put);
    put += part.length;
  }
  writeFileSync(file, all);
  const wav = join(at, 'in one go.wav');
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'f32le', '-ar', String(RATE), '-ac', '1', '-i', file, wav]);
  return { wav, begins, ends, onset: onset(all) };
}

const seconds = async (page: Page, n: number) =>
  (await view(page)).story.slides[n].voice.reduce(
    (sum: number, { from, to }: { from: number; to: number }) => sum + (to - from) / RATE,
    0,
  ) as number;

test(
  'ten slides in one go, three sentences said twice, one long pause: each is heard once, and captions fit',
  { tag: '@deep' },
  async ({ page }) => {
    test.setTimeout(900_000);
    const told = spoken();
    await hears(page, told.wav);
    const pictures = Array.from({ length: 9 }, (_, i) =>
      make(`${i + 1} place.png`, '-i', `gradients=s=1280x720:n=4:seed=${i + 4}`, '-frames:v', '1'),
    );
    await begin(page, 'ivo', 'The lamp', pictures);
    for (const [i, sentences] of SAID.entries()) {
      await page.getByLabel(`Script of slide ${i + 1}`, { exact: true }).fill(sentences.join(' '));
      await page.getByLabel(`Script of slide ${i + 1}`, { exact: true }).blur();
    }
    await saved(page);
    await page.getByRole('link', { name: 'Booth' }).click();
    await page.getByText('Count in').click();
    await page.getByText('In one go').click();
    await page.getByRole('button', { name: 'Record' }).click();
    await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
    // Whoever speaks is silent, goes on to the next slide, and speaks then.
    const lies: number[] = [];
    for (const [i, end] of told.ends.entries()) {
      const from = told.ends[i - 1] ?? 0;
      lies.push((await say(page, from, end)) - from);
      await page.waitForTimeout(300);
      if (i < told.ends.length - 1) await page.keyboard.press('n');
      await page.waitForTimeout(400);
    }
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('10 slides speak with it now.')).toBeVisible({ timeout: 60_000 });

    // What was said twice is offered on these slides, and on no other.
    const once: number[] = [];
    for (const i of SAID.keys()) {
      await page.goto(page.url().replace(/slide=[^&]*/, `slide=${(await view(page)).story.slides[i].id}`));
      await expect(page.getByRole('listbox', { name: 'What you said' }).getByRole('option')).not.toHaveCount(0);
      await expect(page.getByRole('button', { name: 'Said twice?' })).toHaveCount(TWICE.includes(i) ? 1 : 0);
      const before = await seconds(page, i);
      if (TWICE.includes(i)) {
        await page.keyboard.press('t');
        await page.keyboard.press('x');
        await expect.poll(() => seconds(page, i)).toBeLessThan(before - 1);
      }
      if (i === LOOKS) {
        await page.getByRole('button', { name: 'No pause over 1 s' }).click();
        await expect.poll(() => seconds(page, i)).toBeLessThan(before - 2.5);
      }
      once.push(await seconds(page, i));
    }

    // Each sentence that stays lies once among what is spoken, and no other; its caption comes when it is said.
    const { story, plan } = await view(page);
    const [take] = Object.keys(story.assets).filter((id) => story.assets[id].kind === 'voice');
    const flac = join(at, 'take.flac');
    const address = page.url().replace(/.*stories\/([^/?]+).*/, `/api/stories/$1/assets/${take}/voice.flac`);
    writeFileSync(flac, await (await page.request.get(address)).body());
    const late = onset(samples(flac)) - told.onset - (lies[0] ?? 0);
    const cues = plan.cues as { start: number; text: string }[];
    const off: number[] = [];
    for (const [i, sentences] of SAID.entries()) {
      for (const [k, text] of sentences.entries()) {
        const where = (told.begins[2 * i + k] ?? 0) + (lies[i] ?? 0) + late;
        // What is in the middle of it: where it is cut, its first sound may be a hundredth of a second away.
        const within = where / RATE + 0.5;
        const plays = (plan.plays as { asset: string; start: number; from: number; end: number }[]).filter(
          (play) => play.asset === take && within >= play.from && within < play.from + play.end - play.start,
        );
        expect(plays, `“${text}” is heard once`).toHaveLength(1);
        const [play] = plays;
        const heard = (play?.start ?? 0) + where / RATE - (play?.from ?? 0);
        const shown = cues.filter((cue) => cue.text.replace('\n', ' ').includes(text.slice(0, 12)));
        expect(shown, `“${text}” is written once`).toHaveLength(1);
        if (shown[0]?.text.replace('\n', ' ').startsWith(text)) off.push(Math.abs(shown[0].start - heard));
      }
    }
    const median = off.toSorted((a, b) => a - b)[Math.floor(off.length / 2)];
    console.log(`captions are off by ${median?.toFixed(3)} s at the median, ${Math.max(...off).toFixed(2)} s at most`);
    expect(off.length).toBeGreaterThanOrEqual(10);
    expect(median).toBeLessThanOrEqual(0.15);

    // And so is its film.
    await page.getByRole('link', { name: 'Back to the script' }).click();
    await page.getByRole('link', { name: 'Film', exact: true }).click();
    await page.getByRole('button', { name: /^Make the film/ }).click();
    const [film] = await Promise.all([
      page.waitForEvent('download', { timeout: 480_000 }),
      page.getByRole('link', { name: /^Download the film/ }).click({ timeout: 480_000 }),
    ]);
    const made = join(at, 'film.mp4');
    await film.saveAs(made);
    const spokenFor = once.reduce((sum, each) => sum + each, 0);
    const long = Number(probe(made)['format.duration']);
    expect(long).toBeGreaterThan(spokenFor);
    expect(long).toBeLessThan(spokenFor + 10 * 2.2);
  },
);
