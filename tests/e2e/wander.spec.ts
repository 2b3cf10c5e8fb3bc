import { NAMING, note } from './support/controls';
import { signIn } from './support/people';
import { random } from './support/random';
import { expect, test, type Browser, type ElementHandle, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * Walks through every place at random and does what nobody planned: types odd things, chooses several, drags, presses
 * keys, goes back, reloads, loses the network. The same seed walks the same way as far as the machine lets it.
 */
/** More by hand, and by other seeds. */
const ACTS = Number(process.env.WANDER_ACTS ?? 120);
/** Milliseconds after which a page has told of all that it could not have. */
const LATE = 3000;
/** Other walks by hand: it is added to every seed. */
const OTHER = Number(process.env.WANDER_SEED ?? 0);
const ODD = [
  '',
  'x'.repeat(400),
  '-1',
  '7',
  '0',
  '1e9',
  '👩‍👩‍👧 🌊',
  'שלום עולם',
  'مرحبا',
  '<b onclick=1>&amp;</b>',
  '  ',
  "'; --",
];
const KEYS =
  'Tab ArrowUp ArrowDown ArrowLeft ArrowRight Enter Space Escape Delete Home End PageDown ? n p l d h x r'.split(' ');
const CHORDS =
  'Alt+c Alt+ArrowUp Alt+ArrowDown Alt+p Control+z Control+Shift+z Shift+ArrowDown Control+a Shift+Tab'.split(' ');

declare global {
  interface Window {
    controlsOf: (root: Document) => Element[];
    nameOfControl: (element: Element) => string;
  }
}

/** Files of every kind, for whatever asks for one: pictures and sounds that are not the sample's, and odd ones. */
function files(): string[] {
  const at = mkdtempSync(join(tmpdir(), 'wander-'));
  const make = (name: string, ...how: string[]) => {
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 'lavfi', ...how, join(at, name)]);
    return join(at, name);
  };
  const put = (name: string, text: string) => {
    writeFileSync(join(at, name), text);
    return join(at, name);
  };
  return [
    make('1 fern.jpg', '-i', 'mandelbrot=s=1600x1200', '-frames:v', '1'),
    make('2 tall.png', '-i', 'testsrc2=s=600x1100', '-frames:v', '1'),
    make('3 small.jpg', '-i', 'rgbtestsrc=s=320x200', '-frames:v', '1'),
    make('4 weir.mp4', '-i', 'testsrc2=s=320x180:r=25:d=2', '-f', 'lavfi', '-i', 'sine=200:d=2', '-pix_fmt', 'yuv420p'),
    make('tone.wav', '-i', 'sine=300:d=2'),
    make('hum.mp3', '-i', 'sine=120:d=4'),
    put('lines.srt', '1\n00:00:00,500 --> 00:00:02,000\nHello\n'),
    put('words.txt', 'Just words.'),
    put('broken.jpg', 'not a picture'),
    put('empty.png', ''),
  ];
}

class Walk {
  readonly troubles: string[] = [];
  readonly met = new Map<string, number>();
  done = 0;
  private films = 0;
  /** Until when what could not be had is no wonder. */
  private cut = 0;

  constructor(
    readonly page: Page,
    private readonly dice: () => number,
    private readonly name: string,
    private readonly touch: boolean,
    private readonly starts: string[],
    private readonly files: string[],
  ) {
    page.on('pageerror', (error) => this.troubles.push(`page error: ${error.message}\n${error.stack ?? ''}`));
    page.on('console', (message) => {
      if (message.type() !== 'error') return;
      // A refusal in so many words, or a network that is cut on purpose, is no trouble.
      if (/status of 4\d\d|ERR_INTERNET_DISCONNECTED|ERR_NETWORK|Failed to fetch/.test(message.text())) return;
      // The page was left while its worker was looked for anew: it is at the next visit, and offline.spec.ts has it work.
      if (message.text() === 'An unknown error occurred when fetching the script.') return;
      // The same, where the page's own worker has looked for what is kept.
      if (/ERR_FAILED/.test(message.text()) && Date.now() < this.cut) return;
      this.troubles.push(`console: ${message.text()}`);
    });
    page.on('response', (response) => {
      if (response.status() >= 500) this.troubles.push(`answer ${response.status()}: ${response.url()}`);
    });
    page.on('dialog', (dialog) => void dialog.accept().catch(() => undefined));
    page.on('filechooser', (chooser) => {
      const chosen = chooser.isMultiple() ? this.files.filter(() => this.dice() < 0.4) : [this.pick(this.files)];
      void chooser.setFiles(chosen).catch(() => undefined);
    });
  }

