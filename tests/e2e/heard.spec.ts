import { expect, type Page } from '@playwright/test';
import { isDeep, someOf } from '../deep';
import { against } from './access';
import { element } from './bench';
import { test } from './one-page';

/** Every room, dialog and panel as those see it who hear it, or need contrast: by the rules of axe-core, in both themes. */

const isSound = async (page: Page, where: string, rules?: string[]): Promise<void> =>
  expect.soft(await against(page, rules ? { rules } : {}), where).toEqual([]);

const rooms = (page: Page) => page.getByRole('navigation', { name: 'Rooms' });
/** What each room shows when it is there. */
const ROOMS: readonly (readonly [room: string, isThere: (page: Page) => Promise<void>])[] = [
  ['House style', (page) => page.getByRole('heading', { name: 'People' }).waitFor()],
  ['Inks', (page) => page.getByRole('group', { name: 'Side' }).waitFor()],
  ['Sheet', (page) => page.getByRole('columnheader', { name: 'Gauge' }).waitFor()],
  [
    'Hand-off',
    (page) =>
      page
        .getByRole('button', { name: /^Export/ })
        .first()
        .waitFor(),
  ],
  ['Layout', (page) => element(page, 'name').waitFor()],
];

async function inTheme(page: Page, theme: 'light' | 'dark'): Promise<void> {
  await page.getByRole('button', { name: `Use the ${theme} theme` }).click();
}

test('each room keeps the rules, light and dark', async ({ page }) => {
  for (const theme of ['dark', 'light'] as const) {
    await inTheme(page, theme);
    for (const [room, isThere] of ROOMS) {
      await rooms(page).getByRole('link', { name: room, exact: true }).click();
      await isThere(page);
      // The themes differ by their colours alone.
      await isSound(page, `${room}, ${theme}`, theme === 'dark' && !isDeep ? ['color-contrast'] : undefined);
    }
  }
});

test('what opens in Layout keeps the rules, and what is selected', async ({ page }) => {
  // One of each kind, from the contents: text, a picture, a shape, a code.
  for (const add of someOf(['Text', 'Rectangle', 'Rule', 'Code'], (each) => each !== 'Rule')) {
    await page.getByRole('complementary', { name: 'Contents' }).getByRole('button', { name: add, exact: true }).click();
    await page.keyboard.press('Escape');
    await page.locator('main [data-element]').last().click({ force: true });
    await isSound(page, `${add} selected`);
  }
  await element(page, 'name').click({ button: 'right' });
  await expect(page.getByRole('menu')).toBeVisible();
  await isSound(page, 'the menu');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toBeVisible();
  await isSound(page, 'Keyboard shortcuts');
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await expect(page.getByPlaceholder('Search actions')).toBeVisible();
  await isSound(page, 'Search actions');
  await page.keyboard.press('Escape');
});

test('nothing is cut off in a small window, or at 200 %', async ({ page }) => {
  for (const size of [
    { width: 1024, height: 700 },
    // What 1280 × 800 holds at twice the size.
    { width: 640, height: 400 },
  ]) {
    await page.setViewportSize(size);
    for (const [room, isThere] of ROOMS) {
      await rooms(page).getByRole('link', { name: room, exact: true }).click();
      await isThere(page);
      const [wide, window] = await page.evaluate(() => [
        document.documentElement.scrollWidth,
        document.documentElement.clientWidth,
      ]);
      expect.soft(wide, `${room} at ${size.width}`).toBeLessThanOrEqual(window!);
      // The last thing of the status bar, which is in every room of a piece but the house style.
      if (room === 'House style') continue;
      const shop = page.getByRole('combobox', { name: 'shop' });
      await shop.scrollIntoViewIfNeeded();
      const box = (await shop.boundingBox())!;
      expect.soft(box.x + box.width, `the shop, ${room}`).toBeLessThanOrEqual(size.width);
      expect.soft(box.width, `the shop, ${room}`).toBeGreaterThan(90);
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 });
});

