import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page } from '@playwright/test';
import { makePng } from '../png';
import { element, row, typeInto } from './bench';
import { test } from './one-page';

/** A client's facts, people and logos, and the pieces that follow them. */
const toHouse = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'House style' }).click();
  await expect(page.getByRole('region', { name: 'Company details' })).toBeVisible();
};
/** Lays the first logo of the house on the card’s back, and gives the stack it lies in. */
async function placeLogo(page: Page): Promise<Locator> {
  await page.getByRole('tab', { name: 'Back' }).click();
  await toHouse(page);
  await page
    .getByRole('button', { name: /^Place on/ })
    .first()
    .click();
  return page.getByRole('list', { name: 'Stack' });
}
const toLayout = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'Layout' }).click();
  await expect(element(page, 'name')).toBeVisible();
};
test('a detail changed once changes every piece; an empty one takes its line along', async ({ page }) => {
  await toHouse(page);
  await page.getByLabel('Postcode').fill('LH9 9ZZ');
  await page.getByLabel('Postcode').press('Enter');
  await page.getByLabel('Direct line of Iris Calloway').fill('');
  await page.getByLabel('Direct line of Iris Calloway').press('Enter');
  await toLayout(page);
  const stack = page.getByRole('list', { name: 'Stack' });
  // The contents name the first line that is left.
  await expect(stack.getByText('iris@hollinandfen.example')).toBeVisible();
  await toHouse(page);
  await expect(page.getByLabel('Postcode')).toHaveValue('LH9 9ZZ');
  await page.getByLabel('Phone', { exact: true }).fill('01632 960 199');
  await page.getByLabel('Phone', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Phone', { exact: true })).toHaveValue('01632 960 110');
});

test('a card is shown for another person, and quotes a detail picked by the sign', async ({ page }) => {
  await page.keyboard.press('Escape');
  await page.getByLabel('Shown for').selectOption({ label: 'Ottilie Marsh, Planting design' });
  const stack = page.getByRole('list', { name: 'Stack' });
  await expect(stack.getByText('Ottilie Marsh')).toBeVisible();
  await element(page, 'contact').dblclick();
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toBeVisible();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('@web');
  await expect(page.getByRole('option', { name: /^Web hollinandfen.example/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+Enter');
  await toHouse(page);
  const web = page.getByLabel('Web');
  await web.fill('fen.example');
  await web.press('Enter');
  await expect(page.getByText('quoted in 2 places').first()).toBeVisible();
  await toLayout(page);
  await element(page, 'contact').dblclick();
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toContainText('fen.example');
});

test('people come in from a table and go out as contact cards', async ({ page }) => {
  await toHouse(page);
  await page.getByLabel('A file of people').setInputFiles({
    name: 'staff.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Name;Job title;Phone\r\n"Bea ""Bee"" Quill";Bees, and honey;01632 960 130\r\n'),
  });
  await expect(page.getByText('One person imported.')).toBeVisible();
  await expect(page.getByLabel('Title of Bea "Bee" Quill')).toHaveValue('Bees, and honey');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'vCard' }).click();
  const cards = readFileSync(await (await waiting).path(), 'utf8');
  expect(cards.match(/BEGIN:VCARD/g)).toHaveLength(7);
  expect(cards).toContain('TITLE:Bees\\, and honey');
  await page.getByLabel('A file of people').setInputFiles({
    name: 'broken.vcf',
    mimeType: 'text/vcard',
    buffer: Buffer.from('BEGIN:VCARD\r\nFN'),
  });
  await expect(page.getByRole('alert')).toContainText('damaged');
});

test('a logo of the house is laid, found too small and crowded', async ({ page }) => {
  await page.getByRole('button', { name: 'Logo', exact: true }).click();
  await page.getByRole('button', { name: /^Fern, one ink/ }).click();
  await expect(page.getByRole('button', { name: /^\d+ findings?$/ })).toBeVisible();
  await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  await expect(page.getByText('Fern, one ink is crowded')).toBeVisible();
});

test('a named style is changed in the house, and the card’s words follow', async ({ page }) => {
  await row(page, /^Iris Calloway/)
    .first()
    .click();
  await page.getByRole('button', { name: 'Save as a style' }).click();
  await page.getByLabel('Name of the style').fill('Our names');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('link', { name: 'House style' }).click();
  const styles = page.getByRole('list', { name: 'Named styles' });
  const ours = styles.getByRole('listitem').filter({ has: page.getByLabel('Name of the style Our names') });
  await ours.getByLabel('Size').fill('9 pt');
  await ours.getByLabel('Size').press('Enter');
  await ours.getByLabel('Ink of Our names').selectOption({ label: 'Copper' });
  await page.getByRole('link', { name: 'Layout' }).click();
  await expect(row(page, /^Iris Calloway/).first()).toContainText('Our names, 9 pt');
});

test('a person’s picture is quoted, and changes with the person', async ({ page }) => {
  const picture = (shade: number) => ({
    name: `face-${shade}.png`,
    mimeType: 'image/png',
    buffer: Buffer.from(makePng(300, 300, () => [shade, shade, shade])),
  });
  await page.getByRole('link', { name: 'House style' }).click();
  await page.getByLabel('Picture of Iris Calloway').setInputFiles(picture(40));
  await expect(page.getByRole('img', { name: 'Iris Calloway', exact: true })).toBeVisible();
  await page.getByLabel('Picture of Tomás Abara').setInputFiles(picture(220));
  await expect(page.getByRole('img', { name: 'Tomás Abara', exact: true })).toBeVisible();
  await toLayout(page);
  await page.getByLabel('Picture file').setInputFiles(picture(90));
  await row(page, /^face-90/).click();
  const laid = page.locator('svg[data-face] image').first();
  await expect(laid).toBeVisible();
  await page.getByLabel('Picture of whoever it is shown for').check();
  const first = await laid.getAttribute('href');
  await page.keyboard.press('Escape');
  await page.getByLabel('Shown for').selectOption({ label: 'Tomás Abara, Tea room' });
  await expect.poll(() => laid.getAttribute('href')).not.toBe(first);
});

test('a logo is placed from the house style by one click, where there is room, and is one row with its parts in it', async ({
  page,
}) => {
  const stack = await placeLogo(page);
  const logo = stack.getByRole('button', { name: /^Fern logo,/ });
  await expect(logo).toHaveAttribute('aria-pressed', 'true');
  // Its clear space is on the photograph alone, and away from the trim.
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
  const parts = stack.getByRole('button', { name: 'Parts of Fern' });
  await expect(parts).toHaveAttribute('aria-expanded', 'false');
  const rows = await stack.getByRole('listitem').count();
  await parts.click();
  await expect.poll(() => stack.getByRole('listitem').count()).toBeGreaterThan(rows);
  await parts.click();
  await expect.poll(() => stack.getByRole('listitem').count()).toBe(rows);
  // The whole of it goes down the stack by keys, each step told aloud.
  const below = (await stack.getByRole('listitem').nth(1).locator('span.block').first().textContent())!;
  await stack.getByRole('button', { name: 'Reorder Fern', exact: true }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/^Fern lifted\./)).toBeAttached();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText(`Fern is at the place of ${below}.`)).toBeAttached();
  await page.keyboard.press('Space');
  await expect(stack.getByRole('listitem').nth(0)).toContainText(below);
  await expect(stack.getByRole('listitem').nth(1)).toContainText('Fern');
});

test('a logo that is lost on a dark picture is told of, and its reversed version laid there by one click', async ({
  page,
}) => {
  const stack = await placeLogo(page);
  await expect(stack.getByRole('button', { name: /^Fern logo,/ })).toHaveAttribute('aria-pressed', 'true');
  // Down among the dark leaves.
  for (const [label, value] of [
    ['W', '9'],
    ['X', '8'],
    ['Y', '37'],
  ] as const)
    await typeInto(page, label, value);
  await page.getByRole('button', { name: /^\d findings$/ }).click();
  await expect(page.getByText(/Fern hardly shows on what lies under it/)).toBeVisible();
  await page.getByRole('button', { name: 'Use the version for this ground' }).click();
  await expect(page.getByText(/hardly shows/)).toBeHidden();
  const [only, ...others] = await stack.getByRole('button', { name: /^Fern/ }).all();
  expect(others).toEqual([]);
  await expect(only!).toContainText('Fern, reversed');
});