  private pick<T>(from: readonly T[]): T {
    return from[Math.floor(this.dice() * from.length)] as T;
  }

  /** The controls that are to be seen now, by their names. */
  private async controls(): Promise<{ name: string; at: number }[]> {
    return this.page.evaluate(() =>
      window.controlsOf(document).flatMap((element, at) => {
        const box = element.getBoundingClientRect();
        const seen = box.width > 0 && box.height > 0 && element.checkVisibility({ visibilityProperty: true });
        const off = element.matches(':disabled, [aria-disabled=true], [data-disabled=true]');
        return seen && !off ? [{ name: window.nameOfControl(element), at }] : [];
      }),
    );
  }

  /** The control, unless the page has put another one in its place meanwhile. */
  private async handle({ at, name }: { at: number; name: string }): Promise<ElementHandle<HTMLElement> | null> {
    const found = await this.page.evaluateHandle(
      ([n, called]) => {
        const element = window.controlsOf(document)[n as number];
        return element && window.nameOfControl(element) === called ? element : null;
      },
      [at, name],
    );
    return found.asElement() as ElementHandle<HTMLElement> | null;
  }

  private async press(): Promise<void> {
    const all = await this.controls();
    for (const { name } of all) if (!this.met.has(name)) this.met.set(name, 0);
    // What nobody has tried yet is tried first, most of the time.
    const fresh = all.filter(({ name }) => this.met.get(name) === 0);
    const one = this.pick(fresh.length > 0 && this.dice() < 0.7 ? fresh : all);
    if (!one || /Sign out|Load the page again/.test(one.name)) return;
    if (/Make (it again|the film)/.test(one.name) && (this.films += 1) > 2) return;
    const element = await this.handle(one);
    if (!element) return;
    this.met.set(one.name, (this.met.get(one.name) ?? 0) + 1);
    const options = { timeout: 1500 };
    if (one.name.startsWith('field') && this.dice() < 0.8) {
      const odd = this.pick(ODD);
      // Into a number or a day nothing odd can be put, only typed.
      if (await element.evaluate((input) => /^(number|date)$/.test((input as HTMLInputElement).type))) {
        await element.focus();
        await this.page.keyboard.press('Control+a');
        await this.page.keyboard.type(odd.slice(0, 20));
      } else await element.fill(odd, options);
      if (this.dice() < 0.5) await this.page.keyboard.press(this.pick(['Enter', 'Tab', 'Escape']));
    } else if (one.name.startsWith('select')) {
      const values = await element.evaluate((s) =>
        [...(s as unknown as HTMLSelectElement).options].map((o) => o.value),
      );
      if (values.length > 0) await element.selectOption(this.pick(values), options);
    } else if (/^(range|slider)/.test(one.name)) {
      await element.focus();
      await this.page.keyboard.press(this.pick(['ArrowLeft', 'ArrowRight', 'Home', 'End', 'PageUp']));
    } else if (one.name.startsWith('file')) {
      await element.evaluate((input) => input.parentElement?.focus());
    } else if (this.touch) {
      await element.tap({ ...options, force: true });
    } else {
      const modifiers = one.name.startsWith('row') ? this.pick([[], ['Control'], ['Shift']] as const) : [];
      await element.click({ ...options, modifiers: [...modifiers], force: this.dice() < 0.3 });
    }
  }

  private async drag(): Promise<void> {
    const slides = this.page.getByRole('row');
    const count = await slides.count();
    if (count < 2) return;
    const [from, to] = [Math.floor(this.dice() * count), Math.floor(this.dice() * count)];
    await slides.nth(from).dragTo(slides.nth(to), {
      sourcePosition: { x: 12, y: 12 },
      targetPosition: { x: 60, y: 4 },
      timeout: 2500,
    });
  }

