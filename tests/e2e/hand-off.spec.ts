import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import { type Download, expect, type Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { bytesOf, element, typeInto } from './bench';
import { test } from './one-page';

const settings = (page: Page) => page.getByRole('complementary', { name: 'How it is written' });
const whatGoes = (page: Page) => page.getByRole('complementary', { name: 'What goes' });

async function handOff(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await expect(page.getByRole('button', { name: 'Export PDF' })).toBeVisible();
}

test('a card goes as PDF/X-1a with every mark, and says so when it is read back', async ({ page }, info) => {
  await handOff(page);
  const form = settings(page);
  await expect(form).toContainText('Filled in for Metric offset');
  await expect(form).toContainText('Marks too near the piece end up on it when the cut drifts.');
  await form.getByLabel('Standard').selectOption('PDF/X-1a:2001');
  for (const mark of ['Registration marks', 'Colour bar', 'Slug line']) await form.getByLabel(mark).check();
  await typeInto(page, 'Length', '6 mm');
  await form.getByRole('button', { name: 'Export PDF' }).click();
  await expect(page.getByText(/Verified: (\d+) of \1 match/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('row', { name: /^Standard PDF\/X-1a:2001 PDF\/X-1a:2001 as asked/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Rules of PDF\/X-1a:2001/ })).toContainText(/all 4\d hold/);
  await expect(page.getByRole('img', { name: 'Page 2' })).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save hollin.*\.pdf/ }).click();
  const file = info.outputPath('card.pdf');
  writeFileSync(file, await bytesOf(await saving));
  const text = execFileSync('pdftotext', [file, '-']).toString();
  expect(text).toContain('Cyan, Magenta, Yellow, Black, Copper');
  expect(text).toContain('Iris Calloway');
  expect(execFileSync('pdfinfo', [file]).toString()).toMatch(/PDF version:\s+1\.3/);
  await page.getByRole('button', { name: 'Change and write again' }).click();
  await form.getByRole('button', { name: 'Standard as the shop asks' }).click();
  await expect(form.getByLabel('Standard')).toHaveValue('PDF/X-4');
});

test('several pieces go at once, each for its own shop, into one zip', async ({ page }) => {
  await handOff(page);
  await whatGoes(page).getByLabel('Letterhead', { exact: true }).check();
  await whatGoes(page)
    .getByLabel(/^Letter: /)
    .first()
    .check();
  await whatGoes(page).getByLabel('Envelope No. 10').check();
  const form = settings(page);
  await expect(form).toContainText('2 shops, each piece for its own');
  // The second shop sorts by file: its envelope is two.
  await expect(form.getByRole('button', { name: 'Export 5 PDFs' })).toBeVisible();
  await form.getByLabel('Files', { exact: true }).selectOption('one');
  await typeInto(page, 'Names of the files', '{piece}-{version}');
  await typeInto(page, 'Version', '3');
  await form.getByRole('button', { name: 'Export 4 PDFs' }).click();
  const saveAll = page.getByRole('button', { name: /^Save all 4 as hollin-and-fen-v3\.zip/ });
  await expect(saveAll).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/Verified: (\d+) of \1 match/)).toHaveCount(4);
  await expect(page.getByRole('table', { name: 'Pictures in the file' }).first()).toContainText('ppi');
  const saving = page.waitForEvent('download');
  await saveAll.click();
  const files = unzipSync(await bytesOf(await saving));
  expect(Object.keys(files).sort()).toEqual([
    'business-card-iris-calloway-v3.pdf',
    'envelope-no-10-v3.pdf',
    'hollin-and-fen-letterhead-letters.pdf',
    'letterhead-v3.pdf',
  ]);
});

test('faces are written as drawings, words as outlines or as text; only those that are ticked', async ({ page }) => {
  await handOff(page);
  await page.getByRole('tab', { name: 'SVG' }).click();
  const write = async (): Promise<Download> => {
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export SVG' }).click();
    return saving;
  };
  const files = unzipSync(await bytesOf(await write()));
  const [front] = Object.entries(files).filter(([name]) => name.endsWith('front.svg'));
  expect(new TextDecoder().decode(front![1])).toMatch(/^<svg[^>]*viewBox="-8\.50\d* -8\.50\d* 257\.9\d* 172\.9\d*"/);
  expect(Object.keys(files)).toHaveLength(2);
  await page.getByLabel('As text').check();
  await page.getByRole('checkbox', { name: 'Back', exact: true }).uncheck();
  const text = await write();
  expect(text.suggestedFilename()).toMatch(/front\.svg$/);
  const svg = (await bytesOf(text)).toString();
  expect(svg).toMatch(/<text [^>]*>Iris Calloway<\/text>/);
  expect(svg).toContain('@font-face');
});

