import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    environment: 'node',
    include: ['tests/core/**/*.test.ts', 'tests/outside/**/*.test.ts', 'tests/store/**/*.test.ts'],
    pool: 'forks',
    testTimeout: 60_000,
    hookTimeout: 120_000,
  },
});
