import { execFileSync } from 'node:child_process';
import { expect, test as fresh, type Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { otfFile, withEmbedding } from '../fonts';
import {
  bytesOf,
  chooseTypeface,
  element,
  exportedFile,
  openDemoCard,
  row,
  shownIn,
  typeInto,
  writeForShop,
} from './bench';
import { test } from './one-page';

/** What a compositor does with words, on the demo card. */
const details = (page: Page) => page.getByRole('complementary', { name: 'Details' });
const findings = (page: Page) => page.getByRole('region', { name: 'Findings' });
const frameBox = async (page: Page, id: string) => (await element(page, id).boundingBox())!;

const textOf = (pdf: Buffer): string => execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf }).toString();

test('words stand on a circle, on an outline that they follow, and straight again', async ({ page }) => {
  await element(page, 'title').click();
  const straight = await frameBox(page, 'title');
  const line = page.getByLabel('Path', { exact: true });
  await line.selectOption('circle');
  await typeInto(page, 'Radius', '12 mm');
  expect((await frameBox(page, 'title')).height).toBeGreaterThan(2 * straight.height);

  await line.selectOption({ label: 'Along Fen panel' });
  await page.getByLabel('Side of the line').selectOption('on the inside');
  await expect(page.getByLabel('Direction along the line')).toHaveValue('backwards');
  const before = await frameBox(page, 'title');
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '30 mm');
  await expect.poll(async () => (await frameBox(page, 'title')).x).toBeLessThan(before.x - 5);

  await row(page, 'Head gardener').click();
  await line.selectOption('');
  const again = await frameBox(page, 'title');
  expect(again.x).toBeCloseTo(straight.x, 1);
  expect(again.height).toBeCloseTo(straight.height, 1);
});

test('a row of details has its separator in the exported file, and comes apart again', async ({ page }) => {
  await element(page, 'contact').click();
  await typeInto(page, 'Size', '5 pt');
  await page.getByLabel('The lines').selectOption({ label: 'In a row, · between (middle dot)' });
  const text = textOf(await exportedFile(page)).replaceAll('\u00a0', ' ');
  expect(text).toContain('01632 960 118 · iris@hollinandfen.example · Fen Lane, Little Hollin LH4 2QT');
  await page.getByRole('link', { name: 'Layout', exact: true }).click();
  await element(page, 'contact').click();
  await page.getByLabel('The lines').selectOption('');
  await expect(page.getByLabel('The lines')).toHaveValue('');
});

