import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import sharp from 'sharp';
import { against } from './access';
import { bytesOf, element, exportedFile, row, typeInto, writeForShop } from './bench';
import { test } from './one-page';

/** The Inks room as a designer uses it: plates, the palette, what the piece prints with, the shop's profile. */

const toInks = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'Inks', exact: true }).click();
  await expect(page.getByTestId('plates')).toBeVisible();
};
const plate = (page: Page, name: string) =>
  page
    .getByRole('region', { name: 'Plates of this side' })
    .getByRole('row', { name: new RegExp(`^Show ${name}|^${name}`) });
const inkRow = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Inks', exact: true }).getByRole('button', { name: new RegExp(`^${name}`) });
/** The middle pixel of what is shown. */
const pixel = (page: Page, x: number, y: number): Promise<number[]> =>
  page.getByTestId('plates').evaluate(
    (canvas, [fx, fy]) => {
      const on = canvas as HTMLCanvasElement;
      const at = on.getContext('2d')!.getImageData(Math.round(fx! * on.width), Math.round(fy! * on.height), 1, 1);
      return [...at.data.subarray(0, 3)];
    },
    [x, y],
  );

test('plates are shown together, alone and as a sum, and amounts under the pointer add up', async ({ page }) => {
  // The green panel is 240 %; along its edge a thread of copper lies on it.
  await expect(page.getByText('total ink 257 %')).toBeVisible();
  await toInks(page);
  await expect(plate(page, 'Copper')).toBeVisible();
  // The green panel, C85 M38 Y72 K45, is 240 %.
  const canvas = (await page.getByTestId('plates').boundingBox())!;
  await page.mouse.move(canvas.x + canvas.width * 0.08, canvas.y + canvas.height * 0.15);
  await expect(plate(page, 'Cyan')).toContainText('85.0 %');
  await expect(plate(page, 'Sum')).toContainText('240.0 %');
  await expect(plate(page, 'Copper')).toContainText('0.0 %');

  await page.getByRole('button', { name: 'Black alone' }).click();
  await expect.poll(() => pixel(page, 0.08, 0.15)).toEqual([140, 140, 140]);
  await page.getByRole('button', { name: 'All plates' }).click();
  await expect.poll(async () => (await pixel(page, 0.08, 0.15))[1]).toBeLessThan(90);
  for (const name of ['Cyan', 'Magenta', 'Yellow', 'Black'])
    await page.getByLabel(`Show ${name}`, { exact: true }).uncheck();
  await expect.poll(() => pixel(page, 0.08, 0.15)).toEqual([255, 255, 255]);
});

test('an ink that is too wet is found, shown, and separated again', async ({ page }) => {
  await toInks(page);
  await inkRow(page, 'Fen green').click();
  await page.getByRole('button', { name: 'Change it everywhere…' }).click();
  for (const [label, value] of [
    ['Cyan', '90'],
    ['Magenta', '80'],
    ['Yellow', '90'],
    ['Black', '70'],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByRole('button', { name: 'Change ink', exact: true }).click();
  await expect(page.getByRole('button', { name: /total ink 330 %/ })).toBeVisible();
  await page.getByRole('button', { name: 'Total ink', exact: true }).click();
  await expect.poll(() => pixel(page, 0.08, 0.15)).toEqual([176, 58, 20]);
  const wet = page.getByRole('region', { name: 'Above the limit' });
  await expect(wet.getByRole('listitem').first()).toContainText('330 %');
  await wet
    .getByRole('button', { name: /^Print Fen green as/ })
    .first()
    .click();
  await expect(wet).toBeHidden();
  await expect(page.getByText(/total ink (2\d\d|300) %/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /total ink 330 %/ })).toBeVisible();
});

test('a piece of two inks: what strays is named and mended, and the file has just two plates', async ({ page }) => {
  await toInks(page);
  await page.getByRole('combobox', { name: 'Printed with' }).selectOption('two inks');
  await expect(page.getByLabel('The first ink')).toHaveValue('copper');
  const strays = page.getByRole('button', { name: /extra of/ });
  await expect(strays).toBeVisible();
  await strays.click();
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings).toContainText('Adds 3 plates');
  for (let left = await findings.getByRole('listitem').count(); left > 0; left--)
    await findings
      .getByRole('button', { name: /^(Make it|Print it)/ })
      .first()
      .click();
  await expect(findings).toBeHidden();
  await expect(page.getByText('plates K Copper')).toBeVisible();

  // The Layout room offers just these two and the paper.
  await page.getByRole('link', { name: 'Layout', exact: true }).click();
  await element(page, 'name').click();
  await expect(page.getByRole('group', { name: 'Inks of the job' }).getByRole('button')).toHaveCount(4);
  await writeForShop(page);
  await expect(page.getByText(/^Verified/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('row', { name: /^Screen colours/ })).toContainText('none');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save .*\.pdf/ }).click();
  const folder = mkdtempSync(join(tmpdir(), 'tidy-inks-'));
  writeFileSync(join(folder, 'two.pdf'), await bytesOf(await saving));
  execFileSync(
    'gs',
    ['-q', '-dSAFER', '-dBATCH', '-dNOPAUSE', '-sDEVICE=tiffsep', '-r72', '-o', 'p%d.tif', 'two.pdf'],
    {
      cwd: folder,
    },
  );
  const inked: string[] = [];
  for (const file of readdirSync(folder)) {
    const name = /^p1\((.+)\)\.tif$/.exec(file)?.[1];
    if (!name) continue;
    // Marks are on every plate: only the inside of the card counts.
    const { width, height } = await sharp(join(folder, file)).metadata();
    const inside = {
      left: Math.round(width! * 0.3),
      top: Math.round(height! * 0.3),
      width: Math.round(width! * 0.4),
      height: Math.round(height! * 0.4),
    };
    const pixels = await sharp(join(folder, file)).extract(inside).extractChannel(0).raw().toBuffer();
    if (pixels.some((byte) => byte < 250)) inked.push(name);
  }
  expect(inked.sort()).toEqual(['Black', 'Copper']);
});