  private async act(): Promise<void> {
    const chance = this.dice();
    if (chance < 0.72) await this.press();
    else if (chance < 0.82) await this.page.keyboard.press(this.pick(KEYS));
    else if (chance < 0.88) await this.page.keyboard.press(this.pick(CHORDS));
    else if (chance < 0.91) await this.drag();
    else if (chance < 0.93) {
      await this.page.goBack({ timeout: 3000 });
      // Before the first page there is none.
      if (this.page.url() === 'about:blank') await this.page.goto('/');
    } else if (chance < 0.94) await this.page.reload({ timeout: 8000 });
    else if (chance < 0.97) await this.page.goto(this.pick(this.starts), { timeout: 8000 });
    else if (chance < 0.98) await this.resize(this.pick([390, 800, 1280]));
    else {
      const context = this.page.context();
      this.cut = Infinity;
      await context.setOffline(true);
      await this.press().catch(() => undefined);
      await this.page.waitForTimeout(700);
      await context.setOffline(false);
      this.cut = Date.now() + LATE;
    }
  }

  /** What no act may lead to. */
  private async look(what: string): Promise<void> {
    const state = await this.page
      .evaluate(() => ({
        text: document.getElementById('root')?.innerText.trim().length ?? 0,
        broken: [...document.querySelectorAll('[role=alert]')].some((a) => /stopped working/.test(a.textContent ?? '')),
      }))
      .catch(() => null);
    if (!state) return; // Between two pages.
    if (state.text < 10) {
      // A page that is still being fetched is given a moment.
      await this.page.waitForTimeout(2500);
      const again = await this.page
        .evaluate(() => document.getElementById('root')?.innerText.trim().length ?? 0)
        .catch(() => null);
      if (again !== null && again < 10) this.troubles.push(`${what}: the page is empty at ${this.page.url()}`);
    }
    if (state.broken) {
      this.troubles.push(`${what}: a place stopped working at ${this.page.url()}`);
      await this.page.reload();
    }
  }

  async go(acts: number): Promise<void> {
    for (let n = 0; n < acts && this.troubles.length === 0; n += 1) {
      try {
        if ((await this.page.getByRole('heading', { name: 'Sign in', exact: true }).count()) > 0)
          await signIn(this.page, this.name);
        await this.act();
        this.done += 1;
      } catch (error) {
        // What is covered or gone meanwhile cannot be pressed by a person either.
        if (
          !/Timeout|intercepts|detached|not visible|not attached|navigat|closed|outside|not stable|Execution context/i.test(
            String(error),
          )
        )
          this.troubles.push(`act ${n}: ${String(error)}`);
      }
      await this.look(`act ${n}`);
    }
  }

  /** A window that fills the screen has the size of that, until the browser has made it a window again. */
  private async resize(width: number): Promise<void> {
    await this.page.evaluate(() => document.fullscreenElement && document.exitFullscreen());
    await expect(() => this.page.setViewportSize({ width, height: 800 })).toPass({ timeout: 10_000 });
  }

  /** Nothing that was done waits to be saved. */
  async settle(): Promise<void> {
    await this.resize(1280);
    const states = this.page.getByRole('status').filter({ hasText: /^(Saving|Not saved)/ });
    await expect(states).toHaveCount(0, { timeout: 60_000 });
  }
}

/** A story of the walker's own: pictures and no voice. */
async function own(page: Page, pictures: string[]): Promise<string> {
  await page.getByRole('button', { name: 'Begin a story' }).click();
  await page.getByLabel('What is it called?').fill('A walk of my own');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByRole('row')).toHaveCount(1);
  await page.locator('input[type=file]').first().setInputFiles(pictures);
  await expect(page.getByRole('row')).toHaveCount(1 + pictures.length, { timeout: 60_000 });
  return new URL(page.url()).pathname;
}

