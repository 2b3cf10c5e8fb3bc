import { defineConfig } from '@playwright/test';

/** Which check it is: what each leaves lies under var/gate and var/deep. */
const check = process.env.RHAPSODE_CHECK ?? 'gate';
/** Milliseconds that a whole run may take: bin/test tells what is left of its own time. */
const left = Number(process.env.GLOBAL_LIMIT ?? 0) * 1000;

// The application is started by bin/test, on its own port and database.
export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: `var/${check}/tries`,
  timeout: 120_000,
  ...(left > 0 ? { globalTimeout: left } : {}),
  expect: { timeout: 30_000 },
  projects: [
    // What must be right before a change lands. A real fault fails both tries; what is right only at the second is told by its name,
    // and more than two of those are a fault too (support/told.ts).
    { name: 'gate', grepInvert: /@deep/, retries: 1, use: { trace: 'on-first-retry' } },
    // What needs luck, a clock, dice, large media or a killed server: one after another, with a report of each.
    { name: 'deep', grep: /@deep/, retries: 0, workers: 1, timeout: 240_000, use: { trace: 'retain-on-failure' } },
  ],
  workers: 2,
  reporter: [
    ['list'],
    ['./tests/e2e/support/told.ts'],
    ['json', { outputFile: `var/${check}/browser.json` }],
    ['html', { outputFolder: `var/${check}/browser`, open: 'never' }],
  ],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:8080',
    viewport: { width: 1280, height: 800 },
    permissions: ['microphone', 'camera'],
    launchOptions: {
      // The same browser without a window to draw: a sixth less work. /usr/bin/chromium runs them too.
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
        `--use-file-for-fake-audio-capture=${process.cwd()}/var/e2e-voice.wav`,
      ],
    },
  },
  globalSetup: './tests/e2e/support/setup.ts',
});