test('a letter that a box cannot hold goes on on the back, and is edited where it begins', async ({ page }) => {
  await page.getByLabel('Type text').fill('The glasshouse opens at nine, and the kettle is on by ten past. '.repeat(8));
  await page.keyboard.press('Enter');
  await page.getByLabel('The frame').selectOption('Fixed size');
  await typeInto(page, 'W', '40');
  await typeInto(page, 'H', '30');
  const alert = details(page).getByRole('alert');
  await expect(alert).toContainText(/\d+ words do not fit/);
  await alert.getByRole('button', { name: 'Continue on back' }).click();
  await expect(page.getByRole('heading', { name: 'Continued from front' })).toBeVisible();
  await expect(row(page, /glasshouse|kettle|nine/)).toBeVisible();
  await page.getByRole('button', { name: 'To where it begins' }).click();
  await expect(details(page).getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Edit', exact: true })).toBeVisible();
});

fresh('a font of one’s own is tried, taken, exported, and found in the saved job', async ({ page }) => {
  await openDemoCard(page);
  await element(page, 'name').click();
  await page.getByRole('button', { name: /^Typeface/ }).click();
  const picker = page.getByLabel('Font file');
  await picker.setInputFiles({ name: 'notes.ttf', mimeType: 'font/ttf', buffer: Buffer.from('not a font at all') });
  await expect(page.getByText('notes.ttf: This is not a font file.')).toBeVisible();
  await picker.setInputFiles('/usr/share/fonts/opentype/cantarell/Cantarell-Bold.otf');
  await page.getByRole('combobox', { name: 'Find a typeface' }).fill('cantarell');
  await page.getByRole('option', { name: /Cantarell Bold, your own/ }).click();
  await expect(page.getByRole('button', { name: 'Typeface: Cantarell' })).toBeVisible();
  const pdf = await exportedFile(page);
  const fonts = execFileSync('pdffonts', ['-'], { input: pdf }).toString();
  expect(fonts).toMatch(/[A-Z]{6}\+Cantarell-Bold\s+CID Type 0C\s+Identity-H\s+yes yes yes/);
  expect(textOf(pdf)).toContain('Iris Calloway');

  // The font is in the job's own file, and comes back with it.
  await page.goto('/');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save to a file' }).first().click();
  const job = await bytesOf(await saving);
  expect(Object.keys(unzipSync(job)).join()).toMatch(/fonts\/[0-9a-f]{64}\.otf/);
});

test('a font that may not be embedded is shown, but not exported', async ({ page }) => {
  await element(page, 'name').click();
  await page.getByRole('button', { name: /^Typeface/ }).click();
  const closed = Buffer.from(withEmbedding(otfFile(), 2));
  await page.getByLabel('Font file').setInputFiles({ name: 'closed.otf', mimeType: 'font/otf', buffer: closed });
  await page.getByRole('combobox', { name: 'Find a typeface' }).fill('cantarell');
  await page.getByRole('option', { name: /Cantarell Regular/ }).click();
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await expect(findings(page)).toContainText('The maker of Cantarell forbids embedding');
  await writeForShop(page);
  await expect(page.getByRole('alert')).toContainText(/does not let it go into an exported file/);
});

test('a misspelt word is found, not marked on the piece, and mended or kept', async ({ page }) => {
  await page.getByLabel('Type text').fill('Head gardner, Wibbleton');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: '2 findings', exact: true }).click();
  await expect(page.locator('svg text').filter({ hasText: 'gardner' })).toHaveCount(0);
  await findings(page).getByRole('button', { name: 'Change to gardener' }).click();
  await findings(page).getByRole('button', { name: 'Keep Wibbleton' }).click();
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
  await expect(row(page, 'Head gardener, Wibbleton')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('list', { name: 'Words of this job' })).toContainText('Wibbleton');
});

test('words are measured by their letters, and made exactly as wide as a number', async ({ page }) => {
  await element(page, 'name').click();
  const byFrame = await shownIn(page, 'X');
  await page.getByRole('button', { name: 'The letters' }).click();
  expect(await shownIn(page, 'X')).not.toBe(byFrame);
  await typeInto(page, 'X', '36 mm');
  await typeInto(page, 'W', '40 mm');
  expect([await shownIn(page, 'X'), await shownIn(page, 'W')]).toEqual(['36 mm', '40 mm']);
  await expect(page.getByRole('region', { name: 'Distance to trim' })).toContainText('left 36 mm');
});

test('a character that a face lacks is named, with a family that has it', async ({ page }) => {
  await chooseTypefaceOf(page, 'title', 'great vibes', /Great Vibes/);
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('Αθήνα');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await expect(findings(page)).toContainText(/Great Vibes has no .*“ή”/);
  await findings(page)
    .getByRole('button', { name: /^Set that text in/ })
    .click();
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
});

async function chooseTypefaceOf(page: Page, id: string, search: string, name: RegExp): Promise<void> {
  await element(page, id).click();
  await chooseTypeface(page, search, name);
}

test('a number is typed sign by sign, below nothing too; one that is too much is answered with what can be entered', async ({
  page,
}) => {
  await row(page, 'Head gardener').click();
  await page.getByText('More: spacing, case, features, paragraph').click();
  const tracking = page.getByRole('spinbutton', { name: 'Tracking, ‰ of the size' });
  await tracking.fill('');
  await tracking.pressSequentially('-20');
  await tracking.press('Enter');
  await expect(tracking).toHaveValue('-20');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(tracking).toHaveValue('0');
  await tracking.fill('9999');
  await tracking.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Enter −500 to 2,000.');
  await tracking.press('Escape');
  await expect(tracking).toHaveValue('0');
});
