import { afterAll, describe, expect, it } from 'vitest';
import { ExportError, pageBoxes } from '../../core/files/pdf/asked';
import { shopOf } from '../../core/trade/shops';
import { mm, openDemo } from '../kit';
import { boxesOf, exportTo, platesOf, run, tidyUp } from './tools';

/** A piece on the paper of an office printer: boxes by pdfinfo, the line that is measured on Ghostscript's plates. */
afterAll(tidyUp);
const bundle = openDemo();
const shop = shopOf('metric-offset');

describe('a card on A4', () => {
  it('lies in the middle at its own size', async () => {
    const pdf = await exportTo('office.pdf', bundle, { office: 'A4' });
    const [page] = boxesOf(pdf);
    const [x0, y0, x1, y1] = page!['TrimBox']!;
    expect(page!['MediaBox']!.map((v) => Math.round(v * 100) / 100)).toEqual([0, 0, 595.28, 841.89]);
    expect(x1! - x0!).toBeCloseTo(mm(85), 2);
    expect(y1! - y0!).toBeCloseTo(mm(55), 2);
    expect(x0! + x1!).toBeCloseTo(mm(210), 2);
    expect(y0! + y1!).toBeCloseTo(mm(297), 2);
    expect(run('qpdf', ['--check', pdf])).toContain('No syntax or stream encoding errors');
  });
  it('has a line of 100 mm at its foot, and says so', async () => {
    const pdf = await exportTo('office-line.pdf', bundle, { office: 'A4', faces: [0] });
    const dpi = 150;
    const black = (await platesOf(pdf, 1, dpi)).get('Black')!;
    // 6 mm and 5 points above the foot of the sheet, half a point thick.
    const row = Math.round(((mm(297) - mm(6) - 5) / 72) * dpi);
    const longest = (y: number): number => {
      let [best, now] = [0, 0];
      for (let x = 0; x < black.width; x++) {
        now = black.ink[y * black.width + x]! > 128 ? now + 1 : 0;
        best = Math.max(best, now);
      }
      return best;
    };
    const long = Math.max(...[-2, -1, 0, 1, 2].map((by) => longest(row + by)));
    expect(Math.abs((long / dpi) * 25.4 - 100)).toBeLessThan(0.3);
    expect(run('pdftotext', [pdf, '-'])).toContain('This line is 100 mm.');
  });
});

describe('on Letter', () => {
  it('a wide piece is laid on a wide sheet', () => {
    const flyer = bundle.job.pieces.find(({ id }) => id === 'postcard')!;
    const { media } = pageBoxes({ ...flyer, width: mm(210), height: mm(99) }, shop, true, 'Letter');
    expect([media.width, media.height]).toEqual([792, 612]);
  });
  it('what is too large is refused with words', () => {
    const flyer = bundle.job.pieces.find(({ id }) => id === 'year')!;
    expect(() => pageBoxes(flyer, shop, true, 'Letter')).toThrow(ExportError);
    expect(() => pageBoxes(flyer, shop, true, 'Letter')).toThrow(/too large for Letter/);
  });
});
