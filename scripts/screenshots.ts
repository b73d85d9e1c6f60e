import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';

/** Takes docs/screenshots/ anew from the built app and the demo job. Run after `npm run build`. */

const PORT = 4340;
const home = `http://127.0.0.1:${PORT}`;
const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
const root = fileURLToPath(new URL('..', import.meta.url));

const layout = async (page: Page, piece = 'card', element = 'name'): Promise<void> => {
  await page.goto(`${home}/layout?job=hollin-and-fen&piece=${piece}`);
  await page.locator(`[data-element="${element}"]`).waitFor();
  // What the plates say comes last.
  await page.getByText(/total ink \d+ %/).waitFor();
};

/** An invented client who is on the way in. */
const SIGNATURE = `Robin Amery
Boatbuilder
Tern & Teal
Wooden boats, built and mended
4 Quay Street, East Wend EW7 1AB
01632 960 140
robin@ternandteal.example
ternandteal.example`;
const LOGO = Buffer.from(
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 100"><path d="M10 70h100l-18 22H28z" fill="#12476b"/><path d="M56 8v54H14z" fill="#12476b"/><path d="M64 20v42h34z" fill="#e0762f"/></svg>',
);

const VIEWS: Record<string, (page: Page) => Promise<void>> = {
  jobs: async (page) => {
    await page.goto(home);
    await page.locator('svg image').first().waitFor();
  },
  'new-piece': async (page) => {
    await page.goto(`${home}/new?job=hollin-and-fen`);
    await page.getByRole('radio', { name: 'Large circles' }).waitFor();
    await page.waitForTimeout(800);
  },
  'new-job': async (page) => {
    await page.goto(`${home}/new-job`);
    await page.getByLabel(/Paste an email signature/).fill(SIGNATURE);
    await page.getByLabel('Company').and(page.locator('[value="Tern & Teal"]')).waitFor();
    await page.getByLabel('Logo file').setInputFiles({ name: 'tern.svg', mimeType: 'image/svg+xml', buffer: LOGO });
    await page.getByRole('list', { name: 'Colours of the logo' }).waitFor();
    await page.waitForTimeout(3000);
  },
  layout: async (page) => {
    await layout(page);
    await page.locator('main [data-element="name"]').click();
  },
  findings: async (page) => {
    await layout(page);
    await page.locator('[data-element="contact"]').click();
    await page.getByLabel('X', { exact: true }).fill('47');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^Fen panel/ }).click();
    await page.getByLabel('X', { exact: true }).fill('0');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^\d+ findings?$/ }).click();
  },
  'cut-test': async (page) => {
    await layout(page);
    await page
      .getByRole('button', { name: /^Iris Calloway/ })
      .first()
      .click();
    await page.getByLabel('X', { exact: true }).fill('51');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Cut test' }).click();
    await page.getByText('What would help most').waitFor();
    await page.waitForTimeout(1500);
  },
  'in-the-hand': async (page) => {
    await page.goto(`${home}/pieces?job=hollin-and-fen`);
    await page.getByRole('button', { name: 'In the hand…' }).click();
    await page.getByRole('img', { name: 'The finished set on a table' }).waitFor();
    await page.getByRole('dialog').getByRole('status').waitFor({ state: 'hidden', timeout: 120_000 });
    await page.waitForTimeout(12_000);
  },
  light: async (page) => {
    await page.goto(`${home}/layout?job=hollin-and-fen&piece=foil-card`);
    await page.getByText(/total ink \d+ %/).waitFor();
    await page.getByRole('button', { name: 'See it in the light' }).click();
    await page.getByRole('img', { name: /finished, in the light/ }).waitFor();
    await page.mouse.move(470, 260);
    await page.waitForTimeout(800);
  },
  house: async (page) => {
    await page.goto(`${home}/house?job=hollin-and-fen&piece=card`);
    await page.getByRole('region', { name: 'People' }).waitFor();
    await page.waitForTimeout(800);
  },
  pieces: async (page) => {
    await page.goto(`${home}/pieces?job=hollin-and-fen`);
    await page.locator('svg image').nth(3).waitFor();
    await page.waitForTimeout(2500);
  },
  'address-side': async (page) => {
    await page.goto(`${home}/layout?job=hollin-and-fen&piece=postcard-us`);
    await page.getByRole('tab', { name: 'Address side' }).click();
    await page.getByText('Barcode').waitFor();
  },
  folded: async (page) => {
    await page.goto(`${home}/layout?job=hollin-and-fen&piece=year`);
    await page.locator('svg[data-face] image').first().waitFor();
  },
  arrange: async (page) => {
    await layout(page, 'open-day', 'event');
    await page.getByText('Back', { exact: true }).click();
    await page.keyboard.press('g');
    await page.getByRole('button', { name: 'As columns' }).click();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^From the kitchen/ }).click();
    for (const name of [/^01632/, /^Fern mark/])
      await page.getByRole('button', { name }).click({ modifiers: ['Shift'] });
  },
  inks: async (page) => {
    await page.goto(`${home}/inks?job=hollin-and-fen&piece=card`);
    await page.getByRole('button', { name: 'Copper alone' }).waitFor();
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    await page.getByRole('button', { name: 'Add', exact: true }).first().waitFor();
    await page.mouse.move(520, 300);
    await page.waitForTimeout(500);
  },
  colour: async (page) => {
    await layout(page);
    await page.locator('main [data-element="name"]').click();
    await page.getByRole('button', { name: 'Add an ink' }).click();
    await page.getByLabel('Hue, °').fill('36');
    await page.getByLabel('Strength').fill('55');
  },
  'as-cut': async (page) => {
    await layout(page);
    await page.keyboard.press('Control+z');
    await page.keyboard.press('b');
    await page.keyboard.press('.');
    await page.locator('svg[data-face] image').waitFor();
  },
  run: async (page) => {
    await page.goto(`${home}/run?job=spring-runs&piece=mailing`);
    await page.getByRole('heading', { name: 'No findings in any row' }).waitFor({ timeout: 60_000 });
    await page.getByRole('button', { name: /widest/ }).click();
    await page.waitForTimeout(1500);
  },
  sheet: async (page) => {
    await page.goto(`${home}/sheet?job=hollin-and-fen&piece=card`);
    await page.getByText('23 up').first().waitFor();
    await page.getByRole('button', { name: 'Light table' }).click();
    await page.waitForTimeout(4000);
  },
  export: async (page) => {
    await layout(page);
    await page.getByRole('link', { name: 'Hand-off' }).click();
    await page.getByRole('button', { name: 'Export PDF' }).click();
    await page.getByText(/^Verified/).waitFor({ timeout: 60_000 });
  },
};

mkdirSync(folder, { recursive: true });
const server = spawn(process.execPath, ['scripts/serve.mjs'], {
  cwd: root,
  env: { ...process.env, HOST: '127.0.0.1', PORT: String(PORT) },
  stdio: 'ignore',
});
try {
  const browser = await chromium.launch({
    executablePath: '/usr/lib/chromium/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  await new Promise((resolve) => setTimeout(resolve, 2000));
  for (const [name, show] of Object.entries(VIEWS)) {
    // A fresh browser for each view: every picture starts from the demo job as it ships.
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      locale: 'en-GB',
      timezoneId: 'UTC',
      // Keeping all of the app's files for offline is not what is shown.
      serviceWorkers: 'block',
    });
    const page = await context.newPage();
    // The views as they are for who has worked in them before.
    await page.addInitScript(() => localStorage.setItem('taught', 'jobs pieces house layout run inks sheet hand-off'));
    await page.goto(home);
    await page.getByRole('heading', { name: 'Hollin & Fen' }).waitFor();
    await show(page);
    await page.waitForTimeout(700);
    await page.screenshot({ path: `${folder}${name}.png` });
    await context.close();
  }
  await browser.close();
} finally {
  server.kill();
}
