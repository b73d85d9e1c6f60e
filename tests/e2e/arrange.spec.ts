import { execFileSync } from 'node:child_process';
import { expect, test as fresh, type Page } from '@playwright/test';
import { drag, element, exportedFile, middleOf, openDemoCard, row, shownIn, typeInto } from './bench';
import { test } from './one-page';

/** A day's arranging, on the demo card. */
const stack = (page: Page) => page.getByRole('list', { name: 'Stack' }).getByRole('listitem');
const placeOf = async (page: Page, name: string | RegExp): Promise<{ x: string; y: string }> => {
  await row(page, name).click();
  return { x: await shownIn(page, 'X'), y: await shownIn(page, 'Y') };
};

async function wordsExported(page: Page): Promise<string> {
  const pdf = await exportedFile(page);
  return execFileSync('pdftotext', ['-', '-'], { input: pdf }).toString();
}

test('several are selected by Shift, aligned, spaced, and all of it is one step back', async ({ page }) => {
  await row(page, 'Head gardener').click();
  await typeInto(page, 'X', '41');
  await element(page, 'name').click();
  await element(page, 'title').click({ modifiers: ['Shift'] });
  await element(page, 'contact').click({ modifiers: ['Shift'] });
  await expect(page.getByRole('heading', { name: '3 selected' })).toBeVisible();
  await page.getByRole('button', { name: 'Align left' }).click();
  await page.getByRole('button', { name: 'Equal gaps down' }).click();
  expect((await placeOf(page, 'Head gardener')).x).toBe('35 mm');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  expect((await placeOf(page, 'Head gardener')).x).toBe('41 mm');

  // One alone is aligned to the face.
  await page.getByLabel('Align to', { exact: true }).selectOption('the safe zone');
  await page.getByRole('button', { name: 'Align right' }).click();
  await page.getByRole('button', { name: 'Top right' }).click();
  expect(await shownIn(page, 'X')).toBe('81 mm');
  await page.getByRole('button', { name: 'Top left' }).click();
});

