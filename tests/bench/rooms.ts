import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import type { BrowserContext, Page } from '@playwright/test';
import sharp from 'sharp';
import { hashOf } from '../../core/files/hash';
import { writeJobFile } from '../../core/files/job-file';
import { makePicture } from '../../core/job/make';
import type { Job } from '../../core/job/schema';
import { glasshouse } from '../../demo/glasshouse';
import { openBrowser } from '../browser';
import { openDemo } from '../kit';

/** How long one waits in the built app: loading, rooms, pictures, big jobs. */

const PORT = 4351;
const home = `http://127.0.0.1:${PORT}`;
const served = fileURLToPath(new URL('../../dist/client', import.meta.url));
const layout = (piece: string, job = 'hollin-and-fen'): string => `${home}/layout?job=${job}&piece=${piece}`;

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const ms = (n: number): string => `${Math.round(n)} ms`;

/** When something was first on the page, by the page's own clock; put in before anything runs. */
const WHEN = (selector: string): string => `
  window.__first = undefined;
  new MutationObserver((_, watch) => {
    if (document.querySelector(${JSON.stringify(selector)})) {
      window.__first ??= performance.now();
      watch.disconnect();
    }
  }).observe(document, { childList: true, subtree: true, attributes: true });`;

async function firstLoad(context: BrowserContext): Promise<void> {
  const times: number[] = [];
  const empty: number[] = [];
  let packed = 0;
  for (let i = 0; i < 5; i++) {
    const page = await context.newPage();
    const tools = await context.newCDPSession(page);
    await tools.send('Network.clearBrowserCache');
    await page.goto(`${home}/icon.svg`);
    empty.push(await page.evaluate(() => performance.getEntriesByType('navigation')[0]!.duration));
    await tools.send('Network.clearBrowserCache');
    await page.addInitScript(WHEN('[data-element] path'));
    await page.goto(layout('card'));
    await page.waitForFunction('window.__first !== undefined');
    const { first, loaded } = await page.evaluate(() => {
      const at = (window as unknown as { __first: number }).__first;
      const entries = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
      return { first: at, loaded: entries.filter((e) => e.responseEnd <= at).map((e) => new URL(e.name).pathname) };
    });
    times.push(first);
    packed = loaded
      .filter((name) => /\.(js|wasm)$/.test(name))
      .reduce((sum, name) => sum + gzipSync(readFileSync(`${served}${name}`)).length, 0);
    await page.close();
  }
  const [ours, theirs] = [median(times), median(empty)];
  console.log(
    `first load of Layout from a cold cache: ${ms(ours)} to the first drawing; an empty page of the same server: ${ms(theirs)}; ratio ${(ours / theirs).toFixed(0)}`,
  );
  console.log(`script and wasm before the first drawing of Layout, packed: ${Math.round(packed / 1000)} kB`);
}

/** From the click on a room's link until it is drawn. */
async function toRoom(page: Page, name: string, drawn: string): Promise<number> {
  const seen = page.evaluate(`new Promise((resolve) => {
    document.addEventListener(
      'click',
      () => {
        const start = performance.now();
        requestAnimationFrame(function look() {
          if (document.querySelector(${JSON.stringify(drawn)})) requestAnimationFrame(() => resolve(performance.now() - start));
          else requestAnimationFrame(look);
        });
      },
      { capture: true, once: true },
    );
  })`) as Promise<number>;
  await page
    .getByRole('navigation', { name: 'Rooms' })
    .getByRole('link', { name, exact: true })
    .click({ timeout: 5000 });
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(`${name} was not drawn`)), 15_000);
  });
  return Promise.race([seen, late]).finally(() => clearTimeout(timer));
}

const ROOMS: [string, string][] = [
  ['Inks', 'nav a[aria-current=page][href^="/inks"]'],
  ['Sheet', 'nav a[aria-current=page][href^="/sheet"]'],
  ['Hand-off', 'nav a[aria-current=page][href^="/hand-off"]'],
  ['House style', 'nav a[aria-current=page][href^="/house"]'],
  ['Pieces', 'ul svg[role=img]'],
  ['Layout', '[data-element] path'],
];

