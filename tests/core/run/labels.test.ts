import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { freshSheet, labelPlaces, labelSheets, onLabelSheet, sheetsFor } from '../../../core/run/labels';
import { openLabelRun } from '../../../core/run/write/labels';
import { LABEL_SHEETS } from '../../../core/trade/label-sheets';
import { shopOf } from '../../../core/trade/shops';
import { toPoints } from '../../../core/units/length';
import { kit } from '../../kit';
import { NAMES, staffCard } from './staff';

const mm = (points: number): number => points / toPoints(1, 'mm');

describe('sheets of labels', () => {
  it('fit on their paper, every one that is sold', () => {
    for (const sold of LABEL_SHEETS) {
      const places = labelPlaces(freshSheet(sold), sold.label)!;
      expect(places).toHaveLength(sold.columns * sold.rows);
      for (const { x, y, width, height } of places) {
        expect(x).toBeGreaterThan(-1);
        expect(y).toBeGreaterThan(-1);
        expect(x + width).toBeLessThan(sold.sheet.width + 1);
        expect(y + height).toBeLessThan(sold.sheet.height + 1);
      }
    }
  });

  // What makers of labels print on their boxes (common practice, from memory): the first label's corner, and the step to the next.
  it.each([
    ['63.5 × 33.9', 63.5, 33.9, [7.2, 12.9], [66.04, 33.9]],
    ['63.5 × 38.1', 63.5, 38.1, [7.2, 15.15], [66.04, 38.1]],
    ['99.1 × 38.1', 99.1, 38.1, [4.65, 15.15], [101.6, 38.1]],
    ['66.675 × 25.4 (2 5/8 × 1 in)', 66.675, 25.4, [4.76, 12.7], [69.85, 25.4]],
    ['101.6 × 50.8 (4 × 2 in)', 101.6, 50.8, [3.97, 12.7], [106.36, 50.8]],
  ])('%s mm begin and step as they are cut', (_, width, height, first, step) => {
    const size = { width: toPoints(width, 'mm'), height: toPoints(height, 'mm') };
    const [sold] = sheetsFor(size);
    const places = labelPlaces(freshSheet(sold!), size)!;
    const [one, beside] = places;
    const below = places[sold!.columns]!;
    expect([mm(one!.x), mm(one!.y)].map((n, i) => Math.abs(n - first[i]!) < 0.1)).toEqual([true, true]);
    expect(Math.abs(mm(beside!.x - one!.x) - step[0]!)).toBeLessThan(0.06);
    expect(Math.abs(mm(below.y - one!.y) - step[1]!)).toBeLessThan(0.06);
  });

  it('hold every row once, in order, from the first label that is left', () => {
    const sheet = fc.record({ columns: fc.integer({ min: 1, max: 5 }), rows: fc.integer({ min: 1, max: 13 }) });
    fc.assert(
      fc.property(sheet, fc.integer({ min: 1, max: 65 }), fc.integer({ min: 1, max: 300 }), (size, from, count) => {
        const labels = { ...freshSheet(LABEL_SHEETS[0]!), ...size, from };
        const sheets = labelSheets(labels, count);
        const all = Array.from({ length: sheets }, (_, n) => onLabelSheet(labels, count, n)).flat();
        expect(all.filter((index) => index !== undefined)).toEqual(Array.from({ length: count }, (_, i) => i));
        expect(all.indexOf(0)).toBe(Math.min(from, size.columns * size.rows) - 1);
        // No sheet is empty.
        expect(onLabelSheet(labels, count, sheets - 1).some((index) => index !== undefined)).toBe(true);
      }),
    );
  });

  it('are refused where they do not fit', () => {
    const { job, rows } = staffCard([[NAMES[0]!, 'Gardener']]);
    const on = { ...kit, press: kit.press(shopOf('metric-offset').condition), assets: {} };
    const labels = { ...freshSheet(LABEL_SHEETS[0]!), columns: 5, rows: 13 };
    const asked = { pieceId: 'card', shop: shopOf('metric-offset'), standard: 'PDF/X-4' as const, order: [0], labels };
    expect(() => openLabelRun(job, asked, rows, on)).toThrow(/do not fit on the sheet/);
  });
});
