import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import sharp from 'sharp';
import { element, exportedFile, row, typeInto } from './bench';
import { test } from './one-page';

/** A card laid out by hand: drawn and combined shapes, an even border, icons in a row, a logo from a file. */

const add = (page: Page, name: string) =>
  page.getByRole('complementary', { name: 'Contents' }).getByRole('button', { name, exact: true }).click();
const stack = (page: Page) => page.getByRole('list', { name: 'Stack' });

/** A point of the front in pixels, from millimetres of an 85 × 55 mm card with 3 mm of bleed. */
async function onCard(page: Page, x: number, y: number): Promise<[number, number]> {
  const sheet = (await page.locator('svg[data-face]').first().boundingBox())!;
  return [sheet.x + (sheet.width * (x + 3)) / 91, sheet.y + (sheet.height * (y + 3)) / 61];
}

async function exported(page: Page): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'tidy-card-'));
  writeFileSync(join(folder, 'card.pdf'), await await exportedFile(page));
  return folder;
}

async function emptyFront(page: Page): Promise<void> {
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect(stack(page).getByRole('listitem')).toHaveCount(0);
}

test('a card by hand: a slanted panel, a strip, icons in circles, an even frame; front and back, on the plates', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await emptyFront(page);

  // A slanted panel is drawn by four clicks; it ends at the trim, and one key takes it out to the bleed.
  await page.keyboard.press('p');
  for (const [x, y] of [
    [0, 0],
    [34, 0],
    [24, 55],
    [0, 55],
    [0, 0],
  ] as const)
    await page.mouse.click(...(await onCard(page, x, y)));
  await expect(stack(page).getByRole('listitem')).toHaveCount(1);
  await page.keyboard.press('e');
  await expect(page.getByLabel('X', { exact: true })).toHaveValue('-3 mm');
  await expect(page.getByLabel('H', { exact: true })).toHaveValue('61 mm');
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();

  // An accent strip of exactly 1.2 mm, in the spot ink.
  await add(page, 'Rectangle');
  await typeInto(page, 'W', '1.2');
  await typeInto(page, 'H', '61');
  await typeInto(page, 'X', '36');
  await typeInto(page, 'Y', '-3');
  await page.getByRole('region', { name: 'Ink' }).getByRole('button', { name: 'Copper' }).click();

  // Circles and their icons, one under another: made once, grouped, repeated with an exact gap.
  await add(page, 'Ellipse');
  await typeInto(page, 'W', '6');
  await typeInto(page, 'H', '6');
  await typeInto(page, 'X', '42');
  await typeInto(page, 'Y', '24');
  const circle = await page.locator('main [data-element]').last().getAttribute('data-element');
  for (const [word, y] of [
    ['telephone', 24],
    ['envelope', 33],
    ['globe', 42],
  ] as const) {
    await page.keyboard.press('i');
    await page.getByRole('searchbox', { name: 'Look for an icon' }).fill(word);
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Name of the element')).toHaveValue(/^Icon: /);
    await page.getByRole('region', { name: 'Ink' }).getByRole('button', { name: 'Paper' }).click();
    await page.getByRole('button', { name: 'Middle', exact: true }).click();
    await typeInto(page, 'X', '45');
    await typeInto(page, 'Y', `${y + 3}`);
    await page.getByRole('button', { name: 'Top left' }).click();
  }
  await row(page, 'Ellipse').click();
  await page.locator('summary', { hasText: 'Repeat' }).click();
  await page.getByRole('combobox', { name: 'Repeat' }).selectOption('column');
  await typeInto(page, 'Gap down', '3');
  await page.getByRole('region', { name: 'Ink' }).getByRole('button', { name: 'Fen green' }).click();
  const three = (await element(page, circle!).boundingBox())!;
  expect(three.height / three.width).toBeCloseTo(24 / 6, 1);

  // Details beside them, aligned to each other.
  for (const [words, y] of [
    ['01632 960 118', 25],
    ['iris@hollinandfen.example', 34],
    ['hollinandfen.example', 43],
  ] as const) {
    await page.getByLabel('Type text').fill(words);
    await page.getByLabel('Type text').press('Enter');
    await typeInto(page, 'X', '51');
    await typeInto(page, 'Y', `${y}`);
  }

  // A frame of even width: a panel with round corners, and its own shape 0.8 mm further in, cut out of it.
  await add(page, 'Rectangle');
  for (const [label, value] of [
    ['W', '39'],
    ['H', '14'],
    ['X', '41'],
    ['Y', '5'],
    ['Corner radius', '3'],
  ] as const)
    await typeInto(page, label, value);
  await page.locator('summary', { hasText: 'Border, slits, outline' }).click();
  await typeInto(page, 'Offset (negative goes inward)', '-0.8');
  await page.getByRole('button', { name: 'As another shape' }).click();
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('37.4 mm');
  await page
    .getByRole('list', { name: 'Stack' })
    .locator('button[aria-pressed]')
    .nth(1)
    .click({ modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'Subtract from lowest' }).click();
  await expect(page.getByText('Subtract from lowest')).toHaveCount(0);
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('39 mm');

  // The panel and the strip go to the back as seen through the paper.
  await page.keyboard.press('Escape');
  await row(page, 'outline, 37').click();
  await page.keyboard.press('Shift+O');
  await expect(page.getByRole('tab', { name: 'Back' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('button', { name: 'Top right' }).click();
  await expect(page.getByLabel('X', { exact: true })).toHaveValue('88 mm');
  await page.getByRole('button', { name: 'Top left' }).click();

  const folder = await exported(page);
  execFileSync('gs', [
    '-q',
    '-dSAFER',
    '-dBATCH',
    '-dNOPAUSE',
    '-sDEVICE=tiffsep',
    '-r600',
    '-o',
    join(folder, 'p%d.tif'),
    join(folder, 'card.pdf'),
  ]);
  const plate = async (name: string) => {
    const { data, info } = await sharp(join(folder, name))
      .extractChannel(0)
      .raw()
      .toBuffer({ resolveWithObject: true });
    const edge = ((info.width / 600) * 25.4) / 2 - 42.5;
    const top = ((info.height / 600) * 25.4) / 2 - 27.5;
    return (x: number, y: number): number =>
      (255 - data[Math.floor(((y + top) / 25.4) * 600) * info.width + Math.floor(((x + edge) / 25.4) * 600)]!) / 255;
  };
  expect(readdirSync(folder)).toContain('p1(Copper).tif');
  const [copper, cyan] = [await plate('p1(Copper).tif'), await plate('p1(Cyan).tif')];
  // The strip from 36 to 37.2 mm, and nothing beside it.
  expect([35.9, 36.1, 37.1, 37.3].map((x) => copper(x, 50))).toEqual([0, 1, 1, 0]);
  // The panel runs over the trim, slanted: Fen green is C85.
  expect(cyan(-2.5, 57)).toBeCloseTo(0.85, 1);
  expect([26, 32].map((x) => cyan(x, 52) > 0.5)).toEqual([false, false]);
  expect(cyan(31, 3)).toBeCloseTo(0.85, 1);
  // Three circles at exact gaps; the frame 0.8 mm wide on every side.
  for (const y of [24.4, 33.4, 42.4]) expect(cyan(45, y)).toBeCloseTo(0.85, 1);
  for (const y of [31.5, 40.5]) expect(cyan(45, y)).toBe(0);
  for (const [x, y] of [
    [41.4, 12],
    [79.6, 12],
    [60, 5.4],
    [60, 18.6],
  ] as const)
    expect(cyan(x, y)).toBeGreaterThan(0.8);
  for (const [x, y] of [
    [41.95, 12],
    [78.95, 12],
    [60, 5.95],
    [60, 18.05],
  ] as const)
    expect(cyan(x, y)).toBe(0);
});

test('a logo from an SVG file: its colours to inks, its parts in a group, taken apart and back', async ({ page }) => {
  await emptyFront(page);
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="30mm" height="20mm" viewBox="0 0 60 40"><filter id="f"/><g id="mark"><circle cx="20" cy="20" r="18" fill="#e0a040"/><path d="M20 8C28 14 28 26 20 32C12 26 12 14 20 8Z" fill="#ffffff" filter="url(#f)"/></g><rect x="42" y="6" width="14" height="28" fill="#000"/></svg>';
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'Mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  const dialog = page.getByRole('dialog', { name: 'Import Mark.svg' });
  await expect(dialog.getByLabel('Ink for #000000')).toHaveValue('black');
  await expect(dialog.getByLabel('Ink for #ffffff')).toHaveValue('paper');
  await expect(dialog.getByLabel('Ink for #e0a040')).toHaveValue('new');
  await expect(dialog.getByRole('region', { name: 'Changed on import' })).toContainText('A filter is left out.');
  await dialog.getByRole('button', { name: 'Place' }).click();
  await expect(page.getByRole('heading', { name: 'A group' })).toBeVisible();
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('27 mm');
  await page.keyboard.press('Shift+J');
  await page.keyboard.press('Escape');
  await row(page, /^mark/).click();
  await expect(page.getByRole('heading', { name: 'A group' })).toBeVisible();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Control+z');
  await expect(stack(page).getByRole('listitem')).toHaveCount(0);

  const hostile = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>';
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'bad.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(hostile) });
  await expect(page.getByRole('alert')).toContainText('The drawing carries a script');
});

test('a group is entered by double click, left by Escape; points of an outline are moved, added and taken away', async ({
  page,
}) => {
  await element(page, 'name').click();
  await element(page, 'title').click({ modifiers: ['Shift'] });
  await page.keyboard.press('j');
  await page.keyboard.press('Escape');
  await element(page, 'title').click();
  await expect(page.getByRole('heading', { name: 'A group' })).toBeVisible();
  await element(page, 'title').dblclick();
  await expect(page.getByLabel('Name of the element')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');

  await add(page, 'Polygon');
  await page.keyboard.press('Shift+P');
  await expect(page.locator('[data-point]')).toHaveCount(6);
  await page.locator('[data-point="1.1"]').click();
  await page.keyboard.press('Delete');
  await expect(page.locator('[data-point]')).toHaveCount(5);
  await page.locator('[data-point="1.2"]').dblclick();
  await page.locator('[data-point="1.2"]').click();
  await expect(page.locator('[data-point-handle]')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-point]')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Shift+P');
  await expect(page.locator('[data-point]')).toHaveCount(6);
});

test('a gradient is dragged on the piece, and its stops are typed', async ({ page }) => {
  await row(page, 'Fen panel').click();
  await page.getByLabel('Kind of fill').selectOption('linear');
  await page.getByRole('spinbutton', { name: 'Angle °' }).fill('0');
  await page.getByRole('spinbutton', { name: 'Angle °' }).press('Enter');
  const end = page.locator('[data-grip="Where it ends"]');
  const box = (await end.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 10, box.y + 160, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByRole('spinbutton', { name: 'Angle °' })).not.toHaveValue('0');
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('combobox', { name: /^Stop \d: ink/ })).toHaveCount(3);
  await page.getByRole('combobox', { name: 'Stop 2: ink' }).selectOption('Copper');
  await expect(page.locator('svg[data-face] linearGradient')).not.toHaveCount(0);
  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z');
  await row(page, 'Fen panel').click();
  await expect(page.getByLabel('Kind of fill')).toHaveValue('flat');
});
