import { pathToFileURL } from 'node:url';
import { chromium } from '@playwright/test';

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })).newPage();
page.on('console', (m) => ['error', 'warning'].includes(m.type()) && console.log(m.type(), m.text()));
page.on('pageerror', (e) => console.log('pageerror', e.message));
const home = 'http://127.0.0.1:4399';
await page.goto(home);
await page.getByRole('heading', { name: 'Hollin & Fen' }).waitFor();
const shot = (name) => page.screenshot({ path: `/tmp/shots/${name}.png` });
const layout = async (piece = 'card') => {
  await page.goto(`${home}/layout?job=hollin-and-fen&piece=${piece}`);
  await page.locator('[data-element]').first().waitFor();
};
const { default: steps } = await import(pathToFileURL(process.argv[2]).href);
try {
  await steps({ page, shot, layout, home });
} catch (e) {
  console.log('FAILED', e.message);
  await shot('failed');
}
await browser.close();