async function rooms(context: BrowserContext, piece: string): Promise<void> {
  const page = await context.newPage();
  await page.goto(layout(piece));
  await page.locator('[data-element] path').first().waitFor({ state: 'attached' });
  await page.getByText(/total ink\s*\d+ %/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(3000);
  const took: string[] = [];
  let worst = 0;
  for (const [name, drawn] of ROOMS) {
    const time = await toRoom(page, name, drawn);
    worst = Math.max(worst, time);
    took.push(`${name} ${Math.round(time)}`);
    await page.waitForTimeout(800);
  }
  console.log(`from room to room, ${piece}: ${took.join(', ')} ms; at most ${ms(worst)}`);
  await page.close();
}

/** A photograph put on a piece: when it is first seen, and when as the press has it. */
async function picture(context: BrowserContext, what: string, bytes: Buffer): Promise<void> {
  const page = await context.newPage();
  await page.goto(layout('card'));
  await page.locator('[data-element] path').first().waitFor({ state: 'attached' });
  await page.getByText(/total ink\s*\d+ %/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await page.evaluate(`{
    window.__marks = {};
    window.__long = 0;
    const before = new Set([...document.querySelectorAll('svg[data-face] image')].map((i) => i.getAttribute('href')));
    const known = new Set([...document.querySelectorAll('[data-element]')].map((e) => e.getAttribute('data-element')));
    new MutationObserver(() => {
      const fresh = [...document.querySelectorAll('svg[data-face] [data-element]')].find((e) => !known.has(e.getAttribute('data-element')));
      if (!fresh) return;
      window.__marks.placed ??= performance.now();
      const href = fresh.querySelector('image')?.getAttribute('href');
      if (href && !before.has(href)) {
        window.__marks[window.__marks.first === undefined ? 'first' : 'press'] ??= performance.now();
        before.add(href);
      }
    }).observe(document.body, { childList: true, subtree: true, attributes: true });
    new PerformanceObserver((list) => {
      for (const each of list.getEntries()) window.__long = Math.max(window.__long, each.duration);
    }).observe({ type: 'longtask' });
  }`);
  const tools = await context.browser()!.newBrowserCDPSession();
  const pids = async (): Promise<number[]> =>
    ((await tools.send('SystemInfo.getProcessInfo')) as { processInfo: { type: string; id: number }[] }).processInfo
      .filter(({ type }) => type === 'renderer')
      .map(({ id }) => id);
  const peak = async (): Promise<number> =>
    Math.max(
      ...(await pids()).map((id) => {
        try {
          return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1] ?? 0) / 1000;
        } catch {
          return 0;
        }
      }),
    );
  // From the disk, as a user's is: one handed over in memory is unpacked on the page.
  const folder = mkdtempSync(join(tmpdir(), 'tidy-bench-'));
  const file = join(folder, 'photograph.jpg');
  writeFileSync(file, bytes);
  const before = await peak();
  let most = before;
  const watching = setInterval(() => void peak().then((now) => (most = Math.max(most, now))), 40);
  await page.locator('input[type=file]').first().setInputFiles(file);
  await page.waitForFunction('window.__marks.press !== undefined', undefined, { timeout: 120_000 });
  await page.waitForTimeout(6000);
  clearInterval(watching);
  rmSync(folder, { recursive: true });
  const { marks, long } = (await page.evaluate('({ marks: window.__marks, long: window.__long })')) as {
    marks: { placed: number; first: number; press: number };
    long: number;
  };
  const reference: number[] = [];
  for (let i = 0; i < 3; i++) {
    const start = performance.now();
    await sharp(bytes).resize(1800).jpeg().toBuffer();
    reference.push(performance.now() - start);
  }
  const seen = marks.press - marks.placed;
  console.log(
    `${what}: first seen ${ms(marks.first - marks.placed)} after it was placed, as the press has it ${ms(seen)}; sharp's resize: ${ms(median(reference))}; ratio ${(seen / median(reference)).toFixed(1)}; longest task of the page ${ms(long)}; memory +${Math.round(most - before)} MB`,
  );
  await page.close();
}

/** 60 pieces and 400 pictures. */
async function bigJob(): Promise<Buffer> {
  const { job, assets: demo } = openDemo();
  const assets: Record<string, Uint8Array> = { ...demo };
  const known: Job['assets'] = { ...job.assets };
  for (let i = 0; i < 400; i++) {
    const bytes = new Uint8Array(
      await sharp({
        create: { width: 400, height: 300, channels: 3, background: { r: i % 256, g: (i * 7) % 256, b: 90 } },
      })
        .jpeg()
        .toBuffer(),
    );
    const hash = hashOf(bytes);
    assets[hash] = bytes;
    known[hash] = { name: `Picture ${i}`, type: 'image/jpeg', width: 400, height: 300, space: 'RGB', bits: 8 };
  }
  const hashes = Object.keys(known).filter((hash) => !(hash in demo));
  const pieces = Array.from({ length: 60 }, (_, n) => ({
    ...job.pieces[0]!,
    id: `piece-${n}`,
    name: `Card ${n + 1}`,
    faces: job.pieces[0]!.faces.map((face, f) => ({
      ...face,
      id: `face-${n}-${f}`,
      groups: [],
      elements: [
        ...face.elements.map(({ group: _group, ...e }) => ({ ...e, id: `${e.id}-${n}-${f}` }) as typeof e),
        ...Array.from({ length: 4 }, (_, k) =>
          makePicture({
            id: `picture-${n}-${f}-${k}`,
            x: 10 + 40 * k,
            y: 100,
            width: 30,
            height: 22,
            asset: hashes[(n * 8 + f * 4 + k) % hashes.length]!,
          }),
        ),
      ],
    })),
  }));
  const big: Job = {
    ...job,
    id: 'big',
    name: 'Big job',
    pieces: pieces as Job['pieces'],
    assets: known,
    people: job.people.map(({ picture: _p, ...p }) => p),
  };
  return Buffer.from(writeJobFile({ job: big, assets }));
}

