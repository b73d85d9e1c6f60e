import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, test as plain } from '@playwright/test';
import { CHROMIUM, QUIET } from '../browser';

/**
 * For tests that begin with an empty shelf: those of a worker share one browser, which keeps the app's compiled files as a
 * person's does, and all that the app keeps is cleared before each.
 */
export const test = plain.extend<{ context: BrowserContext }, { profile: BrowserContext }>({
  profile: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads what a fixture asks for off its first parameter
    async ({}, use, { project }) => {
      const folder = mkdtempSync(join(tmpdir(), 'tidy-e2e-'));
      const context = await chromium.launchPersistentContext(folder, {
        executablePath: CHROMIUM,
        args: QUIET,
        baseURL: project.use.baseURL!,
        viewport: { width: 1280, height: 800 },
        serviceWorkers: 'block',
        acceptDownloads: true,
      });
      await use(context);
      await context.close();
      rmSync(folder, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
    },
    { scope: 'worker' },
  ],
  context: async ({ profile, baseURL }, use) => {
    // A browser ends with its last page.
    const blank = await profile.newPage();
    const tools = await profile.newCDPSession(blank);
    await tools.send('Storage.clearDataForOrigin', {
      origin: new URL(baseURL!).origin,
      storageTypes: 'indexeddb,local_storage',
    });
    await use(profile);
    for (const page of profile.pages()) if (page !== blank) await page.close();
    await profile.unrouteAll();
    await blank.close();
  },
});
