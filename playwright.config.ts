import { defineConfig } from '@playwright/test';
import { CHROMIUM, QUIET } from './tests/browser';

const PORT = 4330;

export default defineConfig({
  testDir: 'tests/e2e',
  // Its own folder: Playwright empties it, and the other results lie beside it.
  outputDir: 'test-results/e2e',
  timeout: 240_000,
  // A loaded machine takes its time to lay out the first piece.
  expect: { timeout: 40_000 },
  workers: 2,
  fullyParallel: true,
  reporter: [['list'], ['./tests/e2e/counted.ts']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    // Keeping all of the app's files costs each test seconds; the test of working offline asks for it.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    // A trace costs a quarter of the time; ask for one with --trace on.
    trace: 'off',
    launchOptions: {
      executablePath: CHROMIUM,
      args: QUIET,
    },
  },
  webServer: {
    command: 'node ./scripts/serve.mjs',
    url: `http://127.0.0.1:${PORT}/`,
    env: {
      HOST: '127.0.0.1',
      PORT: String(PORT),
      ASTRO_TELEMETRY_DISABLED: '1',
      TIDY_DATA: 'test-results/counter',
      // What takes a shop days is soon there.
      TIDY_DAY_MS: '400',
    },
    reuseExistingServer: false,
    timeout: 60_000,
  },
});
