import type { CDPSession, Page } from '@playwright/test';
import { inApp } from './in-page';

/** What the page still holds after long work: its heap, and the addresses it has given to pictures. */

interface Held {
  /** Bytes of script after everything unused was cleared. */
  heap: number;
  /** Addresses made by `createObjectURL` and not given back. */
  urls: number;
}

/** Counts the addresses of pictures; put in before anything runs. */
const COUNT_URLS = `{
  const held = (window.__urls = new Set());
  const { createObjectURL, revokeObjectURL } = URL;
  URL.createObjectURL = (blob) => {
    const url = createObjectURL(blob);
    held.add(url);
    return url;
  };
  URL.revokeObjectURL = (url) => {
    held.delete(url);
    revokeObjectURL(url);
  };
}`;

async function heldBy(page: Page, tools: CDPSession): Promise<Held> {
  // Addresses that were shown are given back a moment after they no longer are.
  await page.waitForTimeout(6000);
  await tools.send('HeapProfiler.collectGarbage');
  const { usedSize } = await tools.send('Runtime.getHeapUsage');
  return { heap: usedSize, urls: await page.evaluate('window.__urls.size') };
}

function report(what: string, before: Held, after: Held): void {
  const grown = after.heap / before.heap - 1;
  console.log(
    `${what}: heap ${(before.heap / 1e6).toFixed(1)} to ${(after.heap / 1e6).toFixed(1)} MB (${(100 * grown).toFixed(0)} %), addresses of pictures ${before.urls} to ${after.urls}`,
  );
}

const WORK = { edits: 200, zooms: 100, visits: 30 };

/** Edits and zooms on the postcard, then visits to Hand-off and back, each of which shows all its pages. */
export const memoryInPage = (): Promise<void> =>
  inApp(async (page, tools) => {
    await page.addInitScript(COUNT_URLS);
    await page.reload();
    await page.locator('a[href*="piece=postcard"]').first().click();
    await page.locator('[data-element] image').first().waitFor();
    await page.locator('main [data-element="postcard-e5"]').click();
    const edit = async (times: number): Promise<void> => {
      for (let i = 0; i < times; i++) {
        await page.keyboard.press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft');
        await page.waitForTimeout(30);
      }
    };
    // The steps that can be undone are part of the work: they are there before.
    await edit(10);
    await page.getByText(/total ink \d+ %/).waitFor();
    const start = await heldBy(page, tools);
    await edit(WORK.edits);
    report(`${WORK.edits} edits on the postcard`, start, await heldBy(page, tools));
    await page.keyboard.down('Control');
    for (let i = 0; i < WORK.zooms; i++) {
      await page.mouse.wheel(0, i % 20 < 10 ? -60 : 60);
      await page.waitForTimeout(40);
    }
    await page.keyboard.up('Control');
    report(`${WORK.zooms} zooms`, start, await heldBy(page, tools));
    const rooms = page.getByRole('navigation', { name: 'Rooms' });
    const visit = async (): Promise<void> => {
      await rooms.getByRole('link', { name: 'Hand-off', exact: true }).click();
      await page.getByRole('tab').first().waitFor();
      await page.waitForTimeout(300);
      await rooms.getByRole('link', { name: 'Layout', exact: true }).click();
      await page.locator('[data-element] image').first().waitFor();
    };
    await visit();
    const visited = await heldBy(page, tools);
    for (let i = 0; i < WORK.visits; i++) await visit();
    report(`${WORK.visits} visits to Hand-off`, visited, await heldBy(page, tools));
  });
