import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { expect, type Locator } from '@playwright/test';
import sharp from 'sharp';
import { writePdf } from '../../core/files/pdf/write';
import { addElement } from '../../core/job/edits/elements';
import { addInk } from '../../core/job/edits/inks';
import { makeShape, makeWords } from '../../core/job/make';
import { shopOf } from '../../core/trade/shops';
import { cardWith, checkKit, kit } from '../kit';
import { against } from './access';
import { exportedFile, row, shownIn } from './bench';
import { test } from './one-page';

/** Pictures as clients bring them. */

const SIDE = { width: 900, height: 700, channels: 3 } as const;
const grain = (): Buffer => {
  const data = Buffer.alloc(SIDE.width * SIDE.height * 3);
  for (let i = 0; i < data.length; i++) data[i] = 90 + ((i * 7919) % 60) + 60 * Math.sin(i / 5000);
  return data;
};
const plain = () => sharp(grain(), { raw: SIDE });

test('a CMYK TIFF and a WebP are taken in, what differs is told, and they leave as ink', async ({ page }, info) => {
  const profile = 'assets/profiles/general-coated.icc';
  const tiff = await plain().toColourspace('cmyk').withIccProfile(profile).tiff({ compression: 'lzw' }).toBuffer();
  const webp = await plain().webp({ quality: 80 }).toBuffer();
  await page.getByLabel('Picture file').setInputFiles([
    { name: 'press.tif', mimeType: 'image/tiff', buffer: tiff },
    { name: 'web.webp', mimeType: 'image/webp', buffer: webp },
  ]);
  await expect(page.getByRole('status').filter({ hasText: 'web.webp' })).toContainText(
    'A WebP picture, made for screens, was converted to PNG in sRGB. What its packing may have lost stays lost',
  );
  await expect(row(page, /^press/)).toBeVisible();
  await expect(row(page, /^web/)).toBeVisible();
  await page.getByRole('button', { name: 'Dismiss' }).click();
  const file = info.outputPath('card.pdf');
  writeFileSync(file, await exportedFile(page));
  // Both are in it, each with the four plates of the press.
  const images = execFileSync('pdfimages', ['-list', file]).toString();
  expect(images.match(/ 900 +700 +cmyk +4 +8/g)).toHaveLength(2);
});

test('a picture that nobody draws is told of by name, and what to do', async ({ page }) => {
  const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(200)]);
  await page.getByLabel('Picture file').setInputFiles({ name: 'IMG_0042.HEIC', mimeType: 'image/heic', buffer: heic });
  await expect(page.getByRole('alert')).toContainText('IMG_0042.HEIC: This is a HEIC picture, as phones keep them');
  await page.getByRole('button', { name: 'Dismiss' }).click();
});

test('a page of a PDF is imported as text, shapes and inks that can be changed, and leaves as it came', async ({
  page,
}, info) => {
  const ink = { ink: 'tea', tint: 1 };
  const words = makeWords({
    id: 'w',
    x: 20,
    y: 60,
    text: 'Seed swap on Sunday',
    lettering: { typeface: 'lora/regular', size: 14 },
  });
  const job = addInk(cardWith([], { faces: 2 }), {
    id: 'tea',
    name: 'Tea',
    kind: 'process',
    cmyk: [0.9, 0.1, 0.35, 0.05],
  });
  const drawn = [makeShape({ id: 's', x: 20, y: 20, width: 90, height: 30, paint: ink }), words];
  const asked = { pieceId: 'card', shop: shopOf('metric-offset'), marks: false };
  const pdf = await writePdf(
    drawn.reduce((j, each) => addElement(j, 'card-2', each), job),
    asked,
    {
      ...kit,
      press: checkKit.press,
      assets: {},
    },
  );
  await page
    .getByLabel('Picture file')
    // As artwork that is a PDF is called where it was made.
    .setInputFiles({ name: 'swap.ai', mimeType: 'application/postscript', buffer: Buffer.from(pdf) });
  const dialog = page.getByRole('dialog', { name: 'Import swap.ai' });
  await expect(dialog.getByRole('alert')).toContainText('There is nothing to see on this page');
  await dialog.getByRole('spinbutton', { name: 'Page' }).fill('2');
  await page.keyboard.press('Enter');
  // What nothing is drawn on shows the paper, not black.
  const seen = () =>
    dialog.getByRole('img', { name: 'Page 2' }).evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return { corner: data[3], drawn: data.some((value, i) => i % 4 === 3 && value === 255) };
    });
  await expect.poll(seen).toEqual({ corner: 0, drawn: true });
  await expect(dialog.getByLabel('Ink for C0 M0 Y0 K100')).toHaveValue('black');
  await expect(dialog.getByLabel('Ink for C90 M10 Y35 K5')).toHaveValue('new');
  await dialog.getByRole('button', { name: 'Place' }).click();
  // Both that were placed are selected: the words alone say what they are set in.
  await row(page, /^Seed swap on Sunday/).click();
  await expect(page.getByRole('button', { name: /^Typeface/ })).toContainText('Lora');
  expect(await shownIn(page, 'Size')).toBe('14 pt');
  const file = info.outputPath('card.pdf');
  writeFileSync(file, await exportedFile(page));
  expect(execFileSync('pdftotext', [file, '-']).toString()).toContain('Seed swap on Sunday');
  expect(
    execFileSync('qpdf', ['--qdf', '--object-streams=disable', file, '-'], { maxBuffer: 1 << 28 }).toString('latin1'),
  ).toMatch(/^0?\.9 0?\.1 0?\.35 0?\.05 (k|sc|scn)$/m);
});

