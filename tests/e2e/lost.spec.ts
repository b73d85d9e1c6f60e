import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { rmSync, writeFileSync } from 'node:fs';
import { expect, type Page, test as plain } from '@playwright/test';
import { makePng } from '../png';
import { element, openDemoCard, row, shownIn, typeInto } from './bench';
import { test } from './fresh';

const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();
const CARD = '/layout?job=hollin-and-fen&piece=card';
const room = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name, exact: true });

test('what was done can be undone in another room, after a reload, and done again', async ({ page }) => {
  await openDemoCard(page);
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '33');
  await typeInto(page, 'W', '34');
  await room(page, 'Inks').click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await room(page, 'Layout').click();
  await row(page, 'Fen panel').click();
  expect(await shownIn(page, 'W')).toBe('33 mm');
  await saved(page);
  await page.reload();
  await row(page, 'Fen panel').click();
  expect(await shownIn(page, 'W')).toBe('33 mm');
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('34 mm');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('32 mm');
});

test('two tabs on one job follow each other, and a job deleted in one can be kept in the other', async ({
  page,
  context,
}) => {
  await openDemoCard(page);
  const other = await context.newPage();
  await other.goto(CARD);
  await row(other, 'Fen panel').click();
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '33');
  await expect(other.getByLabel('W', { exact: true })).toHaveValue('33 mm');
  await typeInto(other, 'W', '35');
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('35 mm');
  // One step at a time, whoever did it.
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await row(other, 'Fen panel').click();
  await expect(other.getByLabel('W', { exact: true })).toHaveValue('33 mm');

  await other.goto('/');
  other.on('dialog', (dialog) => void dialog.accept());
  await other.getByRole('button', { name: 'Delete the job Hollin & Fen' }).click();
  await expect(other.getByText('Bin (1)')).toBeVisible();
  await expect(page.getByText('This job was deleted in another tab')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this job' }).click();
  await saved(page);
  await expect(other.getByRole('link', { name: /Business card, Iris/ })).toBeVisible();
});

test('a deleted job comes back from the bin, with what can be undone', async ({ page }) => {
  await openDemoCard(page);
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '33');
  await saved(page);
  await page.getByRole('link', { name: /all jobs/ }).click();
  page.on('dialog', (dialog) => void dialog.accept());
  await page.getByRole('button', { name: 'Delete the job Hollin & Fen' }).click();
  await expect(page.getByRole('heading', { name: 'Hollin & Fen' })).toHaveCount(0);
  await page.getByText('Bin (1)').click();
  await page.getByRole('button', { name: 'Restore Hollin & Fen' }).click();
  await page.getByRole('link', { name: /Business card, Iris/ }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await row(page, 'Fen panel').click();
  expect(await shownIn(page, 'W')).toBe('32 mm');
});

test('one broken job hides no other; what can be opened of it is opened, and what cannot is named', async ({
  page,
}) => {
  await openDemoCard(page);
  await saved(page);
  await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('tidy-edge');
      opening.onsuccess = () => resolve(opening.result);
      opening.onerror = () => reject(opening.error);
    });
    const writing = db.transaction('jobs', 'readwrite');
    const jobs = writing.objectStore('jobs');
    const good = await new Promise<{ job: { name: string; id: string } }>((resolve) => {
      const reading = jobs.get('hollin-and-fen');
      reading.onsuccess = () => resolve(reading.result);
    });
    const bad = structuredClone(good) as unknown as {
      id: string;
      job: { id: string; name: string; pieces: { faces: { elements: { width: number }[] }[] }[] };
    };
    bad.id = bad.job.id = 'broken-one';
    bad.job.name = 'Broken & Sons';
    bad.job.pieces[0]!.faces[0]!.elements[0]!.width = -4;
    jobs.put(bad);
    // A page that is left takes what it has not written with it.
    await new Promise((resolve, reject) => {
      writing.oncomplete = resolve;
      writing.onabort = () => reject(writing.error);
    });
    db.close();
  });
  await page.goto('/');
  const broken = page.getByRole('listitem', { name: 'Broken & Sons' });
  await expect(broken.getByText('This job cannot be opened as it is')).toBeVisible();
  await expect(page.getByRole('link', { name: /Business card, Iris/ })).toBeVisible();
  const raw = page.waitForEvent('download');
  await broken.getByRole('button', { name: 'Export the raw file' }).click();
  expect((await raw).suggestedFilename()).toMatch(/\.tidyedge$/);
  await broken.getByRole('button', { name: 'Open what can be opened' }).click();
  await expect(page.getByText(/Broken & Sons can be opened again, without: Oat ground/)).toBeVisible();
  await expect(page.getByRole('link', { name: /Business card, Iris/ })).toHaveCount(2);
});