async function big(context: BrowserContext): Promise<void> {
  const page = await context.newPage();
  await page.goto(home);
  await page.locator('[data-element] path').first().waitFor({ state: 'attached' });
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'big.tidyedge', mimeType: '', buffer: await bigJob() });
  await page.getByRole('heading', { name: 'Big job' }).waitFor({ timeout: 60_000 });
  // One tab, as one has it: another that still makes its pictures would be measured with it.
  await page.waitForTimeout(3000);
  await page.close();
  const fresh = await context.newPage();
  const shown = async (at: string): Promise<number> => {
    await fresh.addInitScript(WHEN('[data-element] path'));
    await fresh.goto(at);
    await fresh.waitForFunction('window.__first !== undefined', undefined, { timeout: 30_000 });
    return fresh.evaluate('window.__first') as Promise<number>;
  };
  console.log(
    `60 pieces, 400 pictures: Jobs shows after ${ms(await shown(home))}, Pieces after ${ms(await shown(`${home}/pieces?job=big`))}`,
  );
  await fresh.evaluate(`{
    const counted = (window.counted = { frames: 0, running: true, start: performance.now() });
    requestAnimationFrame(function count() {
      counted.frames++;
      if (counted.running) requestAnimationFrame(count);
    });
  }`);
  await fresh.mouse.move(640, 500);
  for (let i = 0; i < 120; i++) {
    await fresh.mouse.wheel(0, 60);
    await fresh.waitForTimeout(14);
  }
  const rate = (await fresh.evaluate('(1000 * counted.frames) / (performance.now() - counted.start)')) as number;
  console.log(`scrolling its Pieces: ${rate.toFixed(0)} frames a second`);
  await fresh.goto(layout('piece-3', 'big'));
  await fresh.locator('[data-element] path').first().waitFor({ state: 'attached' });
  await fresh.waitForTimeout(3000);
  await fresh.evaluate(
    `window.__long = []; new PerformanceObserver((l) => window.__long.push(...l.getEntries().map((e) => e.duration))).observe({ type: 'longtask' });`,
  );
  await fresh.locator('main [data-element^="name-"]').click();
  const times: number[] = [];
  for (let i = 0; i < 12; i++) {
    const took = (await fresh.evaluate(`new Promise((resolve) => {
      const start = performance.now();
      window.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', code: 'ArrowRight', bubbles: true }));
      const script = performance.now() - start;
      resolve(script);
    })`)) as number;
    times.push(took);
    await fresh.waitForTimeout(150);
  }
  console.log(`an edit of it and its writing begun: ${median(times).toFixed(1)} ms of script`);
  await fresh.close();
}

function sizes(): void {
  const files = readdirSync(`${served}/_astro`).filter((name) => /(Room|Jobs|NewPiece)\.[^.]+\.js$/.test(name));
  const told = files.map(
    (name) => `${name.split('.')[0]} ${Math.round(gzipSync(readFileSync(`${served}/_astro/${name}`)).length / 1000)}`,
  );
  console.log(`own script of each room, packed, kB: ${told.join(', ')}`);
}

export async function roomsInPage(): Promise<void> {
  const server = spawn(process.execPath, [fileURLToPath(new URL('../../scripts/serve.mjs', import.meta.url))], {
    env: { ...process.env, PORT: String(PORT) },
  });
  const browser = await openBrowser();
  try {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
      bypassCSP: true,
    });
    const page = await context.newPage();
    await page.goto(home);
    await page.locator('[data-element] path').first().waitFor({ state: 'attached' });
    await page.close();
    const parts: (() => Promise<void>)[] = [
      () => firstLoad(context),
      async () => sizes(),
      () => rooms(context, 'card'),
      () => rooms(context, 'open-day'),
      async () =>
        picture(
          context,
          'a picture of 12 Mpx',
          await sharp(Buffer.from(glasshouse(4096, 2930)))
            .jpeg({ quality: 88 })
            .toBuffer(),
        ),
      async () =>
        picture(
          context,
          'a picture of 100 Mpx',
          await sharp(Buffer.from(glasshouse(1000, 1000)))
            .resize(10_000, 10_000)
            .jpeg({ quality: 80 })
            .toBuffer(),
        ),
      () => big(context),
    ];
    for (const part of parts)
      await part().catch((error: Error) => console.log(`not measured: ${error.message.split('\n')[0]}`));
  } finally {
    await browser.close();
    server.kill();
  }
}