test('a box on the table selects what is in it; everything is selected by key, deleted, and taken back', async ({
  page,
}) => {
  const sheet = (await page.locator('svg[data-face]').boundingBox())!;
  const name = (await element(page, 'name').boundingBox())!;
  await page.keyboard.down('Control');
  await drag(page, { x: name.x - 12, y: name.y - 12 }, { x: sheet.x + sheet.width - name.x, y: name.height + 62 });
  await page.keyboard.up('Control');
  await expect(page.getByRole('region', { name: 'Selection' })).toContainText('Iris Calloway, Head gardener');
  await page.keyboard.press('Control+a');
  await expect(page.getByRole('heading', { name: '8 selected' })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(stack(page)).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(stack(page)).toHaveCount(8);
});

fresh('copies go beside, to the back at the same place, and to another piece', async ({ page }) => {
  await openDemoCard(page);
  const at = await placeOf(page, 'Short rule');
  await page.keyboard.press('Control+d');
  await expect(stack(page)).toHaveCount(9);
  await page.keyboard.press('Delete');
  await row(page, 'Short rule').click();
  await page.keyboard.press('o');
  await expect(page.getByRole('tab', { name: 'Back' })).toHaveAttribute('aria-selected', 'true');
  expect(await placeOf(page, 'Short rule')).toEqual(at);
  await page.keyboard.press('Control+c');
  await page.goto('/');
  await page.getByRole('link', { name: /Flyer, open garden day/ }).click();
  await expect(element(page, 'event')).toBeVisible();
  await page.keyboard.press('Control+v');
  await expect(row(page, 'Short rule')).toBeVisible();
});

test('what is locked stays; what is hidden or a sample is not printed', async ({ page }) => {
  await row(page, 'Fen panel').click();
  await page.keyboard.press('l');
  await expect(stack(page).filter({ hasText: 'Fen panel' }).getByRole('img', { name: 'Locked' })).toBeVisible();
  const before = await placeOf(page, 'Fen panel');
  await page.keyboard.press('Escape');
  const panel = (await element(page, 'fen-panel').boundingBox())!;
  await drag(page, { x: panel.x + 60, y: panel.y + panel.height - 40 }, { x: 60, y: 0 });
  expect(await placeOf(page, 'Fen panel')).toEqual(before);

  await row(page, 'Head gardener').click();
  await page.keyboard.press('h');
  await expect(element(page, 'title')).toHaveCount(0);
  await row(page, 'Iris Calloway').click();
  await page.getByLabel('Sample: shown, never printed').check();
  await expect(element(page, 'name')).toBeVisible();
  const words = await wordsExported(page);
  expect(words).toContain('01632 960 118');
  expect(words).not.toContain('Head gardener');
  expect(words).not.toContain('Iris Calloway');
});

test('a drag is caught by edges, art goes on to the bleed, and Alt lets it go', async ({ page }) => {
  await page.getByRole('button', { name: 'Rectangle', exact: true }).click();
  const sheet = (await page.locator('svg[data-face]').boundingBox())!;
  const scale = sheet.width / 91;
  await typeInto(page, 'X', '40');
  await typeInto(page, 'Y', '8');
  const handle = page.locator('[data-handle="e"]');
  // To half a millimetre past the trim: on to the bleed.
  const from = await middleOf(handle);
  const reach = sheet.x + (3 + 85.4) * scale - from.x;
  await drag(page, from, { x: reach, y: 0 });
  await page.getByRole('button', { name: 'Top right' }).click();
  expect(await shownIn(page, 'X')).toBe('88 mm');
  await page.keyboard.press('Control+z');
  await page.keyboard.down('Alt');
  await drag(page, await middleOf(handle), { x: reach, y: 0 });
  await page.keyboard.up('Alt');
  expect(await shownIn(page, 'X')).not.toBe('88 mm');
  await page.getByRole('button', { name: 'Top left' }).click();
});

test('guides are dragged from the rulers, typed, and catch', async ({ page }) => {
  const ruler = (await page.locator('[data-ruler="x"]').boundingBox())!;
  await drag(page, { x: ruler.x + 13, y: ruler.y + 60 }, { x: 300, y: 0 });
  await expect(page.locator('[data-guide="x"]')).toHaveCount(1);
  await page.keyboard.press('g');
  await typeInto(page, 'Upright at', '50 mm');
  await page.getByRole('button', { name: 'At the centres' }).click();
  await expect(page.getByRole('list', { name: 'Guides' }).getByRole('listitem')).toHaveCount(3);
  await page.keyboard.press('Escape');
  await row(page, 'Short rule').click();
  const scale = (await page.locator('svg[data-face]').boundingBox())!.width / 91;
  // 15 mm to the right and a little short of it.
  await drag(page, await middleOf(element(page, 'hair')), { x: 15 * scale - 4, y: 0 });
  expect(await shownIn(page, 'X')).toBe('50 mm');
  // Dragged away, a guide is gone.
  const guide = (await page.locator('[data-guide="x"]').first().boundingBox())!;
  await drag(page, { x: guide.x + guide.width / 2, y: guide.y + 20 }, { x: -600, y: 0 });
  await expect(page.locator('[data-guide]')).toHaveCount(2);
});

test('near misses are shown straightened first, and straightened when that is wanted', async ({ page }) => {
  await row(page, 'Head gardener').click();
  await typeInto(page, 'X', '35.3');
  await page.keyboard.press('Escape');
  await page.keyboard.press('s');
  const panel = page.getByRole('dialog', { name: 'Straighten' });
  await expect(panel).toContainText('Head gardener: almost in line');
  await panel.getByRole('button', { name: 'Leave it' }).click();
  expect((await placeOf(page, 'Head gardener')).x).toBe('35.3 mm');
  await page.keyboard.press('Escape');
  await page.keyboard.press('s');
  await panel.getByRole('button', { name: 'Straighten' }).click();
  expect((await placeOf(page, 'Head gardener')).x).toBe('35 mm');
});

test('any action is found by typing, and is in the menu of what is under the pointer', async ({ page }) => {
  await row(page, 'Head gardener').click();
  await page.keyboard.press('/');
  await page.getByPlaceholder('Search actions').fill('same typeface');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: '2 selected' })).toBeVisible();
  await element(page, 'fern').click({ button: 'right' });
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(stack(page)).toHaveCount(9);
  // The one underneath, by Alt.
  await page.keyboard.press('Escape');
  const fern = await middleOf(element(page, 'fern'));
  await page.mouse.click(fern.x, fern.y);
  const chosen = page.getByRole('list', { name: 'Stack' }).locator('button[aria-pressed=true]');
  const [top] = await chosen.allTextContents();
  await page.keyboard.down('Alt');
  await page.mouse.click(fern.x, fern.y);
  await page.keyboard.up('Alt');
  expect((await chosen.allTextContents())[0]).not.toBe(top);
});

