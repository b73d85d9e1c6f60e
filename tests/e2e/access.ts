import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type axe from 'axe-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What of a page, or of a part of it, is against the rules of axe-core, in a line each. The rules are handed to a page once, and
 * what fades from one colour to another is brought to its end first.
 */
export async function against(
  page: Page,
  { rules, within }: { rules?: readonly string[]; within?: string } = {},
): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  const { violations } = await page.evaluate(
    ({ rules: only, within: part }) => {
      for (const animation of document.getAnimations())
        if (
          animation.timeline instanceof DocumentTimeline &&
          animation.effect?.getComputedTiming().endTime !== Infinity
        )
          animation.finish();
      return (window as unknown as { axe: typeof axe }).axe.run(part ?? document, {
        resultTypes: ['violations'],
        ...(only ? { runOnly: { type: 'rule', values: [...only] } } : {}),
      });
    },
    { rules, within },
  );
  return violations.flatMap(({ id, nodes }) =>
    nodes.map(({ target, html }) => `${id}: ${target.join(' ')} ${html.slice(0, 120)}`),
  );
}
