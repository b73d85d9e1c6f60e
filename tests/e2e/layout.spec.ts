import { expect, type Page } from '@playwright/test';
import { makePng } from '../png';
import { chooseTypeface, drag, element, middleOf, row, shownIn, typeInto } from './bench';
import { test } from './one-page';

/** What the Layout room shows and does, on the demo card. */
const strip = (page: Page) => page.getByRole('region', { name: 'Status bar' });
const findings = (page: Page) => page.getByRole('region', { name: 'Findings' });
const zoomShown = async (page: Page): Promise<number> =>
  Number.parseInt((await page.getByRole('group', { name: 'Zoom' }).locator('[aria-live]').textContent()) ?? '', 10);

test('shows the trade’s figures, calm when all is right', async ({ page }) => {
  for (const text of [
    'trim 85 × 55 mm',
    'bleed 3 mm',
    'safe 4 mm',
    'lowest ppi 300',
    'plates C M Y K Copper',
    'smallest type 8 pt',
  ])
    await expect(strip(page)).toContainText(text);
  await expect(page.getByRole('button', { name: 'No findings' })).toBeDisabled();
});

test('shows the selection’s four distances to the trim, in either unit', async ({ page }) => {
  await element(page, 'fern').click();
  const toCut = page.getByRole('region', { name: 'Distance to trim' });
  await expect(toCut).toContainText('left 5.85 mm');
  await typeInto(page, 'X', '2');
  await expect(toCut).toContainText('left 2 mm');
  // On the stage too, amber inside the keep-out band.
  await expect(page.locator('svg text').filter({ hasText: /^2$/ })).toHaveAttribute('fill', '#4f3206');
  await page.getByRole('group', { name: 'Unit' }).getByRole('button', { name: 'in', exact: true }).click();
  await expect(toCut).toContainText('left 0.079 in');
  expect(await shownIn(page, 'X')).toBe('0.0787 in');
  await expect(page.locator('#root, body').getByText('2 mm', { exact: true }).first()).toBeVisible();
  await expect(strip(page)).toContainText('trim 3.35 × 2.17 in');
});

test('finds art short of the bleed and words by the edge, says by how much, and mends just that', async ({ page }) => {
  await row(page, 'Fen panel').click();
  await typeInto(page, 'X', '-1 mm');
  await typeInto(page, 'W', '30');
  await row(page, '01632 960 118').click();
  await typeInto(page, 'X', '47.5');
  await expect(strip(page)).toContainText('bleed 3 mm: 1 finding');
  await expect(strip(page)).toContainText('safe 4 mm: 1 finding');
  await page.getByRole('button', { name: '2 findings', exact: true }).click();
  await expect(findings(page)).toContainText(
    'Stops short of the bleed at the left. 1 mm outside the trim, needs 3 mm.',
  );
  await expect(findings(page)).toContainText(/Too near the trim\. [\d.]+ mm inside the trim, needs 4 mm\./);
  // On the face as well, in the user's unit.
  await expect(page.locator('svg text').filter({ hasText: 'Bleed 1 of 3 mm' })).toBeVisible();

  await findings(page).getByRole('button', { name: 'Move inside' }).click();
  await expect(page.getByRole('region', { name: 'Distance to trim' })).toContainText('right 4 mm');
  await findings(page).getByRole('button', { name: 'Extend to bleed' }).click();
  await row(page, 'Fen panel').click();
  expect([await shownIn(page, 'X'), await shownIn(page, 'W')]).toEqual(['-3 mm', '32 mm']);
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: '1 finding', exact: true })).toBeVisible();
});

test('finds a picture stretched below the wanted ppi', async ({ page }) => {
  await page.getByRole('tab', { name: 'Back' }).click();
  await row(page, 'Glasshouse, morning').click();
  await typeInto(page, 'W', '150');
  await typeInto(page, 'H', '100');
  await expect(strip(page)).toContainText('lowest ppi 182');
  await page.getByRole('button', { name: 'lowest ppi 182' }).click();
  await expect(findings(page)).toContainText('Will print soft. 182 ppi, needs 300 ppi.');
});