test('shapes have forms and corners of their own; a code says what was typed, and refuses what it cannot hold', async ({
  page,
}) => {
  for (const name of ['Ellipse', 'Polygon', 'Star']) {
    await page.getByRole('button', { name, exact: true }).click();
    await expect(row(page, name)).toBeVisible();
  }
  await page.getByLabel('Points').fill('8');
  await page.getByRole('button', { name: 'Rectangle', exact: true }).click();
  const plain = await element(page, (await idOfSelected(page))!)
    .locator('path')
    .getAttribute('d');
  await page.getByLabel('Each corner its own').check();
  await typeInto(page, 'Corner top right', '4 mm');
  await page.getByLabel('Corner top right: form').selectOption('scooped');
  expect(
    await element(page, (await idOfSelected(page))!)
      .locator('path')
      .getAttribute('d'),
  ).not.toBe(plain);

  await page.getByRole('button', { name: 'Code', exact: true }).click();
  const says = page.getByLabel('What the code says');
  await says.fill('not a number');
  await page.getByLabel('Kind of code').selectOption('EAN-13');
  await expect(page.getByRole('region', { name: 'Code' }).getByRole('alert')).toContainText('EAN-13 cannot hold that');
  // Each is drawn by the app as it is built, which leaves other kinds out.
  for (const [kind, text] of [
    ['EAN-13', '4006381333931'],
    ['USPS Intelligent Mail', '0123456709498765432101234567891'],
    ['Royal Mail 4-state', 'LE28HS9Z'],
    ['PostNL KIX', '2500GG30250'],
    ['Australia Post 4-state', '5956439111ABA 9'],
    ['Deutsche Post Identcode', '563102430313'],
    ['Deutsche Post Leitcode', '21348075016401'],
    ['Code 128', 'TEA-0001'],
    ['QR code', 'https://hollinandfen.example'],
  ] as const) {
    await says.fill(text);
    await page.getByLabel('Kind of code').selectOption(kind);
    await expect(page.getByRole('region', { name: 'Code' }).getByRole('alert')).toBeHidden();
    await expect(page.getByLabel('Kind of code').locator('option:checked')).toHaveText(kind);
  }
  await page.getByRole('button', { name: 'Make it a contact card' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Iris Calloway');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(says).toHaveValue(/BEGIN:VCARD[\s\S]*FN:Iris Calloway/);
});

test('things are turned to a hundredth of a degree, pulled along their own sides, and mirrored', async ({ page }) => {
  await row(page, 'Fen panel').click();
  const turn = page.getByLabel('Rotate, degrees clockwise');
  await turn.fill('12.346');
  await turn.press('Enter');
  await expect(turn).toHaveValue('12.35');
  const upright = await shownIn(page, 'W');
  // Its own left side is pulled; the other side stays where it is.
  const corner = () => middleOf(page.locator('[data-handle="se"]'));
  const before = await corner();
  await page.keyboard.down('Alt');
  await drag(page, await middleOf(page.locator('[data-handle="w"]')), { x: 40, y: 9 });
  await page.keyboard.up('Alt');
  expect(await shownIn(page, 'W')).not.toBe(upright);
  const after = await corner();
  expect(Math.hypot(after.x - before.x, after.y - before.y)).toBeLessThan(2);

  await row(page, 'Fern mark').click();
  const drawn = () => element(page, 'fern').locator('path').getAttribute('d');
  const plain = await drawn();
  await page.getByRole('button', { name: 'Flip horizontally' }).click();
  expect(await drawn()).not.toBe(plain);
  await page.getByRole('button', { name: 'Flip horizontally' }).click();
  expect(await drawn()).toBe(plain);
  await page.getByRole('button', { name: 'Rotate 90° clockwise' }).click();
  await expect(turn).toHaveValue('90');
});

/** The id of what is selected, from the frame's row in the stack. */
async function idOfSelected(page: Page): Promise<string | null> {
  return page.locator('main [data-element]').last().getAttribute('data-element');
}

fresh.describe('on a screen that is touched', () => {
  fresh.use({ hasTouch: true });
  fresh(
    'fingers select and drag, and two of them zoom about the place between them and move nothing',
    async ({ page }) => {
      await openDemoCard(page);
      const tools = await page.context().newCDPSession(page);
      const touch = (
        type: 'touchStart' | 'touchMove' | 'touchEnd',
        ...touchPoints: { x: number; y: number; id: number }[]
      ) => tools.send('Input.dispatchTouchEvent', { type, touchPoints });
      const at = await middleOf(element(page, 'name'));
      await touch('touchStart', { ...at, id: 0 });
      await touch('touchEnd');
      await expect(row(page, /^Iris Calloway/)).toHaveAttribute('aria-pressed', 'true');
      const x = await shownIn(page, 'X');
      await touch('touchStart', { ...at, id: 0 });
      for (let i = 1; i <= 6; i++) await touch('touchMove', { x: at.x + 8 * i, y: at.y, id: 0 });
      await touch('touchEnd');
      await expect.poll(() => shownIn(page, 'X')).not.toBe(x);
      await page.keyboard.press('Control+z');
      await expect.poll(() => shownIn(page, 'X')).toBe(x);

      const sheet = page.locator('svg[data-face]');
      const before = (await sheet.boundingBox())!;
      await touch('touchStart', { x: at.x - 40, y: at.y, id: 0 });
      await touch('touchStart', { x: at.x - 40, y: at.y, id: 0 }, { x: at.x + 40, y: at.y, id: 1 });
      for (let i = 1; i <= 8; i++)
        await touch('touchMove', { x: at.x - 40 - 5 * i, y: at.y, id: 0 }, { x: at.x + 40 + 5 * i, y: at.y, id: 1 });
      await touch('touchEnd');
      await expect.poll(async () => (await sheet.boundingBox())!.width / before.width).toBeGreaterThan(1.7);
      const after = await middleOf(element(page, 'name'));
      expect(Math.abs(after.x - at.x)).toBeLessThan(12);
      expect(Math.abs(after.y - at.y)).toBeLessThan(12);
      expect(await shownIn(page, 'X')).toBe(x);
    },
  );
});
