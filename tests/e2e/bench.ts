import { readFileSync } from 'node:fs';
import { type Download, expect, type Locator, type Page } from '@playwright/test';

/** Moves a user makes again and again. */

export const openDemoCard = async (page: Page): Promise<void> => {
  await page.goto('/layout?job=hollin-and-fen&piece=card');
  await expect(element(page, 'name')).toBeVisible();
};

/** An element as drawn on the piece. */
export const element = (page: Page, id: string): Locator => page.locator(`[data-element="${id}"]`);

export const row = (page: Page, name: string | RegExp): Locator =>
  page.getByRole('list', { name: 'Stack' }).locator('button[aria-pressed]').filter({ hasText: name });

/** Drags from one point of the window by a distance, as a hand does: in steps. */
export async function drag(
  page: Page,
  from: { x: number; y: number },
  by: { x: number; y: number },
  letGo = true,
): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(from.x + (by.x * i) / 8, from.y + (by.y * i) / 8);
  if (letGo) await page.mouse.up();
}

export async function middleOf(locator: Locator): Promise<{ x: number; y: number }> {
  const box = (await locator.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** Types a length into a field, as a person does. */
export async function typeInto(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.click();
  await field.fill(text);
  await field.press('Enter');
}

export const shownIn = (page: Page, label: string): Promise<string> =>
  page.getByLabel(label, { exact: true }).inputValue();

export const bytesOf = async (download: Download): Promise<Buffer> => readFileSync(await download.path());

/** Puts a file on the stage as a drop from outside does. */
export async function dropOn(
  page: Page,
  target: Locator,
  file: { name: string; type: string; bytes: Uint8Array },
  at?: { x: number; y: number },
): Promise<void> {
  const place = at ?? (await middleOf(target));
  const data = await page.evaluateHandle(
    ({ name, type, base64 }) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], name, { type }));
      return transfer;
    },
    { name: file.name, type: file.type, base64: Buffer.from(file.bytes).toString('base64') },
  );
  for (const kind of ['dragover', 'drop'])
    await target.dispatchEvent(kind, { dataTransfer: data, clientX: place.x, clientY: place.y, bubbles: true });
}

/** Looks a typeface up in the list and takes it. */
export async function chooseTypeface(page: Page, search: string, name: RegExp): Promise<void> {
  await page.getByRole('button', { name: /^Typeface/ }).click();
  await page.getByRole('combobox', { name: 'Find a typeface' }).fill(search);
  await page.getByRole('option', { name }).click();
}

/** Goes to the hand-off of the piece, and has its file written, open stops or not. */
export async function writeForShop(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Hand-off' }).click();
  const write = page.getByRole('button', { name: 'Export PDF' });
  const anyway = page.getByLabel('Export anyway');
  // Nothing leaves before everything has been looked at.
  await expect(anyway.or(write.and(page.locator(':enabled')))).toBeVisible();
  if (await anyway.isVisible()) await anyway.check();
  await write.click();
}

/** The file that the shop gets. */
export async function exportedFile(page: Page): Promise<Buffer> {
  await writeForShop(page);
  await expect(page.getByText(/^Verified/)).toBeVisible({ timeout: 60_000 });
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save .*\.pdf/ }).click();
  return bytesOf(await saving);
}
