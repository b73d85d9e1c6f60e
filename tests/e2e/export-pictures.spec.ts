import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { test } from './one-page';

test('faces are written as pictures: a PNG, and separated TIFFs in a zip', async ({ page }) => {
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByRole('tab', { name: 'Images', exact: true }).click();
  await page.getByLabel('Back', { exact: true }).uncheck();
  await page.getByLabel('ppi').fill('200');
  await page.getByLabel('ppi').press('Enter');
  const png = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export image' }).click();
  const first = await png;
  expect(first.suggestedFilename()).toBe('hollin-and-fen-business-card-iris-calloway-85x55mm-front.png');
  const seen = await sharp(readFileSync(await first.path())).metadata();
  // 85 mm at 200 ppi are 669.3 pixels.
  expect(Math.abs(seen.width! - 669)).toBeLessThanOrEqual(1);
  expect(seen.density).toBe(200);
  await page.getByLabel('TIFF, separated').check();
  const zip = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export image' }).click();
  const files = unzipSync(readFileSync(await (await zip).path()));
  expect(Object.keys(files).sort()).toEqual([
    'hollin-and-fen-business-card-iris-calloway-85x55mm-front-copper.tif',
    'hollin-and-fen-business-card-iris-calloway-85x55mm-front.tif',
  ]);
  const cmyk = await sharp(files['hollin-and-fen-business-card-iris-calloway-85x55mm-front.tif']!).metadata();
  expect(cmyk).toMatchObject({ space: 'cmyk', channels: 4 });
});
