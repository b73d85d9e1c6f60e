import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { row } from './bench';
import { test } from './one-page';

/** Working with findings, the cut test, and shops of one's own. */
const type = async (page: Page, label: string, value: string): Promise<void> => {
  await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByLabel(label, { exact: true }).press('Enter');
};

/** The name too near the cut, and the panel short of the bleed. */
async function spoil(page: Page): Promise<void> {
  await row(page, /^Iris Calloway/)
    .first()
    .click();
  await type(page, 'X', '52 mm');
  await row(page, /^Fen panel/).click();
  await type(page, 'X', '0 mm');
  await page.keyboard.press('Escape');
}

test('findings are walked by Enter, accepted with a reason that is kept and reported', async ({ page }) => {
  await spoil(page);
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  const list = page.getByRole('region', { name: 'Findings', exact: true });
  await expect(list.getByRole('region', { name: 'What is found on Front' })).toBeVisible();
  const first = list.locator('[data-finding]').first();
  await expect(first).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(list.locator('[data-finding]').nth(1)).toBeFocused();
  await expect(page.getByLabel('X', { exact: true })).toBeVisible();
  const near = list.getByRole('listitem').filter({ hasText: 'Iris Calloway' });
  await near.getByRole('button', { name: 'Accept…' }).click();
  await near.getByLabel('Reason to accept').fill('The client wants it there.');
  await page.keyboard.press('Enter');
  await expect(list.getByRole('region', { name: 'Accepted' })).toContainText('The client wants it there.');
  const waiting = page.waitForEvent('download');
  await list.getByRole('button', { name: 'Report as PDF' }).click();
  const path = await (await waiting).path();
  const text = execFileSync('pdftotext', ['-layout', path, '-']).toString();
  expect(text).toContain('Art short of the bleed');
  expect(text).toMatch(/Accepted on \d{4}-\d\d-\d\d: The client wants it there\./);
  expect(execFileSync('pdfimages', ['-list', path]).toString().trim().split('\n').length).toBeGreaterThan(3);
  const json = page.waitForEvent('download');
  await list.getByRole('button', { name: 'Report as JSON' }).click();
  const report = JSON.parse(readFileSync(await (await json).path(), 'utf8'));
  expect(
    report.rows.some(
      (each: { accepted?: { reason: string } }) => each.accepted?.reason === 'The client wants it there.',
    ),
  ).toBe(true);
  expect(report.rows[0].picture).toMatch(/^data:image\/png;base64,/);
  await page.reload();
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await expect(list.getByRole('region', { name: 'Accepted' })).toContainText('The client wants it there.');
  await list.getByRole('button', { name: 'Reopen' }).click();
  await expect(list.getByRole('listitem').filter({ hasText: 'Iris Calloway' })).toBeVisible();
});

test('all that can be mended is mended as one step, seen before and after', async ({ page }) => {
  await spoil(page);
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await page.getByRole('button', { name: /^Fix all/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('img', { name: 'Front, before' })).toBeVisible();
  await expect(dialog.getByRole('img', { name: 'Front, after' })).toBeVisible();
  await expect(dialog.getByRole('list', { name: 'What is done' })).toContainText('Extend to bleed');
  await dialog.getByRole('button', { name: /^Fix/ }).click();
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^\d+ findings?$/ })).toBeVisible();
});