test('a page of a PDF is placed as one thing, with its inks, and leaves as it came', async ({ page }, info) => {
  const moss = { id: 'moss', name: 'Moss', kind: 'spot' as const, cmyk: [0.6, 0.1, 0.9, 0.2] as const };
  const drawn = [
    makeShape({ id: 's', x: 40, y: 30, width: 90, height: 30, paint: { ink: 'moss', tint: 1 } }),
    makeWords({ id: 'w', x: 42, y: 80, text: 'Seeds by post', lettering: { typeface: 'lora/regular', size: 14 } }),
  ];
  const job = drawn.reduce(
    (j, each) => addElement(j, 'card-2', each),
    addInk(cardWith([], { faces: 2 }), moss as never),
  );
  const asked = { pieceId: 'card', shop: shopOf('metric-offset'), marks: true };
  const pdf = await writePdf(job, asked, { ...kit, press: checkKit.press, assets: {} });
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'seeds.pdf', mimeType: 'application/pdf', buffer: Buffer.from(pdf) });
  const dialog = page.getByRole('dialog', { name: 'Import seeds.pdf' });
  await dialog.getByRole('button', { name: 'One thing, as it is' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('There is nothing to see on this page.');
  await expect(dialog.getByRole('button', { name: 'Place' })).toBeDisabled();
  await dialog.getByRole('spinbutton', { name: 'Page' }).fill('2');
  await page.keyboard.press('Enter');
  await expect(dialog).toContainText('Prints on Black, Moss.');
  await expect(dialog).toContainText('The spot ink Moss is added to the job.');
  await dialog.getByRole('button', { name: 'Place' }).click();
  await expect(row(page, /^seeds/)).toContainText('PDF page');
  const card = page.getByRole('region', { name: 'PDF page' });
  await expect(card).toContainText('91 × 61 mm');
  await expect(card).toContainText('100 %');
  const file = info.outputPath('card.pdf');
  writeFileSync(file, await exportedFile(page));
  expect(execFileSync('pdftotext', [file, '-']).toString()).toContain('Seeds by post');
  expect(execFileSync('pdffonts', [file]).toString()).toMatch(/Lora-Regular/);
  expect(execFileSync('qpdf', ['--json', file], { maxBuffer: 1 << 28 }).toString()).toMatch(
    /"\/Separation",\s*"\/Moss"/,
  );
});

test('a logo is seen before it is placed, and lands where there is room', async ({ page }) => {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="30"><path fill="#1f4d3a" d="M0 0h40v30h-40z"/><circle fill="#b5542c" cx="70" cy="15" r="14"/></svg>';
  const placedOf = (): Promise<Record<string, DOMRect>> =>
    page
      .locator('svg[data-face] [data-element]')
      .evaluateAll((all) =>
        Object.fromEntries(
          all.map((each) => [each.getAttribute('data-element'), each.getBoundingClientRect().toJSON()]),
        ),
      );
  const before = await placedOf();
  // Packed, as many programs save it to mail.
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'mark.svgz', mimeType: 'application/gzip', buffer: gzipSync(svg) });
  const dialog = page.getByRole('dialog', { name: 'Import mark.svgz' });
  await expect(dialog.getByLabel('Ink for #b5542c')).toBeVisible();
  const seen = (within: Locator): Promise<number> =>
    within.getByRole('img', { name: 'The drawing' }).evaluate((image: HTMLImageElement) => image.naturalWidth);
  await expect.poll(() => seen(dialog)).toBe(90);
  expect(await against(page, { within: 'dialog' })).toEqual([]);
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await page
    .getByLabel('Picture file')
    .setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  const plain = page.getByRole('dialog', { name: 'Import mark.svg' });
  await expect.poll(() => seen(plain)).toBe(90);
  await plain.getByRole('button', { name: 'Place' }).click();
  await expect.poll(async () => Object.keys(await placedOf()).length).toBe(Object.keys(before).length + 2);
  const after = await placedOf();
  // Grounds lie below everything; the side that is not shown in full has none of it.
  const others = Object.values(before).filter(({ width, height }) => width < 400 || height < 200);
  for (const [id, box] of Object.entries(after).filter(([each]) => !(each in before)))
    for (const other of others) {
      const apart =
        box.right <= other.left + 1 ||
        other.right <= box.left + 1 ||
        box.bottom <= other.top + 1 ||
        other.bottom <= box.top + 1;
      expect(apart, id).toBe(true);
    }
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
});
