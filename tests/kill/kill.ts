import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, chromium, type Page } from '@playwright/test';
import { CHROMIUM, QUIET } from '../browser';

/** A browser that is killed in the middle of the work and opened again: what of the work is there? */

/**
 * Where each element of the face lies, in CSS pixels of it, and its first colour; and when it came to look so. One whose inks
 * are mixed with those below is a picture once that is made, a little larger than it: MIXED stands for its colour.
 */
interface Seen {
  at: number;
  look: Record<string, string>;
}

/** What came of one kill. */
export interface Killed {
  /** Whether the job could be opened and shown. */
  readable: boolean;
  /** How long before the kill the oldest state that is lost was on the stage, in milliseconds; undefined where none is. */
  lost: number | undefined;
  /** What of that state is otherwise now: how it was, and how it is. */
  otherwise: Record<string, [string | undefined, string | undefined]>;
  /**
   * Whether it was undone or done again after it was seen: what is there is then a state of before, which was written and
   * not painted any more.
   */
  turned: boolean;
  /** Edits that were seen before it. */
  edits: number;
  /** How long a small write of the same browser took just before, at most, in milliseconds: how busy the machine is. */
  write: number;
}

/** Five small writes to a database of their own, one after another; how long the slowest took. Runs in the page. */
const WRITES = `new Promise((resolve, reject) => {
  const opening = indexedDB.open('reference', 1);
  opening.onerror = reject;
  opening.onupgradeneeded = () => opening.result.createObjectStore('rows');
  opening.onsuccess = () => {
    let slowest = 0;
    const next = (left) => {
      if (left === 0) return resolve(slowest);
      const start = performance.now();
      const writing = opening.result.transaction('rows', 'readwrite');
      writing.objectStore('rows').put(start, left);
      writing.oncomplete = () => {
        slowest = Math.max(slowest, performance.now() - start);
        next(left - 1);
      };
    };
    next(5);
  };
})`;

/**
 * Whether what was on the stage `held` milliseconds before is not there again; on a machine so busy that a small write
 * takes long, what was there for `writes` of those.
 */
export const isLost = ({ readable, lost, turned, write }: Killed, held: number, writes: number): boolean =>
  !readable || (!turned && (lost ?? 0) >= Math.max(held, writes * write));

const MIXED = 'mixed';

/** Reads the stage at each frame; runs in the page. */
const WATCH = `(() => {
  const seen = (window.__seen = []);
  let last = '';
  const look = () => {
    const face = document.querySelector('svg[data-face]');
    if (!face) return undefined;
    const box = face.getBoundingClientRect();
    // In shares of the face, however large it is shown.
    const k = 850 / box.width;
    const of = { face: face.getAttribute('data-face') };
    for (const each of face.querySelectorAll('[data-element]')) {
      const b = each.getBoundingClientRect();
      const n = (v) => Math.round(v * 2) / 2;
      const fill = each.querySelector('image') ? '${MIXED}' : (each.querySelector('path')?.getAttribute('fill') ?? '');
      of[each.getAttribute('data-element')] = [n(k * (b.x - box.x)), n(k * (b.y - box.y)), n(k * b.width), n(k * b.height), fill].join(' ');
    }
    return of;
  };
  window.__look = look;
  const frame = () => {
    const now = look();
    const text = JSON.stringify(now);
    if (now && text !== last) {
      last = text;
      seen.push({ at: Date.now(), look: now });
    }
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
})()`;

/** A path at rest may differ by so much from one that is transformed on the way; and a mixed picture from what it is of. */
const APART = { path: 1.5, mixed: 10 };

/** The same look but for what a drawing may be off by. */
function isSame(a: Seen['look'], b: Seen['look']): boolean {
  const ids = Object.keys(a);
  if (ids.length !== Object.keys(b).length) return false;
  return ids.every((id) => {
    if (id === 'face') return a[id] === b[id];
    const [p, q] = [a[id]!.split(' '), b[id]?.split(' ') ?? []];
    const isMixed = [p[4], q[4]].includes(MIXED);
    const apart = isMixed ? APART.mixed : APART.path;
    return (
      p.length === q.length &&
      p.every((v, i) => (i < 4 ? Math.abs(Number(v) - Number(q[i])) <= apart : isMixed || v === q[i]))
    );
  });
}