test('inks are made from a screen colour, from the face, and from the logo; merged, and kept as files', async ({
  page,
}) => {
  await toInks(page);
  await page.getByRole('button', { name: 'Add an ink…' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Loud');
  await page.getByLabel('Or from a screen colour').fill('#00ff40');
  await page.getByRole('button', { name: 'Convert for this press' }).click();
  await expect(page.getByText(/ΔE \d+\.\d, far off/)).toBeVisible();
  await page.getByRole('button', { name: 'Add ink', exact: true }).click();
  await expect(inkRow(page, 'Loud')).toContainText('not used');

  await page.getByRole('button', { name: 'Pick from side' }).click();
  const canvas = (await page.getByTestId('plates').boundingBox())!;
  await page.mouse.click(canvas.x + canvas.width * 0.08, canvas.y + canvas.height * 0.15);
  await expect(page.getByLabel('Cyan', { exact: true })).toHaveValue('85');
  await page.getByLabel('Name', { exact: true }).fill('Picked');
  await page.getByRole('button', { name: 'Add ink', exact: true }).click();
  await expect(inkRow(page, 'Picked')).toContainText('C85 M38 Y72 K45');

  await page.getByRole('button', { name: 'Find', exact: true }).click();
  const drawn = page.getByRole('list', { name: /^Colours of/ });
  await expect(drawn.getByRole('listitem').first()).toContainText('C3 M7 Y20 K0');
  await drawn.getByRole('button', { name: 'Add', exact: true }).first().click();
  await expect(inkRow(page, 'Front 1')).toBeVisible();

  await inkRow(page, 'Picked').click();
  await page.getByLabel('What takes the place of Picked').selectOption('Fen green');
  await page.getByRole('button', { name: 'Replace' }).click();
  await expect(inkRow(page, 'Picked')).toBeHidden();

  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CxF' }).click();
  const cxf = (await bytesOf(await saving)).toString();
  expect(cxf).toContain('Name="Copper" ObjectType="Spot"');
  await page.getByLabel('A list of inks').setInputFiles({
    name: 'more.cxf',
    mimeType: 'application/xml',
    buffer: Buffer.from(cxf.replace('Name="Loud"', 'Name="Louder"')),
  });
  await expect(inkRow(page, 'Louder')).toBeVisible();
  await page.getByLabel('A list of inks').setInputFiles({ name: 'x.json', mimeType: '', buffer: Buffer.from('{oops') });
  await expect(page.getByRole('alert')).toContainText('damaged');
});

test('the shop’s own profile is loaded, used, and refused where it is none', async ({ page }) => {
  await toInks(page);
  const load = page.getByLabel('The shop’s profile');
  await load.setInputFiles({ name: 'no.icc', mimeType: '', buffer: Buffer.from('not a profile at all') });
  await expect(page.getByRole('alert')).toContainText('no colour profile');
  // A profile that differs from those that ship by a byte of its description.
  const profile = readFileSync('assets/profiles/estimated-uncoated.icc');
  profile[profile.length - 1] = profile[profile.length - 1]! ^ 1;
  await load.setInputFiles({ name: 'own.icc', mimeType: '', buffer: profile });
  await expect(page.getByLabel('Intent')).toHaveValue('relative colorimetric');
  await typeInto(page, 'Total ink up to %', '220');
  await expect(page.getByRole('button', { name: /total ink 257 %/ })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Total ink up to %')).toHaveValue('220');
  await page.getByRole('button', { name: 'Remove this profile' }).click();
  await expect(page.getByLabel('Intent')).toBeHidden();
});

test('overprint and the inks of a picture are set in the Layout room, and the plates follow', async ({ page }) => {
  await page.getByRole('tab', { name: 'Back' }).click();
  await row(page, 'Glasshouse').first().click();
  await page.getByText('How it prints').click();
  await page.getByLabel('Inks of the picture').selectOption('one');
  await expect(page.getByLabel('First ink: ink')).toBeVisible();
  await page.getByLabel('First ink: ink').selectOption('Copper');
  await page.getByLabel('Overprint').selectOption('overprints');
  await toInks(page);
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(plate(page, 'Copper')).toContainText(/[2-9]\d\.\d %/);
});

test('what overprints a picture is shown on the stage in the colours that its plates come to', async ({ page }) => {
  await page.getByRole('tab', { name: 'Back' }).click();
  await page.getByRole('button', { name: 'Rectangle', exact: true }).click();
  for (const [label, value] of [
    ['X', '20 mm'],
    ['Y', '20 mm'],
    ['W', '40 mm'],
    ['H', '25 mm'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
  await page.getByText('How it prints').click();
  await page.getByLabel('Overprint').selectOption('overprints');
  // The shape is a window on the mixture, not a blended colour.
  const mixture = page.locator('[data-face] image[clip-path]').last();
  await expect(mixture).toBeVisible();
  const url = (await mixture.getAttribute('href'))!;
  const png = Buffer.from(url.split(',')[1]!, 'base64');
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const middle = (Math.floor(info.height / 2) * info.width + Math.floor(info.width / 2)) * 3;
  const onStage = [...data.subarray(middle, middle + 3)];
  await toInks(page);
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  // The same place on the plates, bleed and all: the middle of the shape.
  const offBy = async (): Promise<number> => {
    const onPlates = await pixel(page, (20 + 20 + 3) / 91, (20 + 12.5 + 3) / 61);
    return Math.max(...onPlates.map((level, c) => Math.abs(level - onStage[c]!)));
  };
  await expect.poll(offBy).toBeLessThanOrEqual(2);
  await page.getByRole('link', { name: 'Layout' }).click();
  await page.getByRole('tab', { name: 'Back' }).click();
  await row(page, /^Rectangle/).click();
  await page.getByLabel('Overprint').selectOption('knocks out');
  await expect(page.locator('[data-face] image[clip-path][href^="data:"]')).toHaveCount(0);
});

test('a piece in four inks is brought to two: seen before, done in one step, undone in one', async ({ page }) => {
  await toInks(page);
  const chip = page.getByRole('region', { name: 'Status bar' });
  await page.getByRole('button', { name: 'Fewer inks…' }).click();
  const dialog = page.getByRole('dialog', { name: /^Fewer inks for/ });
  await expect(dialog.getByRole('img', { name: /^Front, Now/ })).toBeVisible();
  await expect(dialog.getByRole('img', { name: /^Front, With / })).toBeVisible();
  await expect(dialog.getByRole('list', { name: 'What changes' }).getByRole('listitem').first()).toContainText('ΔE');
  expect(await against(page, { within: 'dialog[open]' })).toEqual([]);
  const inks = await Promise.all(
    ['First ink', 'Second ink'].map((label) =>
      dialog.getByLabel(label).evaluate((select: HTMLSelectElement) => select.selectedOptions[0]!.text),
    ),
  );
  await dialog.getByRole('button', { name: 'Print with two inks' }).click();
  await expect(dialog).toBeHidden();
  // The plates that are laid are those two, and no other.
  const rows = page.getByRole('region', { name: 'Plates of this side' }).getByRole('checkbox');
  await expect(rows).toHaveCount(2);
  for (const ink of inks) await expect(plate(page, ink)).toBeVisible();
  await expect(chip).toContainText('No findings');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(chip).toContainText('plates C M Y K');
});

test('inks that meet are found, the lighter is spread by the fix, and the file says that it is trapped', async ({
  page,
}, info) => {
  await page.getByRole('link', { name: 'Hand-off', exact: true }).click();
  const spread = page.getByRole('combobox', { name: 'Spread of Business card, Iris Calloway' });
  await spread.selectOption({ label: 'No spread' });
  await page.getByRole('link', { name: 'Layout', exact: true }).click();
  await page.getByRole('button', { name: '1 finding', exact: true }).click();
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: 'Copper strip' })
      .getByText('Copper and Fen green meet without a plate in common, along 61 mm'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Spread the lighter ink by 0.08 mm' }).click();
  await expect(page.getByRole('button', { name: 'No findings', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Hand-off', exact: true }).click();
  await expect(spread.locator('option:checked')).toHaveText('0.08 mm');
  await spread.selectOption({ label: '0.1 mm' });
  const file = info.outputPath('trapped.pdf');
  writeFileSync(file, await exportedFile(page));
  expect(
    execFileSync('qpdf', ['--qdf', '--object-streams=disable', file, '-'], { maxBuffer: 1e9 }).toString('latin1'),
  ).toContain('/Trapped /True');
});
