import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { makePng } from '../png';
import { against } from './access';
import { bytesOf } from './bench';
import { test } from './fresh';

const SIGNATURE = `Maria Lopez
Owner & Head Mechanic
Spoke & Chain Bicycle Works
Repairs and bicycles built to measure
2301 Commonwealth Blvd, Suite 140
Saint Augustine, FL 32080
Phone: (202) 555-0143 | Mobile: (202) 555-0187
maria@spokeandchain.example
www.spokeandchain.example`;

const LOGO = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><circle cx="50" cy="50" r="40" fill="none"
 stroke="#0b3d5c" stroke-width="10"/><circle cx="50" cy="50" r="8" fill="#e4572e"/><path d="M110 20h80v14h-80zM110 44h60v14h-60z" fill="#0b3d5c"/></svg>`;

const look = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });

test('a new client becomes a set of five pieces without a finding, and leaves as PDF/X, in few actions', async ({
  page,
}) => {
  let actions = 0;
  const act = async (done: Promise<unknown>): Promise<void> => {
    actions++;
    await done;
  };
  await act(page.goto('/'));
  await act(page.getByRole('link', { name: 'New job' }).click());
  await act(page.getByLabel(/Paste an email signature/).fill(SIGNATURE));
  // What was read is there to be corrected, each with the line it came from.
  await expect(page.getByLabel('Company', { exact: true })).toHaveValue('Spoke & Chain Bicycle Works');
  await expect(page.getByRole('textbox', { name: /^State/ })).toHaveValue('FL');
  await expect(page.getByText('from “Saint Augustine, FL 32080”').first()).toBeVisible();
  await expect(page.getByLabel('Client’s country')).toHaveValue('US');
  await act(
    page
      .getByLabel('Logo file')
      .setInputFiles({ name: 'spoke.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(LOGO) }),
  );
  await expect(page.getByRole('list', { name: 'Colours of the logo' }).getByRole('listitem')).toHaveCount(2);
  await act(look(page, 'Side panel').check({ force: true }));
  await expect(page.getByText('8 1/2 × 11 in')).toBeVisible();
  await act(page.getByRole('button', { name: 'Create 5 pieces' }).click());

  await expect(page).toHaveURL(/\/pieces\?/);
  // Five pieces are laid on their plates and looked over.
  await expect(page.getByText('no findings')).toHaveCount(5, { timeout: 60_000 });
  await act(page.getByRole('link', { name: 'Open Business card' }).click());
  await act(page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Hand-off' }).click());
  for (const name of ['Letterhead', 'Envelope', 'Postcard', 'Flyer'])
    await act(page.getByRole('checkbox', { name, exact: true }).check());
  await act(page.getByRole('button', { name: /^Export/ }).click());
  const saving = page.waitForEvent('download');
  await act(page.getByRole('button', { name: /^Save all/ }).click());
  expect(actions).toBeLessThan(25);

  // The files are read by a tool that is not ours: their pages are of the usual American sizes.
  const folder = mkdtempSync(join(tmpdir(), 'tidy-new-job-'));
  const files = Object.entries(unzipSync(await bytesOf(await saving))).filter(([name]) => name.endsWith('.pdf'));
  const trims = files.map(([name, bytes]) => {
    const path = join(folder, name.replace(/\W/g, '_'));
    writeFileSync(path, bytes);
    const [, left, top, right, bottom] = /TrimBox:\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)/.exec(
      execFileSync('pdfinfo', ['-box', path], { encoding: 'utf8' }),
    )!;
    return [Number(right) - Number(left), Number(bottom) - Number(top)].map((points) => Math.round(points * 10) / 10);
  });
  for (const size of [
    [252, 144],
    [612, 792],
    [684, 297],
    [432, 288],
    [396, 612],
  ])
    expect(trims).toContainEqual(size);

  // The next piece begins where these stand: in inches, and in their look.
  await page.goBack();
  await page.goBack();
  await page.getByRole('link', { name: 'New piece' }).click();
  await expect(look(page, 'Side panel')).toBeChecked();
  await expect(page.getByRole('button', { name: 'Create piece, 3 1/2 × 2 in' })).toBeVisible();
});

test('every step can be skipped: what is missing holds its place, and is found', async ({ page }) => {
  await page.goto('/new-job');
  await look(page, 'Centre line').check({ force: true });
  for (const name of [/^Letterhead/, /^Envelope/, /^Postcard/, /^Flyer/])
    await page.getByRole('checkbox', { name }).uncheck();
  await page.getByRole('button', { name: 'Create 1 piece' }).click();
  await page.getByRole('link', { name: 'Open Business card' }).click();
  await expect(page.getByRole('img', { name: /^Front, with/ })).toBeVisible();
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await expect(
    page.getByText(/“Person’s name” is placeholder text: fill it in under House style/).first(),
  ).toBeVisible();
});

test('a logo in pixels is told of and traced; a file that is none is refused in words', async ({ page }) => {
  await page.goto('/new-job');
  await look(page, 'Left margin').waitFor();
  const file = page.getByLabel('Logo file');
  await file.setInputFiles({ name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') });
  await expect(page.getByRole('region', { name: 'Logo' }).getByRole('alert')).toBeVisible();
  await file.setInputFiles({
    name: 'mark.png',
    mimeType: 'image/png',
    buffer: Buffer.from(
      makePng(120, 80, (x, y) => (Math.hypot(x - 60, y - 40) < 30 ? [20, 60, 120] : [255, 255, 255])),
    ),
  });
  await expect(page.getByText(/This logo is a bitmap/)).toBeVisible();
  await expect(page.getByRole('list', { name: 'Colours of the logo' }).getByRole('listitem').first()).toBeVisible();
});

test('the room can be heard, in both themes', async ({ page }) => {
  await page.goto('/new-job');
  await look(page, 'Left margin').waitFor();
  await expect(
    page
      .locator('label')
      .filter({ has: look(page, 'Large letters') })
      .locator('svg')
      .first(),
  ).toBeVisible();
  expect(await against(page)).toEqual([]);
  await page.getByRole('button', { name: 'Use the dark theme' }).click();
  expect(await against(page, { rules: ['color-contrast'] })).toEqual([]);
});
