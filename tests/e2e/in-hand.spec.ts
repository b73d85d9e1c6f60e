import { expect, type Page } from '@playwright/test';
import sharp from 'sharp';
import { isDeep } from '../deep';
import { against } from './access';
import { bytesOf, typeInto } from './bench';
import { test } from './one-page';

/** What comes of a piece once it has left the screen: on somebody’s table, and out of an office printer. */

const room = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name, exact: true });

test('the finished set lies on a table, is turned by keys, and leaves as a picture', async ({ page }) => {
  await room(page, 'Pieces').click();
  // Here a processor draws what a graphics card should: a small picture is soon there.
  await page.setViewportSize({ width: 900, height: 640 });
  await page.getByRole('button', { name: 'In the hand…' }).click();
  const dialog = page.getByRole('dialog', { name: /in the hand$/ });
  const list = dialog.getByRole('region', { name: 'On the table' });
  await list.getByRole('checkbox').first().waitFor();
  // Two piles of cards are enough to be looked at.
  for (const tick of await list.getByRole('checkbox').all()) await tick.uncheck();
  for (const name of ['Business card, Iris Calloway', 'Business card, copper foil'])
    await list.getByRole('checkbox', { name }).check();
  await dialog.getByRole('combobox', { name: 'Table' }).selectOption('slate');
  await expect(dialog.getByRole('status')).toBeHidden({ timeout: 60_000 });
  expect(await against(page, { within: 'dialog[open]' })).toEqual([]);

  const turned = dialog.getByRole('slider', { name: 'Round it' });
  const before = Number(await turned.inputValue());
  await dialog.getByRole('img', { name: 'The finished set on a table' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(async () => Number(await turned.inputValue())).toBe(before + 5);
  await dialog.getByRole('button', { name: 'Straight above' }).click();
  await expect(turned).toHaveValue('0');

  async function picture(): Promise<{ data: Buffer; width: number; height: number }> {
    const saved = page.waitForEvent('download');
    await dialog.getByRole('button', { name: 'Export PNG' }).click();
    const download = await saved;
    expect(download.suggestedFilename()).toBe('hollin-and-fen-in-the-hand.png');
    const { data, info } = await sharp(await bytesOf(download))
      .removeAlpha()
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return { data, width: info.width, height: info.height };
  }
  await typeInto(page, 'Pixels wide', '400');
  const front = await picture();
  expect([front.width, front.height]).toEqual([400, 300]);
  const share = (is: (level: number, i: number) => boolean): number => front.data.filter(is).length / front.data.length;
  // A dark table round pale cards.
  expect(share((level) => level < 100)).toBeGreaterThan(0.3);
  expect(share((level) => level > 190)).toBeGreaterThan(0.1);
  // A picture takes seconds where there is no graphics card.
  if (isDeep) {
    for (const name of ['Business card, Iris Calloway', 'Business card, copper foil'])
      await list.getByRole('button', { name: `Back of ${name} up` }).click();
    const back = await picture();
    expect(share((level, i) => Math.abs(level - back.data[i]!) > 40)).toBeGreaterThan(0.1);
  }
  await page.keyboard.press('Escape');
  await page.setViewportSize({ width: 1280, height: 800 });
});

test('an office printer shows what its settings do, and which are right', async ({ page }) => {
  await room(page, 'Hand-off').click();
  await page.getByRole('tab', { name: 'Office printer' }).click();
  await page.getByRole('checkbox', { name: 'Business card, Iris Calloway', exact: true }).uncheck();
  await page.getByRole('checkbox', { name: 'Letterhead', exact: true }).check();
  const says = page.getByRole('region', { name: 'What comes out' });
  await page.getByRole('radio', { name: 'Smaller, where it is too large' }).check();
  await expect(says).toContainText(/It comes out at 9\d\.\d %/);
  await expect(page.getByText(/^Front of the sheet: (20\d|19\d)/)).toBeVisible();
  await page.getByRole('button', { name: 'Use the right settings' }).click();
  await expect(says).toContainText('Right.');
  await expect(page.getByText('Front of the sheet: 210 mm × 297 mm')).toBeVisible();
  await page.getByRole('radio', { name: /turned over the short edge/ }).check();
  await expect(says).toContainText('stands on its head');
  await expect(page.getByRole('img', { name: /^Back of the sheet/ })).toBeVisible();
  expect(await against(page)).toEqual([]);
});
