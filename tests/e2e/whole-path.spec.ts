import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { makePng } from '../png';
import { bytesOf, chooseTypeface, drag, dropOn, middleOf, row, shownIn, typeInto } from './bench';
import { test } from './fresh';

/** One piece from its finished size to a file that a print shop can plate, by mouse and keyboard. */
test('a card in inches, from size to print-ready file', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'tidy-e2e-'));
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Hollin & Fen' })).toBeVisible();

  await test.step('make a piece', async () => {
    await page.getByRole('link', { name: 'New job' }).click();
    await page.getByRole('link', { name: 'Create one piece instead…' }).click();
    await page.getByRole('button', { name: /Create piece/ }).click();
    await expect(page.getByRole('alert')).toContainText('Name the job first');
    await page.getByLabel('Job', { exact: true }).fill('Marsh & Daughter');
    await page.getByText('Postcard', { exact: true }).click();
    await expect(page.getByRole('button', { name: /^DL card/ })).toBeVisible();
    await page.getByText('Card', { exact: true }).click();
    await page.getByRole('button', { name: /^3 1\/2 × 2/ }).click();
    expect(await shownIn(page, 'Width')).toBe('3 1/2 in');
    await expect(page.getByText('88.9 mm', { exact: true })).toBeVisible();
    // Upright, and back.
    await page.getByText('Portrait', { exact: true }).click();
    expect(await shownIn(page, 'Width')).toBe('2 in');
    await page.getByText('Landscape', { exact: true }).click();
    // A size of one's own, typed as people type.
    await typeInto(page, 'Height', 'two inches');
    await expect(page.getByRole('alert')).toContainText('not a unit');
    await page.getByLabel('Height', { exact: true }).press('Escape');
    await typeInto(page, 'Height', '2 1/8');
    await expect(page.getByRole('button', { name: /^Your own/ })).toBeVisible();
    await page.getByText('Inch mail-order', { exact: true }).click();
    await page.getByRole('button', { name: 'Create piece, 3 1/2 × 2 1/8 in' }).click();
    await expect(page).toHaveURL(/\/layout\?/);
    await expect(page.getByText('Nothing on this side yet')).toBeVisible();
  });

  await test.step('lay out words, a picture, a rectangle and a rule', async () => {
    await page.getByRole('button', { name: 'Rectangle' }).click();
    // New shapes have a fill and no outline.
    const shape = page.locator('[data-element] path').first();
    await expect(shape).toHaveAttribute('fill', /^#/);
    expect(await shape.getAttribute('stroke')).toBeNull();
    await typeInto(page, 'X', '-1/8 in');
    await typeInto(page, 'Y', '-3.175mm');
    await typeInto(page, 'W', '1 in + 1/8 in');
    await typeInto(page, 'H', '2 * 1.1875 in');
    expect(await shownIn(page, 'H')).toBe('2 3/8 in');

    await page.getByRole('button', { name: 'Text', exact: true }).click();
    // The editor is open with the words selected: typing replaces them, Escape closes it.
    await page.keyboard.type('Ottilie Marsh');
    await page.keyboard.press('Escape');
    await chooseTypeface(page, 'alegreya bold', /Alegreya Bold, text serif/);
    await typeInto(page, 'Size', '14');
    await typeInto(page, 'X', '1 3/8');
    await typeInto(page, 'Y', '0.4');
    await expect(row(page, /^Ottilie Marsh/)).toBeVisible();
    // They began in white, over the rectangle; on paper that is not there to be read.
    await expect(page.getByRole('button', { name: /^\d+ findings?$/ })).toBeVisible();
    await page.getByRole('region', { name: 'Ink' }).getByRole('button', { name: 'Black', exact: true }).click();

    await page.getByRole('button', { name: 'Rule' }).click();
    await typeInto(page, 'X', '1 3/8');
    await typeInto(page, 'W', '1.5in');
    await typeInto(page, 'Y', '0.8');

    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Picture', exact: true }).click(),
    ]);
    await chooser.setFiles({
      name: 'leaf.png',
      mimeType: 'image/png',
      buffer: Buffer.from(makePng(240, 240, (x, y) => [100 + (x % 60), 120, 100 + (y % 60)])),
    });
    await expect(row(page, /^leaf/)).toBeVisible();
    await expect(page.getByText('300 ppi').first()).toBeVisible();
  });

  await test.step('move by dragging, resize by a handle, nudge by keys, undo and redo', async () => {
    await row(page, /^leaf/).click();
    await expect(page.getByRole('main', { name: 'Stage' }).locator('image')).toBeVisible();
    const before = await shownIn(page, 'X');
    await drag(page, await middleOf(page.getByRole('main', { name: 'Stage' }).locator('image')), { x: 60, y: -20 });
    const x = page.getByLabel('X', { exact: true });
    await expect(x).not.toHaveValue(before);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(x).toHaveValue(before);
    await page.keyboard.press('Control+Shift+z');
    expect(await shownIn(page, 'X')).not.toBe(before);

    const handle = page.locator('[data-handle="se"]');
    const [width, height] = [await shownIn(page, 'W'), await shownIn(page, 'H')];
    await drag(page, await middleOf(handle), { x: 40, y: 40 });
    expect(await shownIn(page, 'W')).not.toBe(width);
    // Pictures keep their proportions.
    expect(await shownIn(page, 'W')).toBe(await shownIn(page, 'H'));
    await page.keyboard.press('Control+z');
    expect([await shownIn(page, 'W'), await shownIn(page, 'H')]).toEqual([width, height]);

    await row(page, /^Ottilie/).click();
    await page.keyboard.press('ArrowRight');
    expect(await shownIn(page, 'X')).toBe('1.3906 in');
    await page.keyboard.press('Shift+ArrowLeft');
    expect(await shownIn(page, 'X')).toBe('1.3281 in');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    expect(await shownIn(page, 'X')).toBe('1 3/8 in');
  });

  await test.step('reorder in the contents, delete, and take it back', async () => {
    const order = () => page.getByRole('list', { name: 'Stack' }).getByRole('listitem').allInnerTexts();
    const names = async () => (await order()).map((text) => text.split('\n')[0]);
    expect(await names()).toEqual(['leaf', 'Rule', 'Ottilie Marsh', 'Rectangle']);
    await drag(page, await middleOf(page.getByRole('button', { name: 'Reorder leaf' })), { x: 0, y: 150 });
    await expect.poll(names).toEqual(['Rule', 'Ottilie Marsh', 'Rectangle', 'leaf']);
    await row(page, /^leaf/).click();
    await page.keyboard.press('PageUp');
    await expect.poll(names).toEqual(['Rule', 'Ottilie Marsh', 'leaf', 'Rectangle']);
    await row(page, /^Rule/).click();
    await page.keyboard.press('Delete');
    await expect.poll(names).toEqual(['Ottilie Marsh', 'leaf', 'Rectangle']);
    await page.keyboard.press('Control+z');
    await expect.poll(names).toEqual(['Rule', 'Ottilie Marsh', 'leaf', 'Rectangle']);
  });

  await test.step('drop a picture on the back', async () => {
    await page.getByRole('tab', { name: 'Back' }).click();
    const bytes = makePng(1200, 800, (x, y) => [110 + ((x * 3) % 60), 110 + ((y * 2) % 60), 100]);
    await dropOn(page, page.locator('svg[data-face]'), { name: 'marsh.png', type: 'image/png', bytes });
    await expect(row(page, /^marsh/)).toBeVisible();
    await typeInto(page, 'X', '-1/8');
    await typeInto(page, 'Y', '-1/8');
    await typeInto(page, 'W', '3 3/4');
    await typeInto(page, 'H', '2 3/8');
    // A large black area gains from other inks, a thin black line over a picture overprints, and no dictionary knows the
    // client's name.
    await page.getByRole('button', { name: '3 findings', exact: true }).click();
    await page.getByRole('button', { name: 'Make it rich black' }).click();
    await page.getByRole('button', { name: 'Set to overprint' }).click();
    await page.getByRole('button', { name: 'Keep Ottilie' }).click();
    await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
    await page.getByRole('tab', { name: 'Front' }).click();
  });

  await test.step('export, and see the file read back', async () => {
    // The shop wants a file a face; here both are looked at in one.
    await page.getByRole('link', { name: 'Hand-off' }).click();
    await page.getByLabel('Files', { exact: true }).selectOption('one');
    await page.getByRole('button', { name: 'Export PDF' }).click();
    await expect(page.getByText(/Verified: (\d+) of \1 match/)).toBeVisible({
      timeout: 60_000,
    });
    await expect(
      page.getByRole('row', { name: /Front: trim 3 1\/2 × 2 1\/8 in 3 1\/2 × 2 1\/8 in as asked/ }),
    ).toBeVisible();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: /^Save marsh-and-daughter/ }).click(),
    ]);
    const pdf = join(folder, 'card.pdf');
    writeFileSync(pdf, await bytesOf(download));
    const info = execFileSync('pdfinfo', ['-box', pdf], { encoding: 'utf8' });
    expect(info).toMatch(/Pages:\s+2/);
    const box = (name: string) =>
      new RegExp(`${name}:\\s+(.*)`).exec(info)![1]!.trim().split(/\s+/).map(Number) as [
        number,
        number,
        number,
        number,
      ];
    const [x0, y0, x1, y1] = box('TrimBox');
    expect(Math.abs(x1 - x0 - 252)).toBeLessThanOrEqual(0.011);
    expect(Math.abs(y1 - y0 - 153)).toBeLessThanOrEqual(0.011);
    const [bx0, , bx1] = box('BleedBox');
    expect(Math.abs(bx1 - bx0 - 270)).toBeLessThanOrEqual(0.011);
    expect(execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' })).toContain('Ottilie Marsh');
    expect(execFileSync('pdffonts', [pdf], { encoding: 'utf8' })).toMatch(
      /[A-Z]{6}\+Alegreya-Bold\s+CID TrueType\s+Identity-H\s+yes yes yes/,
    );
    const images = execFileSync('pdfimages', ['-list', pdf], { encoding: 'utf8' }).trim().split('\n').slice(2);
    expect(images.length).toBe(2);
    for (const line of images) expect(line).toMatch(/cmyk/);
    expect(execFileSync('qpdf', ['--check', pdf], { encoding: 'utf8' })).toContain(
      'No syntax or stream encoding errors',
    );
  });
});
