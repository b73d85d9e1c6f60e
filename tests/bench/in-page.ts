import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { CDPSession, Page } from '@playwright/test';
import { writeJobFile } from '../../core/files/job-file';
import type { Job } from '../../core/job/schema';
import { openBrowser } from '../browser';
import { crowdedJob, wetCard } from './drag';
import { letterJob } from './letter';

const PORT = 4350;
const home = `http://127.0.0.1:${PORT}`;
const entry = fileURLToPath(new URL('../../scripts/serve.mjs', import.meta.url));
const KEYS = 'and then there was tea and cake for all who came on foot or by train';

const middle = (sorted: readonly number[], share: number): number => sorted[Math.floor(share * (sorted.length - 1))]!;
const spread = (times: number[]): string => {
  const sorted = [...times].sort((a, b) => a - b);
  return `median ${middle(sorted, 0.5).toFixed(1)} ms, 95th percentile ${middle(sorted, 0.95).toFixed(1)} ms`;
};

/** Opens the built app, in a browser of its own; `work` does the rest. */
export async function inApp(work: (page: Page, tools: CDPSession) => Promise<void>): Promise<void> {
  if (!existsSync(entry)) {
    console.log('in the page: not measured, the app is not built; run npm run build first');
    return;
  }
  const server = spawn(process.execPath, [entry], { env: { ...process.env, HOST: '127.0.0.1', PORT: String(PORT) } });
  const browser = await openBrowser();
  try {
    await new Promise((resolve) => setTimeout(resolve, 2000));
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const tools = await page.context().newCDPSession(page);
    await tools.send('Performance.enable');
    await page.goto(home);
    await work(page, tools);
  } finally {
    await browser.close();
    server.kill();
  }
}

/** Opens a job in the built app. */
const inJob = (job: Job, work: (page: Page, tools: CDPSession) => Promise<void>): Promise<void> =>
  inApp(async (page, tools) => {
    const file = Buffer.from(writeJobFile({ job, assets: {} }));
    await page.locator('input[type=file]').first().setInputFiles({ name: 'b.tidyedge', mimeType: '', buffer: file });
    await page.locator(`a[href*="job=${job.id}&piece=${job.pieces[0]!.id}"]`).click();
    await work(page, tools);
  });

const metric = async (tools: CDPSession, wanted: string): Promise<number> => {
  const { metrics } = await tools.send('Performance.getMetrics');
  return 1000 * (metrics.find(({ name }) => name === wanted)?.value ?? 0);
};

/** Counts the frames that the page shows while something goes on, and the script it runs for them. */
async function frames(page: Page, tools: CDPSession, what: string, going: () => Promise<void>): Promise<void> {
  // As text: a function would carry the names that the test runner gives to its inner ones.
  await page.evaluate(`{
    const counted = (window.counted = { frames: 0, running: true, start: performance.now() });
    requestAnimationFrame(function count() {
      counted.frames++;
      if (counted.running) requestAnimationFrame(count);
    });
  }`);
  const before = await metric(tools, 'ScriptDuration');
  await going();
  const script = (await metric(tools, 'ScriptDuration')) - before;
  const { count, took } = await page.evaluate(() => {
    const { counted } = window as unknown as { counted: { frames: number; running: boolean; start: number } };
    counted.running = false;
    return { count: counted.frames, took: performance.now() - counted.start };
  });
  console.log(
    `${what}: ${((1000 * count) / took).toFixed(0)} frames a second, script ${(script / count).toFixed(1)} ms a frame`,
  );
}

const STEPS = 240;