test('keys pressed before the words editor is there reach the words, and are no commands', async ({ page }) => {
  let letIn: () => void = () => undefined;
  const slow = new Promise<void>((resolve) => {
    letIn = resolve;
  });
  await page.route('**/WordsEditor*.js', async (route) => {
    await slow;
    await route.continue();
  });
  await openDemoCard(page);
  await element(page, 'title').dblclick();
  await page.keyboard.type('Planting h');
  letIn();
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toBeVisible();
  await page.keyboard.type('elp');
  await page.keyboard.press('Escape');
  await expect(row(page, 'Planting help')).toBeVisible();
  await expect(row(page, 'Iris Calloway')).toBeVisible();
});

test('who types and leaves before the words editor is there has typed', async ({ page }) => {
  await page.route('**/WordsEditor*.js', () => undefined);
  await openDemoCard(page);
  await element(page, 'title').dblclick();
  await page.keyboard.type('Gardeners');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Escape');
  await expect(row(page, 'Gardener')).toBeVisible();
});

test('undo with the words editor open is not overwritten by its next key', async ({ page }) => {
  await openDemoCard(page);
  await element(page, 'title').dblclick();
  await page.keyboard.type('Weeder');
  await expect(row(page, 'Weeder')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  const text = page.getByRole('textbox', { name: 'Text', exact: true });
  await expect(text).toHaveText('Head gardener');
  await text.click();
  await page.keyboard.press('End');
  await page.keyboard.type('!');
  await expect(row(page, 'Head gardener!')).toBeVisible();
});

test('letter A, then letter B, keeps both', async ({ page }) => {
  await page.goto('/layout?job=hollin-and-fen&piece=letterhead');
  await page
    .getByRole('button', { name: /Letters/ })
    .first()
    .click();
  const letters = page.getByRole('list', { name: 'Letters' }).locator('button[aria-pressed=false]');
  const body = page.getByLabel('The letter, a paragraph a line');
  const [a, b] = ['Words of the first letter.', 'Words of the second letter.'];
  await body.fill(a);
  await letters.first().click();
  await expect(body).not.toHaveValue(a);
  await body.fill(b);
  await letters.first().click();
  await expect(body).toHaveValue(a);
});

test('a page that comes back as old as it was takes up the newest before anything is done in it', async ({
  page,
  context,
}) => {
  // As in the browser's cache of pages, it hears nothing of the others.
  await page.addInitScript(() => {
    BroadcastChannel.prototype.addEventListener = () => undefined;
  });
  await openDemoCard(page);
  await row(page, 'Fen panel').click();
  const other = await context.newPage();
  await other.goto(CARD);
  await row(other, 'Fen panel').click();
  await typeInto(other, 'W', '33');
  await saved(other);
  expect(await shownIn(page, 'W')).toBe('32 mm');
  const wasInert = await page.evaluate(() => {
    window.dispatchEvent(new PageTransitionEvent('pageshow', { persisted: true }));
    return document.body.inert;
  });
  expect(wasInert).toBe(true);
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('33 mm');
  await typeInto(page, 'H', '20');
  await saved(page);
  await other.reload();
  await row(other, 'Fen panel').click();
  expect([await shownIn(other, 'W'), await shownIn(other, 'H')]).toEqual(['33 mm', '20 mm']);
});

test('work is kept where the thread that writes does not load', async ({ page }) => {
  await page.route('**/writer.worker*', (route) => route.abort());
  await openDemoCard(page);
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '33');
  await saved(page);
  await page.reload();
  await row(page, 'Fen panel').click();
  expect(await shownIn(page, 'W')).toBe('33 mm');
});

