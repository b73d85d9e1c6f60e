import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import sharp from 'sharp';
import { exportedFile, row } from './bench';
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
