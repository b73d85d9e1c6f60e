import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { officePages } from '../../../core/devices/office-pages';
import type { Box } from '../../../core/geometry/box';
import {
  type OfficePage,
  type OfficePrinter,
  officeFaults,
  officeOutcome,
  pageOnPaper,
  rightSettings,
  SECOND_SIDES,
  SIZINGS,
} from '../../../core/scene/office-printer';
import { sourcesOf } from '../../../core/scene/sources';
import { fromPoints } from '../../../core/units/length';
import { kit, mm, openDemo } from '../../kit';

/** What an office printer makes of its settings, against lengths worked out by hand. */

const box = (x: number, y: number, width: number, height: number): Box => ({
  x: mm(x),
  y: mm(y),
  width: mm(width),
  height: mm(height),
});
const page = (width: number, height: number, ink?: Box): OfficePage => ({
  media: box(0, 0, width, height),
  trim: box(0, 0, width, height),
  ink,
});
const printer = (more: Partial<OfficePrinter> = {}): OfficePrinter => ({
  paper: 'A4',
  margin: mm(4.2),
  sizing: 'own',
  second: 'none',
  ...more,
});
const lostOf = (of: OfficePage, by: OfficePrinter) =>
  Object.entries(officeOutcome([of], by).sides[0]!.lost).map(([edge, lost]) => [
    edge,
    +fromPoints(lost, 'mm').toFixed(3),
  ]);

describe('the size that comes out', () => {
  it('is the page’s own at 100 %', () => {
    expect(officeOutcome([page(210, 297)], printer()).sides[0]!.scale).toBe(1);
  });
  it('is smaller where an A4 page must fit what A4 lets print: (210 − 8.4) / 210 is less than (297 − 8.4) / 297', () => {
    const { scale, trim } = officeOutcome([page(210, 297)], printer({ sizing: 'smaller' })).sides[0]!;
    expect(scale).toBeCloseTo(0.96, 6);
    expect([trim.x, trim.y].map((v) => fromPoints(v, 'mm'))).toEqual([
      expect.closeTo(4.2, 6),
      // (297 − 0.96 × 297) / 2
      expect.closeTo(5.94, 6),
    ]);
  });
  it('is left alone where it is small enough, and grows only where that is asked for', () => {
    const card = page(85, 55);
    expect(officeOutcome([card], printer({ sizing: 'smaller' })).sides[0]!.scale).toBe(1);
    // Wide, it lies along the paper: (297 − 8.4) / 85 is less than (210 − 8.4) / 55.
    expect(officeOutcome([card], printer({ sizing: 'largest' })).sides[0]!.scale).toBeCloseTo(288.6 / 85, 6);
  });
});

describe('ink that is lost', () => {
  it('is what lies in the edge that stays white', () => {
    expect(lostOf(page(210, 297, box(0, 20, 50, 20)), printer())).toEqual([['left', 4.2]]);
    expect(lostOf(page(210, 297, box(5, 280, 50, 15)), printer())).toEqual([['bottom', 2.2]]);
    expect(lostOf(page(210, 297, box(5, 5, 200, 287)), printer())).toEqual([]);
  });
  it('is none once the page is made smaller to fit', () => {
    expect(lostOf(page(210, 297, box(0, 0, 210, 297)), printer({ sizing: 'smaller' }))).toEqual([]);
  });
  it('is told by the edges of the page, also where it lies on its side', () => {
    expect(lostOf(page(297, 210, box(50, 0, 50, 20)), printer())).toEqual([['top', 4.2]]);
    expect(lostOf(page(297, 210, box(0, 50, 50, 20)), printer())).toEqual([['left', 4.2]]);
  });
  it('counts only what is on the page', () => {
    expect(lostOf(page(100, 100, box(-20, 10, 50, 20)), printer())).toEqual([]);
  });
});