test('another shop’s spec checks everything anew', async ({ page }) => {
  await page.getByRole('combobox', { name: 'shop' }).selectOption('Inch mail-order');
  await expect(strip(page)).toContainText('bleed 3.175 mm: 6 findings');
});

test('zooms and pans by wheel, keys and buttons; fit; actual size', async ({ page }) => {
  const stage = page.getByRole('main', { name: 'Stage' });
  const fitted = await zoomShown(page);
  await page.getByRole('button', { name: 'Zoom in' }).click();
  expect(await zoomShown(page)).toBe(Math.round(fitted * 1.25));
  await page.keyboard.press('-');
  expect(await zoomShown(page)).toBe(fitted);
  await page.keyboard.press('1');
  expect(await zoomShown(page)).toBe(100);
  // Actual size: 85 mm at CSS's 96 pixels an inch. The sheet has its bleed around it.
  const sheet = await page.locator('svg[data-face]').boundingBox();
  expect(sheet!.width).toBeCloseTo((91 / 25.4) * 96, 0);
  await page.keyboard.press('0');
  expect(await zoomShown(page)).toBe(fitted);

  const at = await middleOf(stage);
  await page.mouse.move(at.x, at.y);
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -200);
  await page.keyboard.up('Control');
  await expect.poll(() => zoomShown(page)).toBeGreaterThan(fitted);
  await page.getByRole('button', { name: 'Fit', exact: true }).click();

  const place = async () => (await page.locator('svg[data-face]').boundingBox())!;
  const before = await place();
  await page.mouse.wheel(0, 100);
  await expect.poll(async () => Math.round((await place()).y - before.y)).toBe(-100);
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => Math.round((await place()).y - before.y)).toBe(-40);
  await page.keyboard.down('Space');
  await drag(page, at, { x: 50, y: 40 });
  await page.keyboard.up('Space');
  await expect.poll(async () => Math.round((await place()).x - before.x)).toBe(50);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('as cut hides everything but the finished piece; both faces lie side by side', async ({ page }) => {
  await page.keyboard.press('.');
  await expect(page.getByRole('img', { name: 'Front, as cut' })).toBeVisible();
  const [width, height] = await page
    .locator('svg[data-face]')
    .evaluate((svg) => [svg.getAttribute('width'), svg.getAttribute('height')].map(Number));
  expect(width! / height!).toBeCloseTo(85 / 55, 6);
  await expect(page.getByText('washed', { exact: true })).toBeHidden();
  await page.keyboard.press('.');
  await expect(page.getByText('washed', { exact: true })).toBeVisible();
  await page.keyboard.press('b');
  const [front, back] = await Promise.all(
    ['Front', 'Back'].map(
      async (name) => (await page.getByRole('img', { name: `${name}, with its edges` }).boundingBox())!,
    ),
  );
  expect(back!.x).toBeGreaterThan(front!.x + front!.width);
  expect(back!.y).toBeCloseTo(front!.y, 0);
  // A click on the back makes it the face that things are added to.
  await page.mouse.click(back!.x + back!.width / 2, back!.y + back!.height / 2);
  await expect(page.getByRole('heading', { name: 'Add to back' })).toBeVisible();
  await page.keyboard.press('b');
});

