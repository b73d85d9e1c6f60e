import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { expect, type Page } from '@playwright/test';
import { against } from './access';
import { bytesOf, element, row, typeInto } from './bench';
import { test } from './one-page';

const details = (page: Page) => page.getByRole('complementary', { name: 'Details' });
/** Opens the fold of what is selected. */
const finishing = async (page: Page) => {
  const fold = details(page).locator('details', { hasText: 'Finishing' });
  if (!(await fold.evaluate((node) => (node as HTMLDetailsElement).open))) await fold.locator('summary').click();
  return fold;
};

test('a mark is foiled, the card cut along a die line, checked, seen in the light, and written as layers', async ({
  page,
}, info) => {
  await row(page, 'Fern mark').click();
  await (await finishing(page)).getByLabel('Prints as').selectOption('Foil, new');
  await expect(row(page, 'Fern mark')).toContainText('Foil, gold');
  // Its tips are finer than a die can hold: said with its measure, and mended.
  await page.getByRole('button', { name: '1 finding', exact: true }).click();
  await expect(page.getByText('Foil, gold: a part of it is too thin')).toBeVisible();
  await page.getByRole('button', { name: 'Thicken it' }).click();
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.keyboard.press('Escape');
  await details(page).getByLabel('Colour of Foil').selectOption('Copper');
  await details(page).getByLabel('Add a finish').selectOption('Die line');
  await details(page).getByLabel('Shape of Die line').selectOption('Scooped corners');
  await page.keyboard.press('Escape');
  // Plates of ink are what they were.
  await expect(page.getByText('plates C M Y K Copper')).toBeVisible();

  await details(page).getByRole('button', { name: 'See it in the light' }).click();
  const lit = page.getByRole('img', { name: 'Front, finished, in the light' });
  await expect(lit).toBeVisible();
  const pixel = (x: number, y: number) =>
    lit.evaluate(
      (node, [u, v]) => {
        const canvas = node as HTMLCanvasElement;
        const place = [Math.round(u! * canvas.width), Math.round(v! * canvas.height)] as const;
        return [...canvas.getContext('2d')!.getImageData(...place, 1, 1).data];
      },
      [x, y],
    );
  // The corner is cut away; the light moves with the keys.
  await expect.poll(() => pixel(0.005, 0.01)).toEqual([0, 0, 0, 0]);
  const before = await pixel(0.9, 0.9);
  await lit.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowDown');
  await expect.poll(() => pixel(0.9, 0.9)).not.toEqual(before);
  await page.keyboard.press('Escape');

  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByRole('button', { name: 'Export PDF' }).click();
  await expect(page.getByText(/Verified: (\d+) of \1 match/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('row', { name: /^Finishing \(processing steps\)/ })).toContainText(
    'Structural, FoilStamping',
  );
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save hollin.*\.pdf/ }).click();
  const file = info.outputPath('foil.pdf');
  writeFileSync(file, await bytesOf(await saving));
  const listed = execFileSync('qpdf', ['--json', file], { maxBuffer: 1 << 28 }).toString();
  for (const type of ['/FoilStamping', '/Cutting']) expect(listed).toContain(`"/GTS_ProcStepsType": "${type}"`);
});

test('a price follows the order, and says what would save', async ({ page }) => {
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByRole('tab', { name: 'Price' }).click();
  const price = page.getByRole('region', { name: 'Price of Business card, Iris Calloway' });
  await expect(price.getByRole('row', { name: /^Plates/ })).toContainText('€90.00');
  const was = await price.locator('b').first().textContent();
  await price.getByRole('list', { name: 'Larger quantities' }).getByRole('button', { name: '1000' }).click();
  await expect(page.getByLabel('Quantity')).toHaveValue('1000');
  await expect(price.locator('b').first()).not.toHaveText(was!);
  await expect(price.getByRole('list', { name: 'What would save' })).toContainText('Printed on one side');
  // A common stock brings its weight and its thickness: 85 × 55 mm of 350 g/m² are 1.64 g.
  await page.getByLabel('Common stocks').selectOption('Silk board 350 g/m²');
  await expect(page.getByLabel('Stock', { exact: true })).toHaveValue('Silk board 350 g/m²');
  await expect(page.getByText('0.338 mm (0.0133 in) thick; one weighs 1.6 g')).toBeVisible();
});

