import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'vitest';
import { readyPictures } from '../../core/files/pdf/drawn/jpx';
import { inspectPdf } from '../../core/files/pdf/inspect';
import { readPage } from '../../core/files/pdf/page-read';
import { parseAnyPdf } from '../../core/files/pdf/parsed/file';
import { viewFile } from '../../core/files/pdf/parsed/view';
import { shopOf } from '../../core/trade/shops';
import '../kit';
import { folder, platesOf } from './tools';

/** How near plates have to be, and the share of points that may be further off. */
interface Near {
  within: number;
  off: number;
}

/**
 * All of the page is read, and its plates are those that Ghostscript makes, at points all over it; it mixes in bytes, a step or
 * two at a time.
 */
export async function expectPlates(
  name: string,
  bytes: Uint8Array,
  { within, off }: Near = { within: 0.02, off: 0 },
): Promise<void> {
  const path = join(folder, `${name.replace(/\W+/g, '-')}.pdf`);
  writeFileSync(path, bytes);
  expect((await inspectPdf(bytes, shopOf('metric-offset'))).unread).toEqual([]);
  const view = viewFile(parseAnyPdf(bytes));
  await readyPictures(view, 0);
  const { gridAt } = readPage(view, 0);
  const grid = gridAt(72);
  const theirs = await platesOf(path, 1, 72);
  let inked = 0;
  let count = 0;
  const far: string[] = [];
  for (const plate of ['Cyan', 'Magenta', 'Yellow', 'Black']) {
    const [mine, gs] = [grid.plates.get(plate), theirs.get(plate)!];
    for (let y = 3; y < 118; y += 5)
      for (let x = 7; x < 218; x += 6) {
        const own = mine?.[y * grid.width + x] ?? 0;
        if (own > 0.02) inked++;
        count++;
        const seen = gs.at(x + 0.5, y + 0.5);
        if (Math.abs(own - seen) >= within) far.push(`${plate} at ${x}, ${y}: ${own}, not ${seen}`);
      }
  }
  expect(far.length / count, far.slice(0, 20).join('\n')).toBeLessThanOrEqual(off);
  expect(inked).toBeGreaterThan(50);
}