async function begin(browser: Browser, name: string, size: { width: number; height: number }) {
  const touch = size.width < 500;
  const context = await browser.newContext({
    viewport: size,
    hasTouch: touch,
    isMobile: touch,
    permissions: ['microphone'],
  });
  await context.addInitScript(NAMING);
  const page = await context.newPage();
  await signIn(page, name);
  return { page, touch };
}

/** Many acts are for stories, which not all have. */
const walks: {
  seed: number;
  name: string;
  size: { width: number; height: number };
  fresh: boolean;
  sample: string | null;
  share?: number;
}[] = [
  { seed: 1, name: 'wren', size: { width: 1280, height: 800 }, fresh: true, sample: null },
  { seed: 2, name: 'juno', size: { width: 390, height: 844 }, fresh: true, sample: 'Who Turns the Wheel?' },
  { seed: 3, name: 'maren', size: { width: 1280, height: 800 }, fresh: true, sample: null },
  {
    seed: 4,
    name: 'tilda',
    size: { width: 1280, height: 800 },
    fresh: false,
    sample: 'The Mill That Borrowed the Moon',
  },
  { seed: 5, name: 'edda', size: { width: 800, height: 1100 }, fresh: false, sample: null, share: 0.4 },
];
for (const { seed, name, size, fresh, sample, share = 1 } of walks) {
  test(`a walk at random, seed ${seed}: ${name} at ${size.width}`, { tag: '@deep' }, async ({ browser }) => {
    test.setTimeout(900_000);
    const { page, touch } = await begin(browser, name, size);
    const all = files();
    const starts = ['/'];
    const desk = (await (await page.request.get('/api/desk')).json()) as {
      assignments: { id: string }[];
      stories: { id: string; title: string; handIn: { id: string } | null }[];
      classrooms: { id: string; assignments: { id: string }[] }[];
    };
    // By whatever name it goes by now: an earlier walk may have changed it.
    const known = sample ? (desk.stories.find((s) => s.title === sample) ?? desk.stories.at(-1)) : undefined;
    const stories = [...(known ? [`/stories/${known.id}`] : []), ...(fresh ? [await own(page, all.slice(0, 4))] : [])];
    for (const story of stories) {
      starts.push(story, story, `${story}/booth`, `${story}/film`);
      const { assets } = (await (await page.request.get(`/api${story}`)).json()).story as {
        assets: Record<string, { kind: string }>;
      };
      const voice = Object.keys(assets).find((id) => assets[id]?.kind === 'voice');
      if (voice) starts.push(`${story}/split?voices=${voice}`);
    }
    for (const assignment of desk.classrooms.flatMap((c) => c.assignments)) {
      const { handIns } = await (await page.request.get(`/api/assignments/${assignment.id}`)).json();
      starts.push(
        `/assignments/${assignment.id}`,
        `/assignments/${assignment.id}/task`,
        `/assignments/${assignment.id}/rubric`,
        `/assignments/${assignment.id}/screening`,
        ...(handIns as { id: string }[]).map((h) => `/handins/${h.id}`),
      );
    }
    for (const { id } of desk.assignments) starts.push(`/assignments/${id}/watched`);
    for (const { handIn } of desk.stories) if (handIn) starts.push(`/handins/${handIn.id}`);
    if (name === 'edda') starts.push('/school', '/school', '/join', '/account');
    if (name === 'maren') starts.push('/account');
    for (const { id } of desk.classrooms) starts.push(`/classes/${id}`, `/classes/${id}/cards`, `/classes/${id}/task`);
    const walk = new Walk(page, random(seed + OTHER), name, touch, starts, all);
    const acts = Math.round(ACTS * share);
    await walk.go(acts);
    await walk.settle().catch((error: unknown) => walk.troubles.push(`at the end: ${String(error)}`));
    note('met', walk.met.keys());
    const list = [...walk.met].sort().map(([control, times]) => `${String(times).padStart(4)}  ${control}`);
    console.log(`Seed ${seed}: ${walk.done} acts, ${walk.met.size} controls met\n${list.join('\n')}`);
    expect(walk.troubles).toEqual([]);
    expect(walk.done, 'most acts can be done').toBeGreaterThan(acts * 0.6);
    await page.context().close();
  });
}
