import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Page, test as plain } from '@playwright/test';
import { readJobFile, writeJobFile } from '../../core/files/job-file';
import { element } from './bench';

/**
 * For tests of what one does with the demo card: those of a worker share one page, as one's day does, and each has a
 * copy of the demo job of its own. What the app remembers for the next job, such as the point that X and Y are measured from, is
 * put back by the test that changed it.
 */

const demo = readJobFile(new Uint8Array(readFileSync('demo/hollin-and-fen.tidyedge')));

async function openCopy(page: Page, number: number): Promise<void> {
  const { job, assets } = demo;
  // A dialog that is still open hides everything else.
  while ((await page.getByRole('dialog').count()) > 0) await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Tidy Edge: all jobs' }).click();
  // A file on the disk is chosen as a person does: bytes handed over would be decoded in the page, which takes longer.
  const folder = mkdtempSync(join(tmpdir(), 'tidy-copy-'));
  const file = join(folder, 'copy.tidyedge');
  writeFileSync(file, writeJobFile({ job: { ...job, id: `copy-${number}` }, assets }));
  await page.getByLabel('Job file').setInputFiles(file);
  await page.locator(`a[href*="layout?job=copy-${number}&piece=card"]`).first().click();
  rmSync(folder, { recursive: true });
}

export const test = plain.extend<{ page: Page }, { kept: { page: Page; opened: number } }>({
  kept: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
      await use({ page: await context.newPage(), opened: 0 });
      await context.close();
    },
    { scope: 'worker' },
  ],
  page: async ({ kept, baseURL }, use) => {
    if (kept.opened++ === 0) await kept.page.goto(`${baseURL}/layout?job=hollin-and-fen&piece=card`);
    else await openCopy(kept.page, kept.opened);
    await element(kept.page, 'name').waitFor();
    await use(kept.page);
  },
});
