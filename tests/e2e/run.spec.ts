import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, type Page, test as plain } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { against } from './access';
import { bytesOf } from './bench';
import { test } from './one-page';

const rowsOf = (page: Page) => page.getByRole('grid');
const stage = (page: Page) => page.getByRole('region', { name: 'The piece for a row' });

const CSV = `Name,Role,Email
Ada Lund,Grafter,ada@hollin.example
Béla Ödegård,,bela@hollin.example
Wilhelmina Featherstonehaugh-Rowntree of Great Fenwick and Upper Sedge,Head of the long border and of everything beyond it,w@hollin.example
`;

test('a card becomes a card for each row of a table, checked, left out, and written', async ({ page }, info) => {
  await page.getByRole('link', { name: 'Run', exact: true }).click();
  await page.getByRole('button', { name: /^Import table/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Import table' });
  await dialog
    .getByLabel('Table file')
    .setInputFiles({ name: 'staff.csv', mimeType: 'text/csv', buffer: Buffer.from(CSV) });
  await expect(dialog.getByLabel('The first row names the columns')).toBeChecked();
  await expect(dialog.getByRole('cell', { name: 'Béla Ödegård' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Import 3 rows' }).click();
  await expect(rowsOf(page).getByRole('row')).toHaveCount(4);

  // A column comes onto the side as text, and each row says its own.
  await page.getByRole('button', { name: /^Name / }).click();
  await page.getByRole('button', { name: 'Place as text' }).click();
  await expect(page.getByText('Row 1: 1 of 3 printed')).toBeVisible();
  await page.getByRole('button', { name: 'Next row' }).click();
  await expect(page.getByText('Row 2: 2 of 3 printed')).toBeVisible();

  // A cell is typed over.
  await rowsOf(page).getByRole('button', { name: 'Role, row 2: empty' }).dblclick();
  await page.getByLabel('Role, row 2').fill('Seeds');
  await page.keyboard.press('Enter');
  await expect(rowsOf(page).getByRole('button', { name: 'Role, row 2: Seeds' })).toBeVisible();

  // The longest name runs past the edge: that row is found, and left out with a reason.
  const findings = page.getByRole('region', { name: 'Findings of the rows' });
  await expect(findings.getByRole('button', { name: /^3 Wilhelmina/ }).first()).toBeVisible({ timeout: 30_000 });
  await findings
    .getByRole('button', { name: /^3 Wilhelmina/ })
    .first()
    .click();
  await page.getByLabel('Why row 3 is left out').fill('has her own card');
  await page.getByRole('button', { name: 'Leave out', exact: true }).click();
  await expect(page.getByText('3 rows in = 2 printed + 1 left out')).toBeVisible();

  await page.getByRole('button', { name: 'Export 2 rows' }).click({ timeout: 60_000 });
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save .*-run\.pdf/ }).click({ timeout: 90_000 });
  const path = info.outputPath('run.pdf');
  writeFileSync(path, await bytesOf(await saved));
  const fronts = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' })
    .split('\f')
    .filter((_, i) => i % 2 === 0);
  expect(fronts[0]).toContain('Ada Lund');
  expect(fronts[1]).toContain('Béla Ödegård');
  expect(fronts.join('')).not.toContain('Wilhelmina');

  // The server writes the same file, byte for byte.
  await page.getByLabel('Written by').selectOption('The server');
  await page.getByRole('button', { name: 'Export 2 rows' }).click();
  const served = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the file' }).click({ timeout: 90_000 });
  expect((await bytesOf(await served)).equals(readFileSync(path))).toBe(true);

  // The proof has every row, and the list what became of it.
  await expect(rowsOf(page).getByRole('row', { name: /Wilhelmina/ })).toContainText('Left out');
  const proof = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Proof of all rows' }).click();
  const zip = unzipSync(new Uint8Array(await bytesOf(await proof)));
  const [list] = Object.entries(zip).flatMap(([name, bytes]) => (name.endsWith('.csv') ? [strFromU8(bytes)] : []));
  expect(list).toContain('left out,has her own card');
  expect(Object.keys(zip).some((name) => name.endsWith('-run-proof.pdf'))).toBe(true);

  // In Layout a column is quoted like a detail.
  await page.getByRole('link', { name: 'Layout', exact: true }).click();
  await page.locator('main [data-element="title"]').dblclick();
  const editor = page.getByRole('textbox', { name: 'Text', exact: true });
  await editor.press('End');
  await editor.pressSequentially(' @Rol');
  await page.getByRole('option', { name: /^Role/ }).click();
  await expect(editor).toContainText('Grafter');
});

plain('the demo’s runs: rows one after another, found, in order, and no fault by axe', async ({ page }) => {
  await page.goto('/');
  await page.getByText('Spring mailing').first().waitFor();
  await page.goto('/run?job=spring-runs&piece=mailing');
  await expect(page.getByText('Row 28: 1 of 240 printed')).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Find rows').fill('featherstone');
  await expect(page.getByText(/^\d+ of 240 rows$/)).toBeVisible();
  for (const name of await rowsOf(page)
    .getByRole('button', { name: /^Name, row/ })
    .allInnerTexts())
    expect(name).toContain('Featherstone');
  await page.getByLabel('Find rows').fill('');
  // What is typed into a cell stays where the cell is scrolled out of sight; Escape leaves it, and the cell has the keys.
  await rowsOf(page).evaluate((grid) => grid.scrollTo(0, 0));
  const first = rowsOf(page)
    .getByRole('button', { name: /^Name, row/ })
    .first();
  const called = (await first.getAttribute('aria-label'))!.split(':')[0]!;
  const name = rowsOf(page).getByRole('button', { name: `${called}: ` });
  const before = (await name.textContent())!;
  await name.focus();
  await page.keyboard.press('F2');
  await page.keyboard.insertText('Nobody');
  await page.keyboard.press('Escape');
  await expect(name).toHaveText(before);
  await expect(name).toBeFocused();
  await page.keyboard.press('F2');
  await rowsOf(page).getByRole('textbox', { name: called }).fill('Ottoline Featherstone-Haugh');
  await rowsOf(page).evaluate((grid) => grid.scrollTo(0, 4000));
  await expect(rowsOf(page).getByRole('textbox')).toHaveCount(0);
  await rowsOf(page).evaluate((grid) => grid.scrollTo(0, 0));
  await expect(name).toHaveText('Ottoline Featherstone-Haugh');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(name).toHaveText(before);
  await rowsOf(page).getByRole('button', { name: 'Town', exact: true }).click();
  await expect(rowsOf(page).getByRole('columnheader', { name: /^Town/ })).toHaveAttribute('aria-sort', 'ascending');
  await expect(page.getByRole('heading', { name: 'No findings in any row' })).toBeVisible({ timeout: 60_000 });
  // A made column tells what it will say before it is added.
  await page.getByRole('button', { name: 'Add column…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add column' });
  await dialog.getByLabel('Kind').selectOption({ label: 'Contact card for a code' });
  await expect(dialog.getByRole('status', { name: 'Examples' })).toContainText('BEGIN:VCARD');
  expect(await against(page, { within: 'dialog[open]' })).toEqual([]);
  // The post's own code of each address comes below it, on the rows that have one.
  await dialog.getByLabel('Kind').selectOption({ label: 'Postal barcode of an address' });
  await expect(dialog.getByRole('status', { name: 'Examples' })).toContainText(/LH\d\d[A-Z]{2}9Z/);
  await dialog.getByRole('button', { name: 'Add column' }).click();
  await stage(page).getByRole('button', { name: 'Address side' }).click();
  await page.getByRole('button', { name: /^Postal barcode of an address (empty|L)/ }).click();
  await page.getByRole('button', { name: 'Place as postal barcode' }).click();
  await expect(page.getByRole('region', { name: 'By row' })).toContainText('Code, by row');
  expect(await against(page)).toEqual([]);
});

test('a letter is written to each row of a table, with what only some of them get', async ({ page }, info) => {
  const job = new URL(page.url()).searchParams.get('job');
  await page.goto(`/run?job=${job}&piece=letterhead`);
  await page.getByRole('button', { name: /^Paste cells/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Import table' });
  await dialog.getByLabel('Cells').fill('Name\tMember\nAda Lund\tyes\nBéla Ödegård\t');
  await dialog.getByRole('button', { name: 'Import 2 rows' }).click();
  await page.getByRole('link', { name: 'Layout', exact: true }).click();
  await page.getByRole('button', { name: 'Letters…' }).click();
  const letters = page.getByRole('dialog', { name: /^Letters on/ });
  await letters.getByRole('button', { name: 'Write a letter' }).click();
  await letters.getByLabel('Salutation').fill('Dear ');
  await letters.getByRole('button', { name: 'Name', exact: true }).click();
  await expect(letters.getByLabel('Salutation')).toHaveValue('Dear {name}');
  await letters.getByLabel('The letter, a paragraph a line').fill('Spring is here.\nYour card is enclosed.');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Run', exact: true }).click();
  await page.getByLabel('Written to each row').selectOption({ label: 'Letter 3' });
  await page.getByRole('button', { name: /^Your card is enclosed/ }).click();
  await page.getByRole('region', { name: 'Letter' }).getByRole('button', { name: 'Only if…' }).click();
  await page.getByLabel('Your card is enclosed.: column 1').selectOption('Member');
  await expect(page.getByText('Shown if Member is not empty.')).toBeVisible();
  await page.getByRole('button', { name: 'Export 2 rows' }).click({ timeout: 60_000 });
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save .*-run\.pdf/ }).click({ timeout: 90_000 });
  const path = info.outputPath('letters.pdf');
  writeFileSync(path, await bytesOf(await saved));
  const pages = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).split('\f').slice(0, -1);
  expect(pages).toHaveLength(2);
  expect(pages[0]).toMatch(/Dear Ada Lund[\s\S]*Your card is enclosed/);
  expect(pages[1]).toContain('Dear Béla Ödegård');
  expect(pages[1]).not.toContain('Your card is enclosed');
});