test('an ink from a screen colour is converted once, through the profile', async ({ page }) => {
  await row(page, 'Head gardener').click();
  await page.getByRole('button', { name: 'Add an ink' }).click();
  const form = page.getByRole('dialog', { name: 'Add an ink' });
  await form.getByLabel('Name').fill('Brand teal');
  await form.getByLabel('Or from a screen colour').fill('#nonsense');
  await form.getByRole('button', { name: 'Convert for this press' }).click();
  await expect(form.getByRole('alert')).toContainText('six hexadecimal digits');
  await form.getByLabel('Or from a screen colour').fill('#2a6f77');
  await form.getByRole('button', { name: 'Convert for this press' }).click();
  const cyan = Number(await form.getByLabel('Cyan', { exact: true }).inputValue());
  expect(cyan).toBeGreaterThan(50);
  await form.getByRole('button', { name: 'Add ink', exact: true }).click();
  await expect(
    page.getByRole('group', { name: 'Inks of the job' }).getByRole('button', { name: 'Brand teal', pressed: true }),
  ).toBeVisible();
  await expect(page.getByRole('region', { name: 'Ink' })).toContainText(`C${cyan}`);
  // The other way: exact amounts, which nothing converts.
  await page.getByRole('region', { name: 'Ink' }).getByRole('button', { name: /^C\d/ }).click();
  const change = page.getByRole('dialog', { name: /Change Brand teal/ });
  await change.getByLabel('Magenta', { exact: true }).fill('12,5');
  await change.getByLabel('Black', { exact: true }).fill('140');
  await change.getByRole('button', { name: 'Change ink' }).click();
  await expect(change.getByRole('alert')).toContainText('0 to 100');
  await change.getByLabel('Black', { exact: true }).fill('5');
  await change.getByRole('button', { name: 'Change ink' }).click();
  await expect(page.getByRole('region', { name: 'Ink' })).toContainText(`M12.5`);
});

