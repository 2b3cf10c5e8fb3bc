import { defineConfig } from '@playwright/test';

const WALKS = /(wander|dragged)\.spec/;
/** Some measure what is heard, some kill workers, some fill the queue: nothing else goes on beside them. */
const ALONE = /(any-fault|clip-plays|faults|firefox|in-one-go|own-voice|path|races|recording|sounds-alike)\.spec/;
const CONTROLS = /zz-every-control\.spec/;

// The application is started by bin/test, on its own port and database.
export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: 'var/playwright',
  timeout: 240_000,
  expect: { timeout: 20_000 },
  workers: 2,
  projects: [
    // Each of these, and of the next, begins with a class or a story of its own, and may be tried again; the path may not.
    // Which were is told at the end (briefly.ts).
    { name: 'alone', testMatch: ALONE, workers: 1, retries: 1 },
    { name: 'purpose', testIgnore: [WALKS, CONTROLS, ALONE], dependencies: ['alone'], retries: 1 },
    { name: 'walks', testMatch: WALKS, dependencies: ['purpose'], fullyParallel: true },
    { name: 'controls', testMatch: CONTROLS, dependencies: ['walks'] },
  ],
  retries: 0,
  reporter: [['list'], ['./tests/e2e/briefly.ts']],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:8080',
    viewport: { width: 1280, height: 800 },
    permissions: ['microphone', 'camera'],
    // What a trace writes down of every act costs a sixth of the time: ask for it by --trace on.
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
  globalSetup: './tests/e2e/setup.ts',
});