test('Escape leaves every kind of field as it was, Enter takes it, and another tab takes away no typing', async ({
  page,
  context,
}) => {
  await openDemoCard(page);
  await row(page, 'Fen panel').click();
  for (const [label, typed] of [
    ['W', '40'],
    ['Rotate, degrees clockwise', '12'],
    ['Name of the element', 'Something else'],
    ['Tint, typed in percent', '35'],
  ] as const) {
    const field = page.getByLabel(label, { exact: true });
    const before = await field.inputValue();
    await field.fill(typed);
    await field.press('Escape');
    await expect(field).toHaveValue(before);
    await expect(field).not.toBeFocused();
    await field.fill(typed);
    await field.press('Enter');
    await expect(field).toHaveValue(new RegExp(`^${typed}`));
    await expect(field).not.toBeFocused();
  }
  const name = page.getByLabel('Name of the element', { exact: true });
  await name.fill('Half a wo');
  await name.press('End');
  const other = await context.newPage();
  await other.goto(CARD);
  await row(other, 'Something else').click();
  await other.getByLabel('Name of the element', { exact: true }).fill('Theirs');
  await other.keyboard.press('Enter');
  await expect(row(page, 'Theirs')).toBeVisible();
  await expect(name).toHaveValue('Half a wo');
  await page.keyboard.type('rd');
  await page.keyboard.press('Enter');
  await expect(row(other, 'Half a word')).toBeVisible();
});

test('a worker that does not load is told of, and the work can be tried again', async ({ page }) => {
  await openDemoCard(page);
  await page.route('**/intake-work*', (route) => route.abort());
  await page.reload();
  await expect(element(page, 'name')).toBeVisible();
  const png = Buffer.from(makePng(40, 40, (x) => [x, 90, 120]));
  const choose = async (): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByText('Picture', { exact: true }).click();
    await (await chooser).setFiles({ name: 'dot.png', mimeType: 'image/png', buffer: png });
  };
  await choose();
  await expect(page.getByRole('alert').filter({ hasText: 'A part of the app' })).toBeVisible({ timeout: 10_000 });
  await page.unroute('**/intake-work*');
  await choose();
  await expect(row(page, 'dot')).toBeVisible();
});

test('a dictionary that does not load is asked for again', async ({ page }) => {
  const refused = page.waitForEvent('requestfailed', (request) => request.url().includes('.dic'));
  await page.route('**/*.dic', (route) => route.abort());
  await openDemoCard(page);
  await page.getByLabel('Type text').fill('Head gardner');
  await page.keyboard.press('Enter');
  await refused;
  await page.unroute('**/*.dic');
  await expect(page.getByRole('button', { name: '1 finding', exact: true })).toBeVisible({ timeout: 20_000 });
});

test('a version is saved by name, compared, and restored as a step', async ({ page }) => {
  await openDemoCard(page);
  await page.getByRole('button', { name: 'Versions' }).click();
  await page.getByLabel('Name of the version').fill('Client proof');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Versions' }).getByText('Client proof')).toBeVisible();
  await page.keyboard.press('Escape');
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '33');
  await page.getByRole('button', { name: 'Versions' }).click();
  await page.getByRole('list', { name: 'Versions' }).getByText('Client proof').click();
  await expect(page.getByText('Front: changed “Fen panel”')).toBeVisible();
  await page.getByRole('button', { name: 'Restore this version' }).click();
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('32 mm');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('33 mm');
});

plain.describe('without a server', () => {
  plain.use({ serviceWorkers: 'allow' });
  plain('the app opens and works once it has been loaded', async ({ page, context }) => {
    await openDemoCard(page);
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await context.setOffline(true);
    await page.reload();
    await expect(element(page, 'name')).toBeVisible();
    await row(page, 'Fen panel').click();
    await typeInto(page, 'W', '33');
    await room(page, 'Inks').click();
    await expect(page.getByRole('region', { name: 'Plates' }).or(page.getByText('All plates')).first()).toBeVisible();
    await page.goto('/');
    await expect(page.getByRole('link', { name: /Business card, Iris/ })).toBeVisible();
  });
});

plain('a file that a newer build has taken away ends its own answer, not the server', async () => {
  const file = 'dist/client/_astro/taken-away.txt';
  writeFileSync(file, 'here');
  const home = 'http://127.0.0.1:4331';
  const server = spawn(process.execPath, ['scripts/serve.mjs'], { env: { ...process.env, PORT: '4331' } });
  const ended = once(server, 'exit');
  try {
    await expect(async () => expect((await fetch(home)).ok).toBe(true)).toPass();
    rmSync(file);
    await expect(fetch(`${home}/_astro/taken-away.txt`).then((answer) => answer.text())).rejects.toThrow();
    expect((await fetch(home)).ok).toBe(true);
  } finally {
    server.kill();
    await ended;
    rmSync(file, { force: true });
  }
});
