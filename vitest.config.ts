import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    environment: 'node',
    include: ['tests/core/**/*.test.ts', 'tests/outside/**/*.test.ts', 'tests/store/**/*.test.ts'],
    pool: 'forks',
    // Most of the time other programs do the work: every core can have a test of its own.
    maxWorkers: '100%',
    testTimeout: 60_000,
    hookTimeout: 120_000,
  },
});
