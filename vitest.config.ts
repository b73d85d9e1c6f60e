import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    environment: 'node',
    include: ['tests/core/**/*.test.ts', 'tests/outside/**/*.test.ts', 'tests/{store,parts}/**/*.test.ts'],
    // The command line is made once, before any test runs it.
    globalSetup: ['tests/bundled.ts'],
    // Dexie looks for a database when it is loaded, by whichever test file of a process comes first.
    setupFiles: ['fake-indexeddb/auto'],
    pool: 'forks',
    // Most of the time other programs do the work: every core can have a test of its own.
    maxWorkers: '100%',
    // Fonts, profiles and wasm are loaded once a process and not once a file: half of the time.
    isolate: false,
    // Only what hangs is stopped: how long work takes depends on what else the machine does.
    testTimeout: 300_000,
    hookTimeout: 300_000,
  },
});
