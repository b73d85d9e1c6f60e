import { expect, type Page } from '@playwright/test';
import { drag, element, middleOf, row, shownIn, typeInto } from './bench';
import { test } from './one-page';

/** Paint, shadows and repeats from the menu; several things by any of nine points; handles that are caught. */

const add = (page: Page, name: string) =>
  page.getByRole('complementary', { name: 'Contents' }).getByRole('button', { name, exact: true }).click();

async function fromMenu(page: Page, at: string, group: string, item: string): Promise<void> {
  await element(page, at).click({ button: 'right' });
  await page.getByRole('menuitem', { name: group, exact: true }).hover();
  const wanted = page.getByRole('menuitem', { name: item, exact: true });
  // It is there a moment before it has its place; and a hand goes there, it does not leap.
  await expect(wanted).toBeInViewport();
  const to = await middleOf(wanted);
  await page.mouse.move(to.x, to.y, { steps: 12 });
  await wanted.click();
}

async function square(page: Page, x: string, y: string, w: string, h: string): Promise<string> {
  await add(page, 'Rectangle');
  await typeInto(page, 'W', w);
  await typeInto(page, 'H', h);
  await typeInto(page, 'X', x);
  await typeInto(page, 'Y', y);
  return (await page.locator('main [data-element]').last().getAttribute('data-element'))!;
}

test('the menu fills, outlines, shades and repeats', async ({ page }) => {
  const id = await square(page, '30', '20', '6', '4');
  await fromMenu(page, id, 'Paint', 'Fill: linear gradient');
  await expect(page.getByLabel('Kind of fill')).toHaveValue('linear');
  await fromMenu(page, id, 'Paint', 'Drop shadow Shift S');
  await expect(page.getByLabel('Drop shadow')).toBeChecked();
  await page.keyboard.press('Shift+S');
  await expect(page.getByLabel('Drop shadow')).toBeHidden();
  await fromMenu(page, id, 'Repeat', 'Repeat: in a row');
  await expect(page.getByLabel('Across', { exact: true })).toHaveValue('3');
  await typeInto(page, 'Gap across', '2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Across', { exact: true })).toBeHidden();

  // Things are added by two keys, one after the other.
  const before = await page.locator('main [data-element]').count();
  await page.keyboard.press('a');
  await page.keyboard.press('n');
  await expect(page.locator('main [data-element]')).toHaveCount(before + 1);
  await expect(page.getByText('Polygon').first()).toBeVisible();
});

test('several things are measured from the middle, and grow about it', async ({ page }) => {
  const a = await square(page, '30', '20', '4', '4');
  const b = await square(page, '40', '26', '6', '4');
  await row(page, 'Rectangle').first().click();
  await row(page, 'Rectangle')
    .nth(1)
    .click({ modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'Middle', exact: true }).click();
  await expect(page.getByLabel('X', { exact: true })).toHaveValue('38 mm');
  await expect(page.getByLabel('Y', { exact: true })).toHaveValue('25 mm');
  await typeInto(page, 'W', '32');
  await expect(page.getByLabel('X', { exact: true })).toHaveValue('38 mm');
  await expect(page.getByLabel('H', { exact: true })).toHaveValue('20 mm');
  await page.getByRole('button', { name: 'Top left', exact: true }).click();
  expect(await shownIn(page, 'X')).toBe('22 mm');
  for (const id of [a, b]) await expect(element(page, id)).toBeVisible();
});

test('the frame around several, and the side of what is turned, are caught by the centre line', async ({ page }) => {
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await square(page, '20', '20', '4', '10');
  await square(page, '30', '20', '4', '10');
  await row(page, 'Rectangle').first().click();
  await row(page, 'Rectangle')
    .nth(1)
    .click({ modifiers: ['Shift'] });
  const sheet = (await page.locator('svg[data-face]').first().boundingBox())!;
  const mm = sheet.width / 91;
  const east = page.locator('[data-handle="e"] rect').first();
  // From 34 mm to within 6 pixels of the middle of the card, 42.5 mm.
  await drag(page, await middleOf(east), { x: 8.5 * mm - 4, y: 0 });
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('22.5 mm');

  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  const turned = await square(page, '20', '20', '10', '6');
  await typeInto(page, 'Rotate, degrees clockwise', '30');
  const side = page.locator('[data-handle="e"] rect').first();
  // The middle of its right side is at 25 + 5 cos 30° mm; on the centre line it is 42.5 mm from the left.
  const far = (42.5 - 25 - 5 * Math.cos(Math.PI / 6)) * mm - 3;
  await drag(page, await middleOf(side), { x: far, y: far * Math.tan(Math.PI / 6) });
  // Its left side stays: the whole is 5 + 17.5 / cos 30° wide.
  await expect(page.getByLabel('W', { exact: true })).toHaveValue('25.207 mm');
  await expect(element(page, turned)).toBeVisible();
});