/** Drags, zooms and pans among 300 elements of 40 glyphs each, snapping on. */
export const dragInPage = (): Promise<void> =>
  inJob(crowdedJob(), async (page, tools) => {
    const dragged = page.locator('main [data-element="dragged"]');
    await dragged.waitFor();
    // What is worked out once after opening, plates and spelling, is over by then.
    await page.getByText(/total ink \d+ %/).waitFor();
    await page.waitForTimeout(3000);
    const box = (await dragged.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await frames(page, tools, 'dragging one of 300 elements, snapping on', async () => {
      for (let i = 0; i < STEPS; i++) {
        await page.mouse.move(x + 90 * Math.sin(i / 20), y + 60 * Math.cos(i / 17));
        await page.waitForTimeout(12);
      }
    });
    await page.mouse.up();
    await page.waitForTimeout(1000);
    await frames(page, tools, 'panning over 300 elements', async () => {
      for (let i = 0; i < STEPS; i++) {
        await page.mouse.wheel(10 * Math.cos(i / 15), 10 * Math.sin(i / 15));
        await page.waitForTimeout(12);
      }
    });
    await page.keyboard.down('Control');
    await frames(page, tools, 'zooming over 300 elements', async () => {
      for (let i = 0; i < STEPS; i++) {
        await page.mouse.wheel(0, i % 80 < 40 ? -12 : 12);
        await page.waitForTimeout(12);
      }
    });
    await page.keyboard.up('Control');
  });

/** Types into a letter of 1,000 words in the built app, and tells how long each key takes there. */
export const typeInPage = (): Promise<void> =>
  inJob(letterJob(), async (page, tools) => {
    const letter = page.locator('main [data-element="letter"]');
    await letter.dblclick();
    await page.getByRole('textbox', { name: 'Text', exact: true }).press('Control+End');
    // From the key to the stage's new drawing, by the page's own clock; and what the checks after it take.
    await page.evaluate(() => {
      const waits: number[] = [];
      performance.clearMeasures();
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
    const worked = (): Promise<number> => metric(tools, 'TaskDuration');
    const work: number[] = [];
    for (const key of KEYS) {
      const before = await worked();
      await page.keyboard.type(key);
      await page.waitForTimeout(120);
      work.push((await worked()) - before);
    }
    const { waits, checks } = await page.evaluate(() => ({
      waits: (window as unknown as { waits: number[] }).waits,
      checks: performance.getEntriesByName('checks').map(({ duration }) => duration),
    }));
    // Checks follow a key in a slice of their own, one for several keys when typing is fast: each key is given a whole one.
    const whole = waits.map((wait, i) => wait + checks[Math.floor((i * checks.length) / waits.length)]!);
    console.log(`one key in the page, until the stage shows it: ${spread(waits)} (${waits.length} keys)`);
    console.log(`the checks of the letter in the page: ${spread(checks)} (${checks.length} times)`);
    console.log(`one key in the page, layout, scene, stage and checks: ${spread(whole)}`);
    console.log(`one key in the page, all work of its thread, checks included: ${spread(work)}`);
  });

/** How long after an edit the strip at the foot shows the new total ink of a card. */
export const inksInPage = (): Promise<void> =>
  inJob(wetCard(), async (page) => {
    await page.locator('main [data-element="wet"]').click();
    await page.getByText(/total ink 330 %/).waitFor();
    // As text: a function would carry the names that the test runner gives to its inner ones.
    await page.evaluate(`{
      const waits = (window.waits = []);
      let pressed = 0;
      window.addEventListener('keydown', () => (pressed = performance.now()), true);
      const strip = document.querySelector('[aria-label="Status bar"]');
      const shown = () => /total ink (\\d+) %/.exec(strip.textContent)?.[1] ?? '';
      let before = shown();
      new MutationObserver(() => {
        if (shown() === before || shown() === '') return;
        before = shown();
        if (pressed > 0) waits.push(performance.now() - pressed);
        pressed = 0;
      }).observe(strip, { subtree: true, characterData: true, childList: true });
    }`);
    for (let i = 0; i < 20; i++) {
      // What is wet is taken away, and taken back.
      await page.keyboard.press(i === 0 ? 'Delete' : 'Control+Shift+z');
      await page.waitForTimeout(500);
      await page.keyboard.press('Control+z');
      await page.waitForTimeout(500);
    }
    const waits = await page.evaluate(() => (window as unknown as { waits: number[] }).waits);
    console.log(`the total ink of a card after an edit: ${spread(waits)} (${waits.length} edits)`);
  });