const ARGS = [...QUIET, '--window-size=1280,900', '--remote-debugging-port=0'];

interface Opened {
  child: ChildProcess;
  browser: Browser;
  page: Page;
}

async function open(folder: string): Promise<Opened> {
  const child = spawn(CHROMIUM, [...ARGS, `--user-data-dir=${folder}`, 'about:blank'], {
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    child.stderr!.on('data', (data: Buffer) => {
      said += data.toString();
      const found = /DevTools listening on (ws:\S+)/.exec(said)?.[1];
      if (found) resolve(found);
    });
    child.on('exit', () => reject(new Error(`The browser did not start: ${said.slice(-300)}`)));
  });
  const browser = await chromium.connectOverCDP(address);
  const page = await browser.contexts()[0]!.newPage();
  await page.setViewportSize({ width: 1280, height: 800 });
  return { child, browser, page };
}

const CARD = '/layout?job=hollin-and-fen&piece=card';

async function openCard(page: Page, home: string): Promise<boolean> {
  await page.addInitScript(WATCH);
  await page.goto(home + CARD);
  return (
    page
      // Whatever was deleted: something is always left of the card.
      .locator('svg[data-face] [data-element] path')
      .first()
      .waitFor({ timeout: 20_000 })
      .then(
        () => true,
        () => false,
      )
  );
}