test('every check is found by a word of it', async ({ page }) => {
  await spoil(page);
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await page.getByRole('button', { name: 'All checks' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('heading', { name: /^\d+ checks$/ })).toBeVisible();
  await dialog.getByLabel('Find a check').fill('guillotine sliver');
  await expect(dialog.getByRole('list', { name: 'Checks' }).getByRole('listitem').first()).toContainText(/sliver/);
});

test('the cut test counts what goes wrong, and the change that helps most mends it', async ({ page }) => {
  await spoil(page);
  await page.getByRole('button', { name: 'Cut test' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/of 10,000 come out wrong/)).toBeVisible({ timeout: 30_000 });
  await expect(dialog.getByRole('img', { name: 'Where the cut fell at the left' })).toBeVisible();
  await dialog.getByLabel('Cut to the right').fill('4');
  await dialog.getByRole('button', { name: 'Reset' }).click();
  await expect(dialog.getByLabel('Cut to the right')).toHaveValue('0');
  const help = dialog.getByRole('region', { name: 'What would help' });
  await expect(help).toContainText('Move Iris Calloway in by');
  await help.getByRole('button', { name: 'Do it' }).first().click();
  await expect(dialog.getByText(/of 10,000 comes? out wrong/)).toBeVisible({ timeout: 30_000 });
  await expect(help).toHaveCount(0);
  await expect(dialog.getByText(/^(No piece|under 0.1 %)$/).first()).toBeVisible();
});

test('a shop’s spec is copied, changed, sent to, written as a file and taken in again', async ({ page }) => {
  await page
    .getByRole('region', { name: 'Status bar' })
    .getByRole('combobox')
    .selectOption({ label: 'All shops, compared…' });
  const dialog = page.getByRole('dialog');
  const shops = dialog.getByRole('list', { name: 'Shops' });
  await expect(shops.getByRole('listitem')).toHaveCount(5);
  await expect(shops.getByRole('listitem').filter({ hasText: 'Metric offset' })).toContainText('takes it as it is');
  await shops.getByRole('button', { name: /^Letterpress/ }).click();
  await expect(dialog.getByRole('region', { name: 'What changes' })).toContainText(/does not print/);
  await shops.getByRole('button', { name: /^Metric offset/ }).click();
  await dialog.getByRole('button', { name: 'Duplicate to edit' }).click();
  const bleed = dialog.getByRole('region', { name: 'Bleed' });
  await bleed.getByLabel('Cards', { exact: true }).fill('5 mm');
  await bleed.getByLabel('Cards', { exact: true }).press('Enter');
  await expect(dialog.getByRole('region', { name: 'What changes' })).toContainText(/Stops short of the bleed/);
  await dialog.getByRole('button', { name: 'Use this shop' }).click();
  const waiting = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Export spec' }).click();
  const path = await (await waiting).path();
  expect(JSON.parse(readFileSync(path, 'utf8')).bleed.card).toBeCloseTo(14.173, 2);
  await dialog.getByRole('button', { name: 'Delete' }).click();
  await expect(shops.getByRole('listitem')).toHaveCount(5);
  await dialog
    .getByLabel('A shop’s spec')
    .setInputFiles({ name: 'shop.json', mimeType: 'application/json', buffer: readFileSync(path) });
  await expect(shops.getByRole('listitem')).toHaveCount(6);
  await dialog
    .getByLabel('A shop’s spec')
    .setInputFiles({ name: 'shop.json', mimeType: 'application/json', buffer: Buffer.from('{') });
  await expect(dialog.getByRole('alert')).toContainText('not JSON');
});

test('the cut test, the shops and the checks are there in the Inks room as well', async ({ page }) => {
  await page.getByRole('link', { name: 'Inks', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Status bar' })).toBeVisible();
  await page.getByRole('button', { name: 'Cut test' }).click();
  await expect(page.getByRole('dialog').getByText(/of 10,000 comes? out wrong/)).toBeVisible({ timeout: 30_000 });
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a piece has as many findings on the table, in Hand-off and in Sheet as in Layout', async ({ page }) => {
  await spoil(page);
  const count = page.getByRole('button', { name: /^\d+ findings?$/ });
  await expect(count).toHaveText('2 findings');
  await page.getByRole('link', { name: 'Pieces', exact: true }).click();
  const card = page.getByRole('listitem', { name: /^Business card, Iris/ });
  await expect(card.getByText('2 findings')).toBeVisible({ timeout: 30_000 });
  await card.getByRole('link', { name: /^Open/ }).click();
  for (const room of ['Hand-off', 'Sheet', 'Inks']) {
    await page.getByRole('link', { name: room }).click();
    await expect(count, room).toHaveText('2 findings');
  }
});

test('an open error stops every kind of file; letting it go is for that selection alone', async ({ page }) => {
  await spoil(page);
  await page.getByRole('link', { name: 'Hand-off' }).click();
  const stops = page.getByRole('region', { name: 'What stops the export' });
  for (const [tab, button] of [
    ['Client proof', 'Export proof'],
    ['Images', 'Export images'],
    ['SVG', 'Export SVG'],
    ['Job package', 'Export package'],
    ['Print shop', 'Export PDF'],
  ] as const) {
    await page.getByRole('tab', { name: tab }).click();
    await expect(stops).toContainText('Fen panel: Stops short of the bleed');
    await expect(page.getByRole('button', { name: button }), tab).toBeDisabled();
  }
  const anyway = page.getByLabel('Export anyway');
  await anyway.check();
  await expect(page.getByRole('button', { name: 'Export PDF' })).toBeEnabled();
  // The back alone has no error; with the front again, the error is there again, and has not been let go.
  const goes = page.getByRole('complementary', { name: 'What goes' });
  await goes.getByLabel('Front', { exact: true }).uncheck();
  await expect(stops).toBeHidden();
  await goes.getByLabel('Front', { exact: true }).check();
  await expect(anyway).not.toBeChecked();
  await anyway.check();
  await page.getByRole('button', { name: 'Export PDF' }).click();
  await expect(page.getByText('Exported with 1 open error')).toBeVisible({ timeout: 60_000 });
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save ticket.json' }).click();
  const ticket = JSON.parse(readFileSync(await (await saving).path(), 'utf8'));
  expect(ticket.pieces[0].openErrors).toEqual([expect.stringContaining('Fen panel')]);
});
