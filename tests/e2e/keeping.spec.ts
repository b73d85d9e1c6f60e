import { readFileSync, writeFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { zipSync } from 'fflate';
import { hashOf } from '../../core/files/hash';
import { bundle } from '../../scripts/cli-bundle.mjs';
import { makePng } from '../png';
import { bytesOf, drag, dropOn, element, middleOf, openDemoCard, row, shownIn, typeInto, writeForShop } from './bench';
import { test } from './fresh';

/** Nothing is lost: in the browser, in files, and where a file is no good. */

const saved = async (page: Page): Promise<Buffer> => {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save to a file' }).first().click(),
  ]);
  expect(download.suggestedFilename()).toBe('hollin-and-fen.tidyedge');
  return bytesOf(download);
};
const demo = (): Buffer => readFileSync('demo/hollin-and-fen.tidyedge');

test('an edit is there after a reload', async ({ page }) => {
  await openDemoCard(page);
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '33 mm');
  await page.reload();
  await row(page, 'Fen panel').click();
  expect(await shownIn(page, 'W')).toBe('33 mm');
});

test('a tab closed in the middle of a drag keeps what the drag had come to', async ({ page, context }) => {
  await openDemoCard(page);
  await row(page, 'Fern mark').click();
  const before = await middleOf(element(page, 'fern'));
  await drag(page, before, { x: 40, y: 0 }, false);
  const during = await middleOf(element(page, 'fern'));
  expect(during.x - before.x).toBeGreaterThan(20);
  await page.close();
  const again = await context.newPage();
  await openDemoCard(again);
  const after = await middleOf(element(again, 'fern'));
  expect(Math.hypot(after.x - during.x, after.y - during.y)).toBeLessThan(1);
});

test('a job saved twice is the same file, and the same as the one it was opened from', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Hollin & Fen' })).toBeVisible();
  const [first, second] = [await saved(page), await saved(page)];
  expect(first.equals(second)).toBe(true);
  expect(hashOf(new Uint8Array(first))).toBe(hashOf(new Uint8Array(demo())));
});

test('a deleted job stays away, and comes back from its file', async ({ page }) => {
  await page.goto('/');
  const file = await saved(page);
  page.on('dialog', (dialog) => void dialog.accept());
  await page.getByRole('button', { name: 'Delete the job Hollin & Fen' }).click();
  // The other demo job stays: the page has been drawn.
  const [gone, other] = ['Hollin & Fen', 'Spring mailing'].map((name) => page.getByRole('heading', { name }));
  await expect(gone!).toHaveCount(0);
  await page.reload();
  await expect(other!).toBeVisible();
  await expect(gone!).toHaveCount(0);
  await page.getByLabel('Job file').setInputFiles({ name: 'back.tidyedge', mimeType: 'application/zip', buffer: file });
  await expect(page.getByRole('heading', { name: 'Hollin & Fen' })).toBeVisible();
  await page.getByRole('link', { name: /Business card, Iris/ }).click();
  await page.getByRole('tab', { name: 'Back' }).click();
  await expect(page.locator('svg[data-face] image')).toBeVisible();
});

test('the file exported in the browser is, byte for byte, the one the headless twin writes', async ({ page }, info) => {
  const { execFileSync } = await import('node:child_process');
  await openDemoCard(page);
  await writeForShop(page);
  await expect(page.getByText(/Verified: (\d+) of \1 match/)).toBeVisible({ timeout: 60_000 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /^Save hollin/ }).click(),
  ]);
  const out = info.outputPath('cli.pdf');
  execFileSync(process.execPath, [
    bundle,
    'export',
    'demo/hollin-and-fen.tidyedge',
    '--piece',
    'card',
    '--as',
    'pdfx4',
    '--out',
    out,
  ]);
  expect((await bytesOf(download)).equals(readFileSync(out))).toBe(true);
});

test('an export can be stopped', async ({ page }) => {
  await openDemoCard(page);
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await expect(page.getByRole('button', { name: 'Export PDF' })).toBeVisible();
  const started = page.waitForEvent('worker', async (worker) => (await worker.evaluate(() => self.name)) === 'press');
  await writeForShop(page);
  const writer = await started;
  const ended = writer.waitForEvent('close');
  await page.getByRole('button', { name: 'Cancel' }).click();
  // Who writes is gone, and so is what was being written.
  await ended;
  await expect(page.getByRole('button', { name: 'Export PDF' })).toBeVisible();
  await expect(page.getByText(/^Verified/)).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Save .*\.pdf/ })).toHaveCount(0);
});

