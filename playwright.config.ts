import { defineConfig } from '@playwright/test';

const WALKS = /(wander|dragged)\.spec/;
/** Some measure what is heard, some kill workers, some fill the queue: nothing else goes on beside them. */
const ALONE = /(clip-plays|faults|own-voice|path|races|recording|sounds-alike)\.spec/;
const CONTROLS = /zz-every-control\.spec/;

// The application is started by bin/test, on its own port and database.
export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: 'var/playwright',
  timeout: 240_000,
  expect: { timeout: 20_000 },
  workers: 2,
  projects: [
    { name: 'alone', testMatch: ALONE, workers: 1 },
    { name: 'purpose', testIgnore: [WALKS, CONTROLS, ALONE], dependencies: ['alone'] },
    { name: 'walks', testMatch: WALKS, dependencies: ['purpose'], fullyParallel: true },
    { name: 'controls', testMatch: CONTROLS, dependencies: ['walks'] },
  ],
  // The path is one story told from its beginning: a test of it cannot be tried again by itself.
  retries: 0,
  reporter: 'list',
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:8080',
    viewport: { width: 1280, height: 800 },
    permissions: ['microphone', 'camera'],
    // What a trace writes down of every act costs a sixth of the time: ask for it by --trace on.
    launchOptions: {
      executablePath: '/usr/bin/chromium',
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
