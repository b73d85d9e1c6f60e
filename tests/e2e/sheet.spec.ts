import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { bytesOf, typeInto } from './bench';
import { test } from './one-page';

const layouts = (page: Page) => page.getByRole('radiogroup', { name: 'Layouts' });
const fields = (page: Page) => page.getByRole('complementary', { name: 'What the sheet is' });

async function openSheet(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Sheet', exact: true }).click();
  await expect(layouts(page).getByText('23 up').first()).toBeVisible();
}

test('cards go on a sheet, backs behind fronts, and come off it by the plan of cuts', async ({ page }, info) => {
  await openSheet(page);
  await typeInto(page, 'Quantity', '0');
  await expect(page.getByRole('alert')).toHaveText('Enter 1 to 10,000,000.');
  await typeInto(page, 'Quantity', '500');
  await expect(page.getByRole('alert')).toHaveCount(0);
  const counted = (sheets: number) =>
    layouts(page)
      .getByText(new RegExp(`^${sheets} sheets, 25 % waste, \\d+ cuts`))
      .first();
  // ⌈500 / 23⌉ = 22, and what the shop asks: 40 for each of two forms, 2 % a pass; 22.88 are 23.
  await expect(page.getByText('40 sheets for each form, 2 % a pass, 1 % a finishing step')).toBeVisible();
  await expect(counted(103)).toBeVisible();
  // By hand: 5 % of 22.
  await page.getByLabel('Overs', { exact: true }).selectOption({ label: 'Overs by percentage' });
  await expect(counted(24)).toBeVisible();
  await expect(page.getByRole('img', { name: 'The sheet, front: 23 pieces' })).toBeVisible();
  await page.getByRole('button', { name: 'Light table' }).click();
  await expect(page.getByRole('img', { name: 'The sheet, light table: 23 pieces' })).toBeVisible();
  const plan = page.getByRole('table', { name: 'Cutting plan' });
  await expect(page.getByRole('heading', { name: /^Cutting plan: 49 cuts/ })).toBeVisible();
  await expect(plan.getByRole('row')).toHaveCount(50);
  await layouts(page).getByRole('radio').nth(2).check();
  await expect(page.getByRole('img', { name: 'The sheet, light table: 21 pieces' })).toBeVisible();
  await page.getByRole('button', { name: 'Export sheets' }).click();
  await expect(page.getByText(/Read back: all \d+ rules of PDF\/X-4 hold/)).toBeVisible({ timeout: 60_000 });
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save .*sheets\.pdf/ }).click();
  const file = info.outputPath('sheets.pdf');
  writeFileSync(file, await bytesOf(await saving));
  expect(execFileSync('pdfinfo', ['-box', file]).toString()).toMatch(
    /Pages:\s+2\n[\s\S]*MediaBox:\s+0\.00\s+0\.00\s+907\.09\s+1275\.59/,
  );
  expect(
    execFileSync('pdftotext', [file, '-'])
      .toString()
      .match(/Iris Calloway/g),
  ).toHaveLength(21);
});

test('other people and pieces share the sheet; what cannot be laid out is told of and loses nothing', async ({
  page,
}) => {
  await openSheet(page);
  const share = fields(page).getByLabel('Add to the sheet');
  await share.selectOption({ index: 1 });
  await expect(
    layouts(page)
      .getByText(/ganged/)
      .first(),
  ).toBeVisible();
  await share.selectOption({ label: 'Postcard, spring opening' });
  await expect(page.getByRole('img', { name: /The sheet, front: \d+ pieces/ })).toBeVisible();
  await fields(page)
    .getByRole('button', { name: /^Without Postcard/ })
    .click();
  await fields(page)
    .getByRole('button', { name: /^Without/ })
    .click();
  await expect(layouts(page).getByText('23 up').first()).toBeVisible();
});

test('a layout that was found is changed by hand: typed, dragged, added to, and left again', async ({ page }, info) => {
  await openSheet(page);
  await page.getByRole('button', { name: 'Edit layout' }).click();
  const hand = page.getByRole('region', { name: 'Layout by hand' });
  const block = (n: number) => hand.getByRole('group', { name: `Block ${n}`, exact: true });
  await expect(layouts(page).getByText('by hand')).toBeVisible();
  // The best layout is mixed: cards of one way above cards of the other.
  await block(1).getByLabel('Rows').fill('40');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('runs out of what can be printed on');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  const columns = block(1).getByLabel('Columns');
  await columns.fill(`${Number(await columns.inputValue()) - 1}`);
  await columns.press('Enter');
  await expect(layouts(page).getByText('22 up')).toBeVisible();
  const left = block(1).getByLabel('Left');
  const before = Number.parseFloat(await left.inputValue());
  await page.getByRole('button', { name: 'Front', exact: true }).hover();
  const handle = (await page.locator('[data-block="1"]').boundingBox())!;
  const drag = async (): Promise<void> => {
    await page.mouse.move(handle.x + 20, handle.y + 20);
    await page.mouse.down();
    await page.mouse.move(handle.x + 60, handle.y + 20, { steps: 4 });
  };
  await drag();
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect(Number.parseFloat(await left.inputValue())).toBe(before);
  await drag();
  await page.mouse.up();
  await expect.poll(async () => Number.parseFloat(await left.inputValue())).toBeGreaterThan(before + 15);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('img', { name: 'The sheet, front: 22 pieces' })).toBeVisible();
  await page.getByRole('button', { name: 'Export sheets' }).click();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save .*sheets\.pdf/ }).click({ timeout: 60_000 });
  const file = info.outputPath('hand.pdf');
  writeFileSync(file, await bytesOf(await saving));
  const words = execFileSync('pdftotext', [file, '-']).toString();
  expect(words.match(/Iris Calloway/g)).toHaveLength(22);
  await hand.getByRole('button', { name: 'Another block' }).click();
  await expect(page.getByRole('alert')).toContainText('lie over one another');
  await hand
    .getByRole('button', { name: /^Remove Block/ })
    .last()
    .click();
  await hand.getByRole('button', { name: 'Reset layout' }).click();
  await expect(layouts(page).getByText('23 up').first()).toBeVisible();
  await fields(page).getByLabel('Work style').selectOption('work-and-turn');
  await expect(layouts(page).getByText('22 up').first()).toBeVisible();
});