describe('the back', () => {
  const tall = [page(210, 297), page(210, 297)];
  const wide = [page(148, 105), page(148, 105)];
  it.each([
    ['a tall page', tall, 'long', false],
    ['a tall page', tall, 'short', true],
    ['a wide page', wide, 'short', false],
    ['a wide page', wide, 'long', true],
  ] as const)('of %s turned over the %s edge', (_, pages, second, isHeadDown) => {
    expect(officeOutcome(pages, printer({ second })).isHeadDown).toBe(isHeadDown);
  });
  it('is missing where one side is asked for, and is no fault of a page that has none', () => {
    expect(officeFaults(tall, officeOutcome(tall, printer()), 'mm')).toEqual(['The back is not printed.']);
    expect(officeFaults([tall[0]!], officeOutcome([tall[0]!], printer()), 'mm')).toEqual([]);
  });
});

it('says in the job’s unit what is wrong', () => {
  const letter: OfficePage = {
    media: box(0, 0, 215.9, 279.4),
    trim: box(0, 0, 215.9, 279.4),
    ink: box(0, 100, 20, 20),
  };
  const small = printer({ paper: 'Letter', margin: 18, sizing: 'smaller' });
  // (8.5 in − 0.5 in) / 8.5 in
  expect(officeFaults([letter], officeOutcome([letter], small), 'in')).toEqual([
    'It comes out at 94.1 %: 8 in wide instead of 8 1/2 in.',
  ]);
  expect(officeFaults([letter], officeOutcome([letter], { ...small, sizing: 'own' }), 'in')).toEqual([
    'The front loses 1/4 in of its ink at the left: the printer leaves it white.',
  ]);
});

describe('the right settings', () => {
  it('take the page’s own paper, its own size, and turn it for its shape', () => {
    expect(rightSettings([page(215.9, 279.4)], 12)).toMatchObject({ paper: 'Letter', sizing: 'own', second: 'none' });
    expect(rightSettings([page(297, 210), page(297, 210)], 12)).toMatchObject({ paper: 'A4', second: 'short' });
  });
  it('are never worse than any other at the size of the page', () => {
    const side = fc.integer({ min: 40, max: 300 });
    fc.assert(
      fc.property(side, side, fc.boolean(), (width, height, isTwo) => {
        const one = page(width, height, box(0, 0, width, height));
        const pages = isTwo ? [one, one] : [one];
        const best = officeOutcome(pages, rightSettings(pages, mm(4.2)));
        expect([best.sides[0]!.scale, best.isHeadDown, best.isBackMissing]).toEqual([1, false, false]);
      }),
    );
  });
  it.each(Object.keys(SIZINGS) as (keyof typeof SIZINGS)[])(
    'lay the middle of the page on the middle of the paper: %s',
    (sizing) => {
      for (const second of Object.keys(SECOND_SIDES) as (keyof typeof SECOND_SIDES)[]) {
        const [a, b, c, d, e, f] = pageOnPaper(page(120, 80), printer({ sizing, second }));
        const [x, y] = [mm(60), mm(40)];
        expect([a * x + c * y + e, b * x + d * y + f].map((v) => fromPoints(v, 'mm'))).toEqual([
          expect.closeTo(105, 6),
          expect.closeTo(148.5, 6),
        ]);
      }
    },
  );
});

it('the demo’s card on a page of its own loses its edges, in the middle of A4 nothing', () => {
  const { job } = openDemo();
  const card = job.pieces.find(({ id }) => id === 'card')!;
  const sources = sourcesOf(job, kit.fonts);
  const own = officePages(card, sources);
  expect(own).toHaveLength(2);
  const laid = officePages(card, sources, 'A4');
  expect(officeFaults(laid, officeOutcome(laid, rightSettings(laid, mm(4.2))), 'mm')).toEqual([]);
  // On card stock of its own size it would be another matter: the printer here centres it on A4, where all of it prints.
  expect(officeFaults(own, officeOutcome(own, printer({ sizing: 'largest', second: 'short' })), 'mm')[0]).toMatch(
    /^It comes out at \d+/,
  );
});
