import { expect, test } from '@playwright/test';
import { killOnce, seeded } from '../kill/kill';

test.describe.configure({ mode: 'parallel' });

for (const part of [1, 2])
  test(`a browser that is killed five times in the middle of the work opens the job again as it was, part ${part}`, async ({
    baseURL,
  }) => {
    const random = seeded(part);
    for (let i = 0; i < 5; i++) {
      const { readable, lost, edits } = await killOnce(baseURL!, random);
      expect(readable).toBe(true);
      expect(edits).toBeGreaterThan(0);
      expect(lost ?? 0).toBeLessThan(250);
    }
  });