test('a proof tells the client what changed since the last; a package has all of the job', async ({ page }) => {
  await handOff(page);
  const proof = async (): Promise<string> => {
    await page.getByRole('tab', { name: 'Client proof' }).click();
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export proof' }).click();
    return execFileSync('pdftotext', ['-', '-'], { input: await bytesOf(await saving) }).toString();
  };
  await page.getByRole('tab', { name: 'Client proof' }).click();
  await typeInto(page, 'Quantity', '500');
  await typeInto(page, 'Stock', 'Uncoated board');
  const first = await proof();
  expect(first).toContain('Proof 1');
  expect(first).toContain('Uncoated board');
  await page.getByRole('link', { name: 'Layout', exact: true }).click();
  await element(page, 'name').click();
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight');
  await page.getByRole('link', { name: 'Hand-off' }).click();
  const second = await proof();
  expect(second).toMatch(/places? changed since proof 1/);
  expect(second).toContain('Nothing changed since proof 1');
  await page.getByRole('tab', { name: 'Job package' }).click();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export package' }).click();
  const files = unzipSync(await bytesOf(await saving));
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining([
      'hollin-and-fen.tidyedge',
      'ticket.json',
      'ticket.xjdf',
      'findings/business-card-iris-calloway.json',
      'findings/business-card-iris-calloway.pdf',
    ]),
  );
  expect(JSON.parse(new TextDecoder().decode(files['ticket.json']))).toMatchObject({
    pieces: [{ order: { quantity: 500, stock: 'Uncoated board' } }],
  });
});

test('stock of a colour shows through the print', async ({ page }) => {
  const front = page.getByRole('img', { name: /^Front, with its edges/ });
  const colours = async (): Promise<Buffer> =>
    sharp(await front.screenshot())
      .resize(40, 26, { kernel: 'nearest' })
      .removeAlpha()
      .raw()
      .toBuffer();
  const white = await colours();
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByRole('tab', { name: 'Job package' }).click();
  await page.getByLabel('Common stocks').first().selectOption('Kraft board 300 g/m²');
  await expect(page.getByLabel(/Stock colour/).first()).toHaveValue('#c39a6b');
  await page.getByRole('link', { name: 'Layout' }).click();
  await expect(page.getByText('Stock not white').first()).toBeVisible();
  const kraft = await colours();
  // Most of what is seen is printed: the stock takes its share of each of red, green and blue.
  const stock = [0xc3, 0x9a, 0x6b];
  const as = [...white].filter((byte, i) => Math.abs(kraft[i]! - (byte * stock[i % 3]!) / 255) < 5).length;
  // Bands, rulers and tags are no part of the print.
  expect(as / white.length).toBeGreaterThan(0.6);
});

test('a PDF of another make is held against the shop, and one that cannot be read is refused in words', async ({
  page,
}) => {
  await handOff(page);
  const file = await PDFDocument.create();
  const sheet = file.addPage([300, 200]);
  sheet.setTrimBox(20, 20, 260, 160);
  sheet.drawRectangle({ x: 20, y: 20, width: 100, height: 160 });
  sheet.drawText('Tea garden', { x: 150, y: 100, size: 9, font: await file.embedFont(StandardFonts.Helvetica) });
  const choose = (name: string, buffer: Buffer) =>
    page.getByLabel('A PDF to check').setInputFiles({ name, mimeType: 'application/pdf', buffer });
  await choose('flyer.pdf', Buffer.from(await file.save()));
  const check = page.getByRole('region', { name: 'Check of flyer.pdf' });
  await expect(check.getByRole('list', { name: 'Findings' })).toContainText('Colour reaches the trim at the left', {
    timeout: 30_000,
  });
  await expect(check).toContainText('The typeface Helvetica is not embedded');
  await expect(check.getByRole('img', { name: 'Page 1', exact: true })).toBeVisible();
  await expect(check.getByRole('region', { name: 'Page 1' })).toContainText('Trim box91.7 × 56.4 mm, 3.611 × 2.222 in');
  // Each place stands on the picture of its page by its number in the list, and the list leads to it.
  await expect(check.getByTitle(/^Colour reaches the trim at the left/)).toHaveText('1');
  await check.getByRole('button', { name: 'page 1', exact: true }).first().click();
  await expect(check.getByRole('region', { name: 'Page 1' })).toBeFocused();
  await check.getByRole('button', { name: 'As cut' }).click();
  await expect(check.getByRole('img', { name: 'Page 1, as cut' })).toBeVisible();
  await expect(check.getByRole('region', { name: 'Page 1' })).toHaveCount(0);
  await check.getByRole('button', { name: 'page 1', exact: true }).first().click();
  await expect(check.getByRole('region', { name: 'Page 1' })).toBeFocused();
  await choose('notes.pdf', Buffer.from('not a pdf'));
  await expect(page.getByRole('alert')).toContainText(
    'notes.pdf cannot be read: The file does not begin as a PDF does.',
  );
});
