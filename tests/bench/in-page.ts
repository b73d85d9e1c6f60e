import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { writeJobFile } from '../../core/files/job-file';
import { letterJob } from './letter';

const PORT = 4350;
const home = `http://127.0.0.1:${PORT}`;
const entry = fileURLToPath(new URL('../../dist/server/entry.mjs', import.meta.url));
const KEYS = 'and then there was tea and cake for all who came on foot or by train';

const middle = (sorted: readonly number[], share: number): number => sorted[Math.floor(share * (sorted.length - 1))]!;
const spread = (times: number[]): string => {
  const sorted = [...times].sort((a, b) => a - b);
  return `median ${middle(sorted, 0.5).toFixed(1)} ms, 95th percentile ${middle(sorted, 0.95).toFixed(1)} ms`;
};

/** Types into a letter of 1,000 words in the built app, and tells how long each key takes there. */
export async function typeInPage(): Promise<void> {
  if (!existsSync(entry)) {
    console.log('typing in the page: not measured, the app is not built; run npm run build first');
    return;
  }
  const server = spawn(process.execPath, [entry], { env: { ...process.env, HOST: '127.0.0.1', PORT: String(PORT) } });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    await new Promise((resolve) => setTimeout(resolve, 2000));
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(home);
    const file = Buffer.from(writeJobFile({ job: letterJob(), assets: {} }));
    await page.locator('input[type=file]').first().setInputFiles({ name: 'b.tidyedge', mimeType: '', buffer: file });
    await page.getByRole('link', { name: /Letter/ }).click();
    const letter = page.locator('main [data-element="letter"]');
    await letter.dblclick();
    await page.getByRole('textbox', { name: 'Text', exact: true }).press('Control+End');
    // From the key to the stage's new drawing, by the page's own clock.
    await page.evaluate(() => {
      const waits: number[] = [];
      let pressed = 0;
      window.addEventListener('keydown', () => (pressed = performance.now()), true);
      new MutationObserver(() => {
        if (pressed > 0) waits.push(performance.now() - pressed);
        pressed = 0;
      }).observe(document.querySelector('main [data-element="letter"]')!, {
        subtree: true,
        attributes: true,
        childList: true,
      });
      Object.assign(window, { waits });
    });
    // All the thread's work of a key, checks included: script, style and layout.
    const tools = await page.context().newCDPSession(page);
    await tools.send('Performance.enable');
    const worked = async (): Promise<number> => {
      const { metrics } = await tools.send('Performance.getMetrics');
      return 1000 * (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0);
    };
    const work: number[] = [];
    for (const key of KEYS) {
      const before = await worked();
      await page.keyboard.type(key);
      await page.waitForTimeout(120);
      work.push((await worked()) - before);
    }
    const waits = await page.evaluate(() => (window as unknown as { waits: number[] }).waits);
    console.log(`one key in the page, until the stage shows it: ${spread(waits)} (${waits.length} keys)`);
    console.log(`one key in the page, all work of its thread, checks included: ${spread(work)}`);
  } finally {
    await browser.close();
    server.kill();
  }
}