test('a review page works from the disk, and its reply stands at the elements', async ({ page, browser }, info) => {
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByRole('tab', { name: 'Client review' }).click();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export review page' }).click();
  const file = info.outputPath('review.html');
  writeFileSync(file, await bytesOf(await saving));

  const client = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    offline: true,
    acceptDownloads: true,
  });
  const asked: string[] = [];
  const theirs = await client.newPage();
  theirs.on('request', (request) => asked.push(request.url()));
  await theirs.goto(pathToFileURL(file).href);
  const card = theirs.getByRole('img', { name: 'Business card, Iris Calloway, Front' });
  const { width, height } = (await card.boundingBox())!;
  // On the name: 45 of 85 mm across, 15 of 55 mm down.
  await card.click({ position: { x: (width * 45) / 85, y: (height * 15) / 55 } });
  await theirs.getByLabel('Text of comment 1').fill('Could this be larger?');
  await theirs.getByRole('tab', { name: 'Back' }).click();
  await expect(theirs.getByRole('img', { name: 'Business card, Iris Calloway, Back' })).toBeVisible();
  await theirs.getByRole('button', { name: 'Save reply' }).click();
  await expect(theirs.getByRole('status')).toHaveText('Write your name first.');
  await theirs.getByLabel('Your name').fill('Adaeze Thornbury');
  await theirs.getByLabel('No, change it first').check();
  await theirs.getByLabel('Note').fill('Then it is fine.');
  // As many as a very thorough client makes, kept in the browser and there again when the page is opened anew.
  await theirs.evaluate(() => {
    const [key] = Object.keys(localStorage);
    const kept = JSON.parse(localStorage.getItem(key!)!);
    const [first] = kept.comments;
    for (let i = 0; i < 999; i++)
      kept.comments.push({ ...first, id: `more-${i}`, x: i / 7, y: i / 13, text: `No. ${i} </script><b>&` });
    localStorage.setItem(key!, JSON.stringify(kept));
  });
  const anew = await client.newPage();
  await anew.goto(pathToFileURL(file).href);
  await expect(anew.getByRole('list', { name: 'Comments' }).getByRole('listitem')).toHaveCount(1000);
  const replying = anew.waitForEvent('download');
  await anew.getByRole('button', { name: 'Save reply' }).click();
  const reply = await replying;
  const path = info.outputPath('answer.tidyreply');
  writeFileSync(path, await bytesOf(reply));
  expect(
    asked.filter((url) => !url.startsWith('file:') && !url.startsWith('data:') && !url.startsWith('blob:')),
  ).toEqual([]);
  await client.close();

  const said = JSON.parse(readFileSync(path, 'utf8')) as { comments: { text: string }[] };
  expect(said.comments).toHaveLength(1000);
  expect(said.comments[999]!.text).toBe('No. 998 </script><b>&');
  await page.getByLabel('Reply to a review').setInputFiles(path);
  await expect(page.getByText('From Adaeze Thornbury: 1000 comments')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Answers of the client' })).toContainText(
    'No, Business card, Iris Calloway',
  );
  await page.getByRole('link', { name: 'Layout' }).click();
  await expect(element(page, 'name')).toBeVisible();
  const comments = details(page).getByRole('region', { name: 'Comments' });
  const first = comments.getByRole('listitem').filter({ hasText: 'Could this be larger?' });
  await first.getByRole('button', { name: /Could this be larger/ }).click();
  await expect(row(page, 'Iris Calloway')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await first.getByLabel('Answer to Adaeze Thornbury').fill('It is 20 pt now');
  await page.keyboard.press('Enter');
  await expect(first.getByLabel('State of the comment by Adaeze Thornbury')).toHaveValue('answered');
});

test('a piece is ordered at the counter, which looks at it, and is made once one says yes', async ({ page }) => {
  await row(page, '01632 960 118').click();
  await typeInto(page, 'X', '47 mm');
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByRole('tab', { name: 'Order' }).click();
  await page.getByRole('button', { name: 'Order', exact: true }).click();
  const orders = page.getByRole('list', { name: 'Orders' });
  await expect(orders).toContainText('Accepted', { timeout: 90_000 });
  // What the clerk says leads to what drew it.
  const said = orders.getByRole('list', { name: /^What the shop says/ });
  await expect(said).toContainText(/Page 1: Words stand \d\.\d mm from the trim/);
  // Its pages are seen as the shop has them, with their boxes.
  await orders.getByRole('button', { name: 'See its pages' }).click();
  const pages = page.getByRole('region', { name: /^Check of .*\.pdf$/ });
  await expect(pages.getByRole('img', { name: 'Boxes of the page' })).toHaveCount(2, { timeout: 60_000 });
  await expect(pages.getByRole('img', { name: /^Page [12]$/ })).toHaveCount(2);
  await pages.getByRole('button', { name: 'As cut' }).click();
  await pages.getByRole('button', { name: 'Turn over' }).click();
  await expect(pages.getByText('Page 2, back')).toBeVisible();
  await pages.getByRole('button', { name: 'Close' }).click();
  // The other side has it in its book, and has something go wrong.
  const other = await page.context().newPage();
  await other.goto('/counter');
  const book = other.getByRole('table', { name: 'Orders' });
  const entry = book
    .getByRole('row', { name: /Metric offset.*250 × Business card, Iris Calloway.*100 %.*Accepted/ })
    .first();
  for (const fault of ['The guillotine is out', 'Plates out of register']) {
    await entry.getByLabel(fault).click();
    await expect(entry.getByLabel(fault)).toBeChecked();
  }
  expect(await against(other)).toEqual([]);
  await other.close();
  await orders.getByLabel('Your name').fill('Iris Calloway');
  await orders.getByRole('button', { name: 'Yes, print it' }).click();
  await orders.getByRole('button', { name: 'See what came back' }).click({ timeout: 60_000 });
  const came = page.getByRole('dialog', { name: /as it came back$/ });
  const lines = came.getByRole('list', { name: 'Measured' }).getByRole('listitem');
  await expect(lines.nth(0)).toContainText(/✗ Cut: up to \d+(\.\d+)? mm off, .*; 6 of 6 are outside it/);
  await expect(lines.nth(2)).toContainText('✗ Register');
  await expect(lines.nth(3)).toContainText('✓ Colour');
  await expect(came.getByRole('img')).toHaveCount(12);
  await page.keyboard.press('Escape');
  await said.getByRole('button', { name: 'Show it' }).first().click();
  await expect(row(page, '01632 960 118')).toHaveAttribute('aria-pressed', 'true');
});
