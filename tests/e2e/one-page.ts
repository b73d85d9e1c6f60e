import { readFileSync } from 'node:fs';
import { type Page, test as plain } from '@playwright/test';
import { readJobFile } from '../../core/files/job-file';
import { SHELF } from '../../workers/shelf-files';
import { element } from './bench';

/**
 * For tests of what one does with the demo card: those of a worker share one page, as one's day does, and each has a
 * copy of the demo job of its own. What the app remembers for the next job, such as the point that X and Y are measured from, is
 * put back by the test that changed it.
 */

const { job } = readJobFile(new Uint8Array(readFileSync('demo/hollin-and-fen.tidyedge')));

/**
 * Puts a copy on the shelf beside the demo job, whose pictures it shares, and goes to its card by a link. Taking a file in is
 * what other tests are of, and costs each of these a second.
 */
async function openCopy(page: Page, number: number): Promise<void> {
  // A dialog that is still open hides everything else.
  while ((await page.getByRole('dialog').count()) > 0) await page.keyboard.press('Escape');
  const id = `copy-${number}`;
  await page.evaluate(
    async ({ row, shelf }) => {
      const opened = indexedDB.open(shelf);
      await new Promise((done, failed) => Object.assign(opened, { onsuccess: done, onerror: failed }));
      const putting = opened.result.transaction('jobs', 'readwrite');
      putting.objectStore('jobs').put(row);
      await new Promise((done, failed) => Object.assign(putting, { oncomplete: done, onerror: failed }));
      opened.result.close();
      const link = document.body.appendChild(document.createElement('a'));
      link.href = `/layout?job=${row.id}&piece=card`;
      link.click();
      link.remove();
    },
    { row: { id, changed: job.changed, at: 0, job: { ...job, id } }, shelf: SHELF },
  );
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