test('a job file that is no good gets a clear message and changes nothing', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Hollin & Fen' })).toBeVisible();
  const before = await saved(page);
  const job = {
    format: 'tidyedge',
    version: 1,
    id: 'hollin-and-fen',
    name: 'Hollin & Fen',
    changed: '2026-01-01T00:00:00Z',
    inks: [],
    pieces: [],
    assets: {},
  };
  const zip = (json: unknown) => Buffer.from(zipSync({ 'job.json': new TextEncoder().encode(JSON.stringify(json)) }));
  const { inks: _inks, ...missing } = job;
  const bad: [string, Buffer, RegExp][] = [
    ['empty', Buffer.alloc(0), /This file is empty/],
    ['letter', Buffer.from('Dear printer, please find enclosed'), /not a Tidy Edge job/],
    ['half', demo().subarray(0, 5000), /damaged or cut short/],
    ['newer', zip({ ...job, version: 999 }), /newer Tidy Edge/],
    ['extra', zip({ ...job, surprise: true }), /broken/],
    ['missing', zip(missing), /broken/],
    ['bomb', Buffer.from(zipSync({ 'job.json': new Uint8Array(70_000_000) })), /far more than a job can hold/],
  ];
  for (const [name, buffer, words] of bad) {
    await page.getByLabel('Job file').setInputFiles({ name: `${name}.tidyedge`, mimeType: 'application/zip', buffer });
    await expect(page.getByRole('alert')).toContainText(words);
    await expect(page.getByRole('alert')).toContainText(`${name}.tidyedge`);
    await page.getByRole('button', { name: 'Dismiss' }).click();
  }
  expect((await saved(page)).equals(before)).toBe(true);
});

test('a picture that is no good gets a clear message, and the job stays as it was', async ({ page }, info) => {
  const sharp = (await import('sharp')).default;
  await openDemoCard(page);
  const good = Buffer.from(makePng(400, 300, (x, y) => [x % 256, y % 256, 70]));
  const jpeg = await sharp(good).jpeg().toBuffer();
  const huge = Buffer.from(makePng(8, 8, () => [1, 2, 3]));
  huge.writeUInt32BE(20_000, 16);
  huge.writeUInt32BE(20_000, 20);
  const bad: [string, Buffer, RegExp][] = [
    ['cut.jpg', jpeg.subarray(0, jpeg.length * 0.6), /cut short/],
    ['cut.png', good.subarray(0, good.length - 30), /damaged or cut short/],
    ['dot.png', Buffer.from(makePng(1, 1, () => [0, 0, 0])), /1 × 1 pixels: too small/],
    ['huge.png', huge, /20000 × 20000 pixels/],
    ['letter.jpg', Buffer.from('Dear printer'), /no picture of a kind that is known/],
    ['empty.png', Buffer.alloc(0), /empty/],
  ];
  const rows = await page.getByRole('list', { name: 'Stack' }).textContent();
  for (const [name, bytes, words] of bad) {
    const path = info.outputPath(name);
    writeFileSync(path, bytes);
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Picture', exact: true }).click(),
    ]);
    await chooser.setFiles(path);
    await expect(page.getByRole('alert')).toContainText(words);
    await expect(page.getByRole('alert')).toContainText(name);
    await page.getByRole('button', { name: 'Dismiss' }).click();
  }
  // What is line art under another name is asked about as such.
  await page.getByLabel('Picture file').setInputFiles({
    name: 'paper.png',
    mimeType: 'image/png',
    buffer: Buffer.from('%PDF-1.7 …'),
  });
  const dialog = page.getByRole('dialog', { name: 'Import paper.png' });
  await expect(dialog.getByRole('alert')).toContainText('This PDF cannot be read');
  await dialog.getByRole('button', { name: 'Close' }).first().click();
  await dropOn(page, page.locator('svg[data-face]'), {
    name: 'dropped.png',
    type: 'image/png',
    bytes: Buffer.from('nothing'),
  });
  await expect(page.getByRole('alert')).toContainText('dropped.png');
  expect(await page.getByRole('list', { name: 'Stack' }).textContent()).toBe(rows);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a job or a piece that is not there says so', async ({ page }) => {
  await page.goto('/layout?job=nowhere&piece=none');
  await expect(page.getByRole('alert')).toContainText('not in this browser');
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Hollin & Fen' })).toBeVisible();
  await page.goto('/layout?job=hollin-and-fen&piece=none');
  await expect(page.getByRole('alert')).toContainText('not in the job any more');
});