test('lists, forms and dialogs keep the rules', async ({ page }) => {
  await page.getByRole('button', { name: 'Cut test' }).click();
  await page.getByRole('dialog').waitFor();
  await isSound(page, 'Cut test');
  await page.keyboard.press('Escape');
  await element(page, 'name').click();
  await page.getByRole('button', { name: /^Typeface/ }).click();
  await page.getByRole('combobox', { name: 'Find a typeface' }).waitFor();
  await isSound(page, 'the typefaces');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add an ink' }).click();
  await page.getByRole('dialog', { name: 'Add an ink' }).waitFor();
  await isSound(page, 'Add an ink');
  await page.keyboard.press('Escape');
  for (const action of ['Shops…', 'All checks…', 'Guides…']) {
    await page.keyboard.press('/');
    await page.getByPlaceholder('Search actions').fill(action);
    await page.keyboard.press('Enter');
    await page.getByRole('dialog').waitFor();
    await isSound(page, action);
    await page.keyboard.press('Escape');
  }
  await rooms(page).getByRole('link', { name: 'Pieces', exact: true }).click();
  await page.getByRole('main', { name: 'Table' }).waitFor();
  await isSound(page, 'Pieces');
  await page.getByRole('link', { name: 'New piece' }).click();
  await page.getByRole('button', { name: /^Create piece/ }).waitFor();
  await isSound(page, 'New piece');
  await page.getByRole('link', { name: 'Tidy Edge: all jobs' }).click();
  await page.getByRole('heading', { name: 'Jobs' }).waitFor();
  await isSound(page, 'Jobs');
});

test('shortcuts are found by a word', async ({ page }) => {
  await page.keyboard.press('?');
  const dialog = page.getByRole('dialog', { name: 'Keyboard shortcuts' });
  await expect(dialog.getByRole('region', { name: 'Arrange', exact: true })).toBeVisible();
  await dialog.getByRole('searchbox').fill('duplicate');
  await expect(dialog.getByText('Duplicate', { exact: true })).toBeVisible();
  await expect(dialog.getByRole('region', { name: 'Pointer' })).toBeHidden();
  await dialog.getByRole('searchbox').fill('no such thing');
  await expect(dialog.getByText('No shortcut has “no such thing” in it.')).toBeVisible();
  await page.keyboard.press('Escape');
});

test('the menu under the pointer has only what applies to what lies there', async ({ page }) => {
  await page
    .getByRole('complementary', { name: 'Contents' })
    .getByRole('button', { name: 'Rectangle', exact: true })
    .click();
  await page.locator('main [data-element]').last().click({ button: 'right' });
  await expect(page.getByRole('menuitem', { name: 'Duplicate' })).toBeVisible();
  await expect(page.getByRole('menuitem', { name: /text/i })).toHaveCount(0);
  await page.keyboard.press('Escape');
});

test('a room says in a sentence what it is for, until that is put away; the tour can be left at any step', async ({
  page,
}) => {
  const lesson = page.getByRole('complementary', { name: 'About this room' });
  await expect(lesson).toContainText('Hatched is cut away');
  await lesson.getByRole('button', { name: 'Got it' }).click();
  await expect(lesson).toBeHidden();
  await rooms(page).getByRole('link', { name: 'Sheet', exact: true }).click();
  await expect(lesson).toContainText('press sheet');
  await rooms(page).getByRole('link', { name: 'Layout', exact: true }).click();
  await element(page, 'name').waitFor();
  await expect(lesson).toBeHidden();

  await page.keyboard.press('/');
  await page.getByPlaceholder('Search actions').fill('tour');
  await page.keyboard.press('Enter');
  const step = page.getByRole('dialog', { name: 'The piece' });
  await expect(step).toContainText('1 of 6');
  await isSound(page, 'the tour');
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByRole('dialog', { name: 'Contents' })).toContainText('2 of 6');
  await page.keyboard.press('Escape');
  await expect(page.getByText('2 of 6')).toBeHidden();
  await page.evaluate(() => localStorage.removeItem('taught'));
});