test('words are edited beside their frame, aligned, given a width, and grow again; a corner changes their size', async ({
  page,
}) => {
  await row(page, 'Head gardener').click();
  const left = await shownIn(page, 'X');
  await page.getByRole('button', { name: 'Align text right' }).click();
  expect(await shownIn(page, 'X')).toBe(left);
  await typeInto(page, 'W', '12');
  expect(await shownIn(page, 'W')).toBe('12 mm');
  await page.getByLabel('The frame').selectOption('Fits text');
  expect(await shownIn(page, 'W')).not.toBe('12 mm');
  const size = await shownIn(page, 'Size');
  await drag(page, await middleOf(page.locator('[data-handle="se"]')), { x: 60, y: 20 });
  expect(Number.parseFloat(await shownIn(page, 'Size'))).toBeGreaterThan(Number.parseFloat(size));
  // Typing is one step; the stage follows each key.
  const before = await element(page, 'title').locator('path').getAttribute('d');
  await element(page, 'title').dblclick();
  await page.keyboard.type('For');
  await expect(row(page, 'For')).toBeVisible();
  expect(await element(page, 'title').locator('path').getAttribute('d')).not.toBe(before);
  await page.keyboard.type('ester');
  await page.keyboard.press('Escape');
  await expect(row(page, 'Forester')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Head gardener')).toBeVisible();
});

test('all the words can be typed first; they land readable, inside the safe zone, one under another', async ({
  page,
}) => {
  await page.getByRole('tab', { name: 'Back' }).click();
  const entry = page.getByLabel('Type text');
  for (const line of ['Spring opening', 'Saturday 14 March', 'Ten till four']) {
    await entry.fill(line);
    await entry.press('Enter');
  }
  const boxes: number[] = [];
  for (const name of ['Spring opening', 'Saturday 14 March', 'Ten till four']) {
    await row(page, name).click();
    boxes.push(Number.parseFloat(await shownIn(page, 'Y')));
  }
  expect(boxes[1]!).toBeGreaterThan(boxes[0]!);
  expect(boxes[2]!).toBeGreaterThan(boxes[1]!);
  await expect(strip(page)).toContainText('safe 4 mm');
});

test('some of the words can look otherwise: two faces and two inks in one name', async ({ page }) => {
  await element(page, 'name').dblclick();
  // Typed words in the place of the quoted name.
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Iris Calloway');
  await page.keyboard.press('Control+Shift+ArrowLeft');
  await expect(page.getByRole('heading', { name: 'Selected text' })).toBeVisible();
  await page.getByRole('button', { name: 'Italic' }).click();
  await page.getByRole('group', { name: 'Inks of the job' }).getByRole('button', { name: 'Copper' }).click();
  await page.getByRole('button', { name: 'Close the text' }).click();
  // Two inks are two paths.
  await expect(element(page, 'name').locator('path')).toHaveCount(2);
  await expect(page.getByRole('heading', { name: 'Text', exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(element(page, 'name').locator('path')).toHaveCount(1);
});

test('the typeface list is searched, shows each on the stage by arrow keys, and gives it back on Escape', async ({
  page,
}) => {
  const drawn = () => element(page, 'name').locator('path').getAttribute('d');
  await row(page, 'Iris Calloway').click();
  const before = await drawn();
  await page.getByRole('button', { name: /^Typeface: Cormorant Garamond/ }).click();
  // Those of the job come first.
  const families = page.getByRole('listbox', { name: 'Typeface: families' }).getByRole('option');
  await expect(families.first()).toContainText(/Cormorant Garamond|Source Sans 3/);
  await expect(families.first()).toContainText('Iris Calloway');
  await page.getByRole('combobox', { name: 'Find a typeface' }).fill('great');
  await page.keyboard.press('ArrowDown');
  await expect.poll(drawn).not.toBe(before);
  await page.keyboard.press('Escape');
  await expect.poll(drawn).toBe(before);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.getByRole('button', { name: /^Typeface/ }).click();
  await page.getByRole('combobox', { name: 'Find a typeface' }).fill('great');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Typeface: Great Vibes' })).toBeVisible();
  // A family has its weights under one name, and keeps the nearest of them.
  await chooseTypeface(page, 'alegreya bold', /Alegreya Bold, text serif, 6 styles/);
  await page.getByLabel('Typeface: style').selectOption('Semibold');
  await chooseTypeface(page, 'vollkorn', /Vollkorn/);
  await expect(page.getByLabel('Typeface: style').locator('option:checked')).toHaveText('Bold');
});

test('a colour is chosen by eye, within the reach of the press; tints and what was chosen last are at hand', async ({
  page,
}) => {
  await row(page, 'Head gardener').click();
  const ink = page.getByRole('region', { name: 'Ink' });
  await ink.getByRole('button', { name: 'Add an ink' }).click();
  const form = page.getByRole('dialog', { name: 'Add an ink' });
  const field = (await form.locator('[data-field]').boundingBox())!;
  // Far beyond the edge: the strongest that the press has there.
  await page.mouse.click(field.x + field.width - 2, field.y + field.height * 0.45);
  const strength = Number(await form.getByLabel('Strength').inputValue());
  expect(strength).toBeGreaterThan(10);
  expect(strength).toBeLessThan(95);
  const cyan = await form.getByLabel('Cyan', { exact: true }).inputValue();
  await form.getByLabel('Hue, °').focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect(form.getByLabel('Cyan', { exact: true })).not.toHaveValue(cyan);
  await form.getByLabel('Black, slid').fill('20');
  await expect(form.getByLabel('Black', { exact: true })).toHaveValue('20');
  await form.getByRole('button', { name: 'Add ink', exact: true }).click();
  // An ink without a name is called by its amounts.
  await expect(ink.getByRole('button', { name: /^C\d+ M\d+ Y\d+ K20$/, pressed: true })).toBeVisible();
  await ink
    .getByRole('group', { name: /^Tints of/ })
    .getByRole('button', { name: '40 %' })
    .click();
  await expect(ink.getByLabel('Tint, typed in percent')).toHaveValue('40');
  await ink.getByRole('button', { name: 'Black', exact: true }).click();
  await ink
    .getByRole('group', { name: 'Recent' })
    .getByRole('button', { name: /^C\d+.*, 40 %$/ })
    .click();
  await expect(ink.getByRole('button', { name: /^C\d+ M\d+ Y\d+ K20$/, pressed: true })).toBeVisible();
});

test('a box too small says so and can be made to fit, or its words can', async ({ page }) => {
  await row(page, '01632 960 118').click();
  await page.getByLabel('The frame').selectOption('Fixed size');
  await typeInto(page, 'H', '6');
  const alert = page.getByRole('region', { name: 'Frame' }).getByRole('alert');
  await expect(alert).toContainText('do not fit, and will not print');
  await expect(strip(page)).toContainText('text some hidden');
  await page.getByRole('button', { name: 'Make the text fit' }).click();
  await expect(alert).toBeHidden();
  expect(Number.parseFloat(await shownIn(page, 'Size'))).toBeLessThan(8);
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Make the box fit' }).click();
  await expect(alert).toBeHidden();
  expect(await shownIn(page, 'Size')).toBe('8 pt');
});

test('a named style is changed once and all words in it follow; a look is carried over', async ({ page }) => {
  const sizeOf = async (name: string) => {
    await row(page, name).click();
    return shownIn(page, 'Size');
  };
  await row(page, '01632 960 118').click();
  await page.getByRole('button', { name: 'Save as a style' }).click();
  await page.getByLabel('Name of the style').fill('contact line');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await row(page, 'Head gardener').click();
  await page.getByLabel('Named style').selectOption('contact line');
  expect(await shownIn(page, 'Size')).toBe('8 pt');
  await typeInto(page, 'Size', '9');
  await page.getByRole('button', { name: 'Change “contact line” to this' }).click();
  expect(await sizeOf('01632 960 118')).toBe('9 pt');
  await row(page, 'Iris Calloway').click();
  await page.getByRole('button', { name: 'Copy style' }).click();
  await row(page, 'Head gardener').click();
  await page.getByRole('button', { name: 'Paste style' }).click();
  expect(await sizeOf('Head gardener')).toBe('18 pt');
});

test('a line is made exactly as wide as another, by its size', async ({ page }) => {
  const span = async (id: string) =>
    element(page, id).evaluate((group) => {
      const box = (group.querySelector('path') as SVGGraphicsElement).getBBox();
      return [box.x, box.x + box.width] as const;
    });
  const [left] = await span('title');
  const name = await span('name');
  await row(page, 'Head gardener').click();
  await page.getByLabel('As wide as').selectOption('Iris Calloway');
  await expect
    .poll(async () => (await span('title'))[1]! - (await span('title'))[0]!)
    .toBeCloseTo(name[1] - name[0], 1);
  expect((await span('title'))[0]).toBeCloseTo(left, 1);
});

test('features are offered under the names the typeface gives them', async ({ page }) => {
  const drawn = () => element(page, 'title').locator('path').getAttribute('d');
  await row(page, 'Head gardener').click();
  const before = await drawn();
  await page.getByText('More: spacing, case, features').click();
  await page.getByLabel('Small capitals', { exact: true }).check();
  await expect.poll(drawn).not.toBe(before);
  await expect(page.getByLabel('Simple a g l', { exact: true })).toBeVisible();
  await page.getByLabel('Tracking').fill('50');
  await page.getByLabel('Kerning').selectOption('even');
  await page.getByRole('combobox', { name: /^Case/ }).selectOption('capitals');
  await page.getByRole('button', { name: 'Add a tab stop' }).click();
  await expect(page.getByLabel('Tab aligns')).toBeVisible();
});

test('nonsense in a field gets words beside it and changes nothing', async ({ page }) => {
  await row(page, 'Fen panel').click();
  await typeInto(page, 'W', '3 bananas');
  const alert = page.getByRole('region', { name: 'Position and size' }).getByRole('alert');
  await expect(alert).toContainText('“bananas” is not a unit');
  await expect(page.getByLabel('W', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.getByLabel('W', { exact: true }).press('Escape');
  expect(await shownIn(page, 'W')).toBe('32 mm');
  await expect(alert).toBeHidden();
  await typeInto(page, 'W', '0');
  await expect(alert).toHaveText('Enter 0.09 mm or more.');
});

test('a picture can be pasted; Escape stops a drag', async ({ page }) => {
  const base64 = Buffer.from(makePng(300, 200, (x, y) => [x % 256, y, 60])).toString('base64');
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.items.add(
      new File([Uint8Array.from(atob(text), (c) => c.charCodeAt(0))], 'pasted.png', { type: 'image/png' }),
    );
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data }));
  }, base64);
  await expect(row(page, 'pasted')).toBeVisible();
  await row(page, 'Fern mark').click();
  const before = await shownIn(page, 'X');
  await drag(page, await middleOf(element(page, 'fern')), { x: 30, y: 30 }, false);
  expect(await shownIn(page, 'X')).not.toBe(before);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect(await shownIn(page, 'X')).toBe(before);
});

test('the keys are listed on ?', async ({ page }) => {
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toContainText('Show as cut');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toBeHidden();
});
