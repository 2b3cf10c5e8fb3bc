import { chromium, type BrowserContext, type FullProject } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { signIn } from './support/people';
import { random } from './support/random';
import { signal } from './support/services';
import { type Page, expect, test } from './support/test';

/** Every kind several times; fifty and more by hand. */
const FAULTS = Number(process.env.FAULTS ?? 24);
/** What may happen to somebody who speaks, and whether the page is still there after it. */
const kinds = ['network', 'server', 'page', 'browser', 'reload'] as const;

/** Kills a browser as an empty battery does: it hears nothing of it. */
function kill(profile: string) {
  const all = execFileSync('pgrep', ['-f', `user-data-dir=${profile}`])
    .toString()
    .trim()
    .split('\n');
  for (const pid of all) {
    try {
      process.kill(Number(pid), 'KILL');
    } catch {
      // It ended together with the one above it.
    }
  }
}

/** One who speaks, in a browser of their own: what the page called safe of each recording, and what is there in the end, in seconds. */
async function speaks(name: string, faults: number, seed: number, project: FullProject, baseURL: string | undefined) {
  const profile = mkdtempSync(join(tmpdir(), 'profile-'));
  const { launchOptions, permissions } = project.use;
  const open = async (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(profile, { ...launchOptions, permissions, baseURL });
  const pick = random(seed);
  let context = await open();
  let page: Page = context.pages()[0] ?? (await context.newPage());
  await signIn(page, name);
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByLabel('What is it called?').fill('Whatever happens');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page).toHaveURL(/stories/);
  const story = /stories\/([^/?]+)/.exec(page.url())?.[1] ?? '';

  /** A server that was killed needs a moment. */
  const goes = (address: string) =>
    page.goto(address).then(
      () => true,
      () => page.waitForTimeout(500).then(() => false),
    );
  const enter = async () => {
    for (;;) {
      if (!(await goes(`/stories/${story}/booth`))) continue;
      const record = page.getByRole('button', { name: 'Record' });
      const asked = page.getByLabel('Name');
      await record
        .or(asked)
        .waitFor({ timeout: 15_000 })
        .catch(() => undefined);
      if (await record.isVisible()) break;
      if (await asked.isVisible()) await signIn(page, name).catch(() => undefined);
    }
    const counts = page.getByRole('switch', { name: 'Count in' });
    if (await counts.isChecked()) await page.getByText('Count in').click();
  };
  /** Of each recording, how many seconds were called safe. */
  const safe: number[] = [];
  const happened: string[] = [];
  await enter();
  for (let fault = 0; fault < faults; fault += 1) {
    const kind = kinds[Math.floor(pick() * kinds.length)] ?? 'page';
    const record = page.getByRole('button', { name: 'Record' });
    await expect(record).toBeEnabled({ timeout: 60_000 });
    await record.click();
    const status = page.getByText(/ of it safe$/);
    await expect(status).toBeVisible({ timeout: 20_000 });
    await page.waitForTimeout(pick() * 1800);
    const told = async () => Number(/0:(\d+) of it safe/.exec((await status.textContent()) ?? '')?.[1]);
    let kept = await told();
    happened.push(kind);
    if (kind === 'network' || kind === 'server') {
      if (kind === 'network') await context.setOffline(true);
      else signal(pick() < 0.5 ? 'fpm' : 'nginx', 'KILL');
      await page.waitForTimeout(pick() * 1500);
      kept = await told();
      // With a lost connection, and with it lost for good until the next visit.
      if (pick() < 0.5) await page.getByRole('button', { name: 'Stop' }).click();
      else await page.close();
      if (kind === 'network') await context.setOffline(false);
    } else if (kind === 'page') await page.close();
    else if (kind === 'reload') await page.reload();
    else kill(profile);
    safe.push(kept);
    if (kind === 'browser') {
      await context.close().catch(() => undefined);
      context = await open();
    }
    if (kind === 'browser' || page.isClosed()) {
      page = await context.newPage();
      await enter();
    } else if (kind === 'reload') await enter();
  }
  while (!(await goes('/')));
  const takes = async () => {
    const { story: document } = await (await page.request.get(`/api/stories/${story}`)).json();
    return Object.values(document.assets as Record<string, { kind: string; samples: number }>)
      .filter((asset) => asset.kind === 'voice')
      .map(({ samples }) => samples / 48_000);
  };
  await expect.poll(async () => (await takes()).length, { timeout: 400_000, intervals: [1000] }).toBe(faults);
  const there = await takes();
  await context.close();
  return { safe, there, happened };
}

/** Every second that the page called safe is there in the end, whatever happens while one speaks. */
test(
  'faults while three speak: nothing that was called safe is lost',
  { tag: '@deep' },
  async ({ baseURL }, { project }) => {
    test.setTimeout(900_000);
    const who = ['juno', 'wren', 'ivo'];
    const each = Math.ceil(FAULTS / who.length);
    const all = await Promise.all(who.map((name, i) => speaks(name, each, 4242 + i, project, baseURL)));
    const happened = all.flatMap((one) => one.happened);
    const sum = (seconds: number[]) => seconds.reduce((whole, one) => whole + one, 0).toFixed(0);
    console.log(
      `${happened.length} faults (${kinds.map((kind) => `${happened.filter((one) => one === kind).length} ${kind}`).join(', ')}): ` +
        `${sum(all.flatMap(({ safe }) => safe))} s called safe, ${sum(all.flatMap(({ there }) => there))} s there`,
    );
    expect(happened.length).toBeGreaterThanOrEqual(FAULTS);
    for (const { safe, there } of all) {
      // Which is which nobody says: from the longest to the shortest none is shorter than what was called safe.
      const lengths = there.toSorted((a, b) => b - a);
      for (const [i, seconds] of safe.toSorted((a, b) => b - a).entries())
        expect(lengths[i]).toBeGreaterThanOrEqual(seconds);
    }
  },
);
