import { execFileSync } from 'node:child_process';
import { expect, type Locator, type Page } from '@playwright/test';
import { bytesOf, row } from './bench';
import { test } from './fresh';

/** Everything by keys alone: from the list of jobs to a file for the shop. The mouse is not touched. */

/** What had the focus on the way and did not show it. */
const unseen: string[] = [];

/** Goes on by Tab until something has the focus; each stop on the way shows that it has it. */
async function tabTo(page: Page, to: Locator, key = 'Tab'): Promise<void> {
  // Found once: looking for it at each stop would take most of the time.
  await to.evaluate((each) => each.setAttribute('data-goal', ''));
  for (let i = 0; i < 250; i++) {
    await page.keyboard.press(key);
    const { there, hidden } = await page.evaluate(() => {
      const at = document.activeElement;
      if (!at || at === document.body) return {};
      // A choice is drawn by its label: the mark of the focus is on that.
      const drawn = [at, at.closest('label'), at.parentElement].flatMap((each) => each ?? []);
      const isSeen = drawn.some((each) => {
        const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(each);
        return (outlineStyle !== 'none' && outlineWidth !== '0px') || boxShadow !== 'none';
      });
      const goal = at.closest('[data-goal]');
      goal?.removeAttribute('data-goal');
      return { there: goal !== null, hidden: isSeen ? undefined : at.outerHTML.slice(0, 160) };
    });
    if (hidden) unseen.push(hidden);
    if (there) return;
  }
  throw new Error(`${to} is not reached by ${key}`);
}
async function press(page: Page, to: Locator, key = 'Enter'): Promise<void> {
  await tabTo(page, to);
  await page.keyboard.press(key);
}

test('a card is laid out and exported by keys alone, and the focus is always seen', async ({ page }) => {
  // Some four hundred keys, one after another.
  test.setTimeout(300_000);
  await page.goto('/');
  await page.getByRole('link', { name: /Business card, Iris/ }).waitFor();
  await press(page, page.getByRole('link', { name: 'New job' }));
  await press(page, page.getByRole('link', { name: 'Create one piece instead…' }));
  await tabTo(page, page.getByLabel('Job', { exact: true }));
  await page.keyboard.type('Marsh & Daughter');
  await press(page, page.getByRole('button', { name: /^Create piece/ }));
  await page.getByText('Nothing on this side yet').waitFor();

  await tabTo(page, page.getByLabel('Type text'));
  await page.keyboard.type('Ottilie Marsh');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Planting design');
  await page.keyboard.press('Enter');
  await expect(row(page, /^Planting design/)).toBeVisible();
  // What was added last is selected; back in the contents, the other one is.
  await tabTo(page, row(page, /^Ottilie Marsh/), 'Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(row(page, /^Ottilie Marsh/)).toHaveAttribute('aria-pressed', 'true');
  await tabTo(page, page.getByLabel('Size', { exact: true }));
  await page.keyboard.press('Control+a');
  await page.keyboard.type('14');
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByLabel('X', { exact: true }));
  await page.keyboard.press('Control+a');
  await page.keyboard.type('20 mm');
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByLabel('Y', { exact: true }));
  await page.keyboard.press('Control+a');
  await page.keyboard.type('20 mm');
  await page.keyboard.press('Enter');
  // Moved by arrows, a step at a time; its own menu opens by its key; an action is looked up by name.
  await tabTo(page, row(page, /^Ottilie Marsh/), 'Shift+Tab');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByLabel('X', { exact: true })).not.toHaveValue('20 mm');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('X', { exact: true })).toHaveValue('20 mm');
  await page.keyboard.press('/');
  await page.keyboard.type('duplicate');
  await page.keyboard.press('Enter');
  await expect(row(page, /^Ottilie Marsh/)).toHaveCount(2);
  await page.keyboard.press('Control+z');
  await expect(row(page, /^Ottilie Marsh/)).toHaveCount(1);
  await press(page, page.getByRole('button', { name: /^\d+ findings?$/ }));
  await press(page, page.getByRole('button', { name: 'Keep Ottilie' }));
  // The back has nothing on it, which is advice and stops no file.
  await expect(page.getByRole('button', { name: '1 finding', exact: true })).toBeVisible();

  await tabTo(page, page.getByRole('link', { name: 'Hand-off' }), 'Shift+Tab');
  await page.keyboard.press('Enter');
  const write = page.getByRole('button', { name: 'Export PDF' });
  await expect(write).toBeEnabled();
  await press(page, write);
  await expect(page.getByText(/^Verified/)).toBeVisible({ timeout: 60_000 });
  const saving = page.waitForEvent('download');
  await press(page, page.getByRole('button', { name: /^Save .*\.pdf/ }));
  const text = execFileSync('pdftotext', ['-', '-'], { input: await bytesOf(await saving) }).toString();
  expect(text).toContain('Ottilie Marsh');
  expect(text).toContain('Planting design');
  expect([...new Set(unseen)]).toEqual([]);
});