/** Something a person does, at random: most of it leaves something on the stage; `turn` is told before undo and redo. */
async function work(page: Page, random: () => number, turn: () => void): Promise<void> {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const middle = async (id: string) => {
    const box = await page.locator(`[data-element="${id}"]`).first().boundingBox();
    return box && { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  switch (pick(['drag', 'drag', 'held', 'length', 'nudge', 'undo', 'redo', 'delete', 'text', 'colour'] as const)) {
    case 'drag':
    case 'held': {
      const from = await middle(pick(['fern', 'title', 'name', 'contact']));
      if (!from) return;
      await page.mouse.move(from.x, from.y);
      await page.mouse.down();
      for (let i = 1; i <= 10; i++)
        await page.mouse.move(from.x + i * (random() * 10 - 5), from.y + i * (random() * 6 - 3));
      if (random() < 0.7) await page.mouse.up();
      return;
    }
    case 'length': {
      const at = await middle('fern');
      if (!at) return;
      await page.mouse.click(at.x, at.y);
      const field = page.getByLabel('X', { exact: true });
      if (!(await field.isVisible())) return;
      await field.fill(String(Math.round(random() * 300) / 10));
      await field.press('Enter');
      return;
    }
    case 'nudge':
      for (let i = 0; i < 4; i++) await page.keyboard.press(pick(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown']));
      return;
    case 'undo':
      turn();
      return page.keyboard.press('Control+z');
    case 'redo':
      turn();
      return page.keyboard.press('Control+y');
    case 'delete': {
      const at = await middle('rule');
      if (at) await page.mouse.click(at.x, at.y);
      return page.keyboard.press('Delete');
    }
    case 'text': {
      const at = await middle('title');
      if (!at) return;
      await page.mouse.dblclick(at.x, at.y);
      await page.keyboard.type(pick(['Gardener', 'Head', 'Planting and pruning']), { delay: 15 });
      if (random() < 0.6) await page.keyboard.press('Escape');
      return;
    }
    case 'colour': {
      const inks = page.getByRole('group', { name: 'Inks of the job' }).getByRole('button');
      if ((await inks.count()) > 0)
        await inks.nth(Math.floor(random() * (await inks.count()))).click({ timeout: 1000 });
    }
  }
}

/** Works for a moment and kills the browser in the middle of it; what was seen of the work, and when it ended. */
async function workUntilKilled(
  { browser, page }: Opened,
  end: () => void,
  random: () => number,
): Promise<{ seen: Seen[]; turned: number; killed: number; write: number }> {
  const write = (await page.evaluate(WRITES)) as number;
  let seen: Seen[] = [];
  let turned = 0;
  let isOver = false;
  // What has been seen is fetched all the time: after the kill there is nobody to ask.
  const fetching = (async () => {
    while (!isOver) {
      const more = (await page.evaluate('window.__seen.splice(0)').catch(() => [])) as Seen[];
      seen = [...seen, ...more];
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  })();
  const until = Date.now() + 600 + random() * 2500;
  const working = (async () => {
    while (Date.now() < until)
      await work(page, random, () => {
        turned = Date.now();
      }).catch(() => undefined);
  })();
  await new Promise((resolve) => setTimeout(resolve, until - Date.now()));
  end();
  const killed = Date.now();
  isOver = true;
  await Promise.all([fetching, working]);
  await browser.close().catch(() => undefined);
  return { seen, turned, killed, write };
}

/** What the stage shows once words are set and pictures have come. */
async function settledLook(page: Page): Promise<Seen['look']> {
  let look = (await page.evaluate('window.__look()')) as Seen['look'];
  for (let i = 0; i < 20; i++) {
    await page.waitForTimeout(100);
    const now = (await page.evaluate('window.__look()')) as Seen['look'];
    if (JSON.stringify(now) === JSON.stringify(look) && i > 2) break;
    look = now;
  }
  return look;
}

/** The oldest state that is not there again; undefined where none is lost. */
function oldestLost(all: readonly Seen[], look: Seen['look']): Seen | undefined {
  // The other side may have been looked at last: what was done is told by this one.
  const seen = all.filter((each) => each.look['face'] === look['face']);
  const found = seen.findLastIndex((each) => isSame(each.look, look));
  // One that was never seen was written between two looks, or after the last: how old it is cannot be told. Where
  // all is lost, it is the first that is there again, which was seen.
  return found < 0 ? undefined : seen[found + 1];
}

/** What differs of two looks. */
const otherwise = (was: Seen['look'], is: Seen['look']): Killed['otherwise'] =>
  Object.fromEntries(
    [...new Set([...Object.keys(was), ...Object.keys(is)])]
      .filter((id) => was[id] !== is[id])
      .map((id) => [id, [was[id], is[id]]]),
  );

/**
 * Works, kills the browser, opens it again and looks, so many times on one and the same job; told of each. What is opened
 * again is what is worked in next. `home` is the app's address.
 */
export async function killAgain(
  home: string,
  random: () => number,
  many: number,
  tell: (killed: Killed) => void,
): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'tidy-kill-'));
  const children: ChildProcess[] = [];
  const end = (child: ChildProcess): void => {
    try {
      process.kill(-child.pid!, 'SIGKILL');
    } catch {
      // It is gone already.
    }
  };
  const opened = async (): Promise<Opened> => {
    const found = await open(folder);
    children.push(found.child);
    return found;
  };
  try {
    let now = await opened();
    await now.page.goto(home);
    await now.page.getByRole('link', { name: /Business card, Iris/ }).waitFor();
    if (!(await openCard(now.page, home))) throw new Error('The card did not open the first time.');
    await settledLook(now.page);
    for (let i = 0; i < many; i++) {
      const { child } = now;
      const { seen, turned, killed, write } = await workUntilKilled(now, () => end(child), random);
      now = await opened();
      const readable = await openCard(now.page, home);
      const look = readable ? await settledLook(now.page) : {};
      const gone = readable ? oldestLost(seen, look) : undefined;
      tell({
        readable,
        lost: gone && killed - gone.at,
        turned: gone !== undefined && turned >= gone.at,
        otherwise: gone ? otherwise(gone.look, look) : {},
        edits: seen.length,
        write,
      });
      if (!readable) return;
    }
  } finally {
    for (const child of children) end(child);
    await new Promise((resolve) => setTimeout(resolve, 100));
    rmSync(folder, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  }
}
