import { execFileSync } from 'node:child_process';
import { readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { exportedFile, row } from './bench';
import { test as fresh } from './fresh';
import { test } from './one-page';

/** Pieces that belong together: begun well, kept to the rules of their kind, seen as a set. */

const open = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('link', { name: 'Pieces', exact: true }).click();
  await page.getByRole('link', { name: `Open ${name}`, exact: true }).click();
  await expect(page.getByRole('list', { name: 'Stack' })).toBeVisible();
};

test('a postcard’s address side follows its rule set, and art in a kept area is found', async ({ page }) => {
  await open(page, 'Postcard, spring opening');
  await page.getByRole('tab', { name: 'Address side' }).click();
  await expect(page.getByText('Franking')).toBeVisible();
  await expect(page.getByText('It goes at the postcard rate.')).toBeVisible();
  const lines = row(page, /^Address line/);
  await expect(lines).toHaveCount(4);
  await page.getByLabel('Address lines').fill('3');
  await page.getByLabel('Address lines').press('Enter');
  await expect(lines).toHaveCount(3);
  await page.getByLabel('Postal rules').selectOption({ label: 'United States' });
  await expect(page.getByText('Barcode')).toBeVisible();
  await page.getByRole('button', { name: 'Rectangle', exact: true }).click();
  for (const [label, value] of [
    ['X', '100 mm'],
    ['Y', '92 mm'],
    ['W', '30 mm'],
    ['H', '8 mm'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await expect(page.getByText(/kept clear: barcode/)).toBeVisible();
  await expect(page.getByText(/Domestic Mail Manual 101, 201 and 202, from memory/).first()).toBeVisible();
});

test('what a letterhead fits, and where its address lands behind the window', async ({ page }) => {
  await open(page, 'Letterhead');
  await page.getByRole('button', { name: 'Envelopes for it' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /^DL folded in three 10 mm 11 mm fits$/ })).toBeVisible();
  await expect(dialog.getByText('the address shows whole wherever the sheet slides.').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByLabel('Fold and punch marks').selectOption({ label: 'Printed' });
  await expect(row(page, /^Fold tick/)).toHaveCount(2);
  await page.getByRole('button', { name: 'Remove the sample letter' }).click();
  await expect(row(page, /^Recipient/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Show a sample letter' }).click();
  await expect(row(page, /^Recipient/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
});

test('faces are added, named, turned and put in order; a fold has its panels', async ({ page }) => {
  await open(page, 'Flyer, a year in the garden');
  await expect(page.getByText('Tucked panel, 2')).toBeVisible();
  await expect(page.getByText('Inside, from the left: 99.67 mm, 99.67 mm, 97.67 mm')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Across a fold' })).toContainText('Oat ground');
  await page.getByRole('button', { name: 'See it folded' }).click();
  await expect(page.getByRole('img', { name: 'Closed: Cover, 1' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^The cover opened: .*Tucked panel, 2$/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: /^Folded/ }).selectOption({ label: 'Half fold' });
  await expect(page.getByText('Inside, from the left: 148.5 mm, 148.5 mm')).toBeVisible();
  await page.getByLabel('Opens').selectOption({ label: 'Upwards: the folds are level' });
  await expect(page.getByText('Inside, from the top: 105 mm, 105 mm')).toBeVisible();
  await page.getByLabel('Postal rules').selectOption({ label: 'United States' });
  await expect(page.getByLabel('Addressed')).toHaveValue('0');
  // The stage may already say it, too.
  const address = page.getByRole('region', { name: 'Address side' });
  await expect(address.getByText(/only where its open edges are closed by tabs or glue/)).toBeVisible();
  await page.getByLabel('Postal rules').selectOption({ label: 'No rules' });
  await page.getByRole('combobox', { name: /^Folded/ }).selectOption({ label: 'Cross fold' });
  await expect(page.getByText('Folded: 148.5 × 105 mm')).toBeVisible();
  await page.getByRole('button', { name: 'See it folded' }).click();
  await expect(page.getByRole('img', { name: /^The cover opened: Opened left, 2, head down; / })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add side' }).click();
  await expect(page.getByRole('tab', { name: 'Page 3' })).toBeVisible();
  await page.getByLabel('Name of Page 3').fill('Insert');
  await page.getByLabel('Name of Page 3').press('Enter');
  await page.getByRole('tab', { name: 'Insert' }).click();
  await page.getByLabel('How Insert lies on the sheet').selectOption('clockwise');
  await expect(page.getByRole('img', { name: /^Insert/ })).toBeVisible();
  await page.getByRole('button', { name: 'Move Insert up' }).click();
  await expect(page.getByRole('tab').nth(1)).toHaveText('Insert');
  await page.getByRole('button', { name: 'Delete Insert' }).click();
  await expect(page.getByRole('tab', { name: 'Insert' })).toHaveCount(0);
});

fresh('a new card is begun in the client’s own look', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Business card, Iris/ }).waitFor();
  await page.goto('/new?job=hollin-and-fen');
  await page.getByRole('radio', { name: 'Side panel' }).check({ force: true });
  await page.getByText('Portrait', { exact: true }).click();
  await page.getByRole('button', { name: /^Create piece/ }).click();
  await expect(row(page, /^Name/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Front, with/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Status bar' })).toContainText('plates C M Y K');
});

fresh('a letterhead is begun from the card: its logo and the firm’s details, no coloured ground', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Business card, Iris/ }).waitFor();
  await page.goto('/new?job=hollin-and-fen');
  await page.getByText('Letterhead', { exact: true }).first().click();
  await page.getByText('From Business card, Iris Calloway').click();
  await page.getByRole('button', { name: /^Create piece, 210 × 297 mm/ }).click();
  await expect(row(page, /^Fern mark/).first()).toBeVisible();
  await expect(row(page, /^Fen panel/)).toHaveCount(0);
  await expect(page.getByText('Address field').first()).toBeVisible();
});

fresh('the set on the table: named, copied, deleted and brought back, and a picture of it', async ({ page }) => {
  await page.goto('/');
  await page.locator('a[href="/pieces?job=hollin-and-fen"]').click();
  const pieces = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: /^Open / }) });
  await expect(pieces).toHaveCount(9);
  await page.getByRole('button', { name: 'Copy Envelope No. 10' }).click();
  await expect(pieces).toHaveCount(10);
  await page.getByLabel('Name of Envelope No. 10, copy').fill('Envelope for bills');
  await page.getByLabel('Name of Envelope No. 10, copy').press('Enter');
  await expect(page.getByRole('link', { name: 'Open Envelope for bills' })).toBeVisible();
  await page.getByRole('button', { name: 'Delete Envelope for bills' }).click();
  await expect(pieces).toHaveCount(9);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Open Envelope for bills' })).toBeVisible();
  await expect(page.getByText('not exported yet').first()).toBeVisible();
  const png = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PNG' }).click();
  const path = await (await png).path();
  expect(readFileSync(path).subarray(1, 4).toString()).toBe('PNG');
  expect(statSync(path).size).toBeGreaterThan(100_000);
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  const facts = execFileSync('pdfinfo', [await (await pdf).path()]).toString();
  expect(facts).toMatch(/Pages:\s+1/);
  expect(facts).toContain('Hollin & Fen');
});

test('a shop’s template is lined up under the face, hidden by a key, and never exported', async ({ page }) => {
  await open(page, 'Business card, Iris Calloway');
  const chooser = page.getByLabel('A shop’s template');
  const svg = (width: string, height: string): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 91 61"><rect x="3" y="3" width="85" height="55" fill="none" stroke="red"/></svg>`;
  await chooser.setInputFiles({
    name: 'card.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(svg('91mm', '61mm')),
  });
  await expect(page.getByText('Lined up on the trim and bleed.')).toBeVisible();
  const lies = page.locator('[data-underlay]');
  await expect(lies).toBeVisible();
  await page.keyboard.press('y');
  await expect(lies).toHaveCount(0);
  await page.keyboard.press('y');
  const { PDFDocument } = await import('@cantoo/pdf-lib');
  const pdf = await PDFDocument.create();
  pdf.addPage([(85 * 72) / 25.4, (55 * 72) / 25.4]).drawText('TEMPLATE', { x: 20, y: 20 });
  await chooser.setInputFiles({ name: 'card.pdf', mimeType: 'application/pdf', buffer: Buffer.from(await pdf.save()) });
  await expect(page.getByText('Lined up on the trim.')).toBeVisible();
  await chooser.setInputFiles({
    name: 'broken.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from('%PDF-1.7 nothing'),
  });
  await expect(page.getByRole('alert')).toContainText('cannot be shown');
  const path = join(tmpdir(), `tidy-template-${Date.now()}.pdf`);
  writeFileSync(path, await exportedFile(page));
  // One picture, the photograph on the back: the template is none.
  expect(execFileSync('pdfimages', ['-list', path]).toString().trim().split('\n').slice(2)).toHaveLength(1);
});

test('a letter is written on the letterhead, goes on to a second sheet, and is exported without the art', async ({
  page,
}) => {
  await open(page, 'Letterhead');
  await page.getByRole('button', { name: 'Letters…' }).click();
  await page.getByRole('button', { name: 'Write a letter' }).click();
  await page.getByLabel('Name of the letter').fill('To Mr Quill');
  await page.getByRole('textbox', { name: 'Recipient' }).fill('Mr Bea Quill\nQuay Street');
  await page.getByLabel('Salutation').fill('Dear Mr Quill,');
  const paragraph = 'The hedge along the lane wants cutting before the birds come back to it. '.repeat(9).trim();
  await page.getByLabel('The letter, a paragraph a line').fill(Array.from({ length: 7 }, () => paragraph).join('\n'));
  await expect(page.getByRole('img', { name: 'Page 2' })).toBeVisible();
  await page.getByLabel('With the letterhead’s own art').uncheck();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF of 2 pages' }).click();
  const path = await (await waiting).path();
  const text = execFileSync('pdftotext', [path, '-']).toString();
  expect(text).toContain('Dear Mr Quill,');
  expect(text).not.toContain('Tea garden');
  expect(execFileSync('pdfinfo', [path]).toString()).toMatch(/Pages:\s+2[\s\S]*Page size:\s+595\.\d+ x 841\.\d+/);
  await page.getByLabel('Take To Mr Quill along').check();
  await page.getByLabel('Take A plan for the south border along').check();
  const together = page.waitForEvent('download');
  await page.getByRole('region', { name: 'Chosen letters' }).getByRole('button', { name: 'PDF of 3 pages' }).click();
  const all = execFileSync('pdftotext', [await (await together).path(), '-']).toString();
  expect(all).toContain('Dear Mr Quill,');
  expect(all).toContain('Dear Mrs Thornbury,');
  expect(all).toContain('Tea garden');
  await page.getByRole('button', { name: 'Close', exact: true }).first().click();
  await page.reload();
  await page.getByRole('button', { name: 'Letters…' }).click();
  await expect(page.getByRole('list', { name: 'Letters' }).getByText('To Mr Quill', { exact: true })).toBeVisible();
});

fresh('a piece is kept as a template, and opened as a copy in the client’s own inks', async ({ page }) => {
  await page.goto('/');
  await page.locator('a[href="/pieces?job=hollin-and-fen"]').click();
  await page.getByRole('button', { name: 'Save Postcard, spring opening as a template' }).click();
  await page.getByRole('link', { name: 'New piece' }).click();
  await page.getByText('Postcard', { exact: true }).click();
  await page.getByRole('radio', { name: 'Postcard, spring opening', exact: true }).check({ force: true });
  await page.getByRole('button', { name: /^Create piece/ }).click();
  await expect(row(page, /^Title/)).toBeVisible();
  await page.getByRole('link', { name: 'Pieces' }).click();
  await expect(page.getByRole('link', { name: /^Open Postcard/ })).toHaveCount(3);
});
