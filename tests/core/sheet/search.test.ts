import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Box } from '../../../core/geometry/box';
import { cuttingPlan } from '../../../core/sheet/cutting';
import { ganged } from '../../../core/sheet/gang';
import { bestMixed, layoutsOf, plainGrid, type Size, twoBlocks } from '../../../core/sheet/search';
import { execute } from './guillotine';

const size = (width: number, height: number): Size => ({ width, height });
const most = (piece: Size, area: Size, gap = 0): number => layoutsOf(piece, gap, area, 'any')[0]?.length ?? 0;

/** The most pieces by trying every straight cut at every whole length; slow, and independent of how the search thinks. */
function bruteForce(piece: Size, area: Size, known = new Map<string, number>()): number {
  const key = `${area.width} ${area.height}`;
  const found = known.get(key);
  if (found !== undefined) return found;
  const fits = (w: number, h: number): boolean => w <= area.width && h <= area.height;
  let best = fits(piece.width, piece.height) || fits(piece.height, piece.width) ? 1 : 0;
  for (let x = 1; x <= area.width / 2; x++)
    best = Math.max(
      best,
      bruteForce(piece, size(x, area.height), known) + bruteForce(piece, size(area.width - x, area.height), known),
    );
  for (let y = 1; y <= area.height / 2; y++)
    best = Math.max(
      best,
      bruteForce(piece, size(area.width, y), known) + bruteForce(piece, size(area.width, area.height - y), known),
    );
  known.set(key, best);
  return best;
}

describe('pieces on a sheet', () => {
  it('come to the worked examples', () => {
    // Computed by hand, in inches and millimetres; pieces with their bleed.
    expect(plainGrid(size(3.5, 2), 0, size(7.5, 10), false)).toHaveLength(10);
    expect(plainGrid(size(3.75, 2.25), 0, size(12, 18), false)).toHaveLength(24);
    // 24 is the plain grid; in units of 3/4 in: 16 × 15 holds 16, 16 × 9 holds 9.
    expect(most(size(3.75, 2.25), size(12, 18))).toBe(25);
    expect(bruteForce(size(5, 3), size(16, 24))).toBe(25);
    expect(plainGrid(size(3.75, 2.25), 0, size(11.6, 17.6), false)).toHaveLength(21);
    expect(plainGrid(size(3.75, 2.25), 0, size(11.6, 17.6), true)).toHaveLength(20);
    expect(most(size(3.75, 2.25), size(11.6, 17.6))).toBe(23);
    expect(plainGrid(size(91, 61), 0, size(320, 450), false)).toHaveLength(21);
    expect(plainGrid(size(91, 61), 0, size(320, 450), true)).toHaveLength(20);
    expect(most(size(91, 61), size(320, 450))).toBe(23);
  });

  it('are as many as a search of every cut finds, and never fewer than the better plain grid', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 7 }),
        fc.integer({ min: 2, max: 7 }),
        fc.integer({ min: 8, max: 22 }),
        fc.integer({ min: 8, max: 22 }),
        (w, h, width, height) => {
          const [piece, area] = [size(w, h), size(width, height)];
          const found = bestMixed(piece, 0, area)!;
          expect(found).toHaveLength(bruteForce(piece, area));
          const plain = Math.max(plainGrid(piece, 0, area, false).length, plainGrid(piece, 0, area, true).length);
          expect(most(piece, area)).toBeGreaterThanOrEqual(plain);
          expect(twoBlocks(piece, 0, area).length).toBeLessThanOrEqual(found.length);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('lie within the area, apart by the gutter, and the plan of cuts makes just them, none cut through', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 90, noNaN: true }),
        fc.double({ min: 20, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 9, noNaN: true }),
        fc.double({ min: 100, max: 420, noNaN: true }),
        fc.double({ min: 100, max: 420, noNaN: true }),
        (w, h, gap, width, height) => {
          for (const spots of layoutsOf(size(w, h), gap, size(width, height), 'any')) {
            for (const [i, a] of spots.entries()) {
              expect(a.x).toBeGreaterThanOrEqual(-0.01);
              expect(a.x + a.width).toBeLessThanOrEqual(width + 0.01);
              expect(a.y + a.height).toBeLessThanOrEqual(height + 0.01);
              for (const b of spots.slice(i + 1)) {
                const apart = Math.max(
                  Math.max(a.x, b.x) - Math.min(a.x + a.width, b.x + b.width),
                  Math.max(a.y, b.y) - Math.min(a.y + a.height, b.y + b.height),
                );
                expect(apart).toBeGreaterThanOrEqual(gap - 0.01);
              }
            }
            const sheet = { x: -15, y: -15, width: width + 30, height: height + 30 };
            const cuts = cuttingPlan(sheet, spots);
            expect(execute(sheet, cuts, spots)).toHaveLength(spots.length);
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  it('shared cuts are one cut, gutters two', () => {
    const sheet = { x: 0, y: 0, width: 100, height: 40 };
    const at = (...xs: number[]): Box[] => xs.map((x) => ({ x, y: 10, width: 20, height: 20 }));
    expect(cuttingPlan(sheet, at(10, 30, 50))).toHaveLength(4 + 2);
    expect(cuttingPlan(sheet, at(10, 35, 60))).toHaveLength(4 + 4);
  });

  it('are cut first by the edges that the press held the sheet by: the foot, then the left', () => {
    const sheet = { x: 0, y: 0, width: 100, height: 60 };
    const cuts = cuttingPlan(sheet, [{ x: 12, y: 10, width: 70, height: 40 }]);
    // From the foot edge to the head of the piece: 60 − 10; from the left edge to its right: 82; then by what was cut.
    expect(cuts.map(({ axis, gauge, distance }) => [axis, gauge, distance])).toEqual([
      ['y', 'after', 50],
      ['x', 'before', 82],
      ['y', 'before', 40],
      ['x', 'after', 70],
    ]);
  });

  it('that no straight cut parts are refused', () => {
    const pinwheel = [
      { x: 0, y: 0, width: 20, height: 10 },
      { x: 20, y: 0, width: 10, height: 20 },
      { x: 10, y: 20, width: 20, height: 10 },
      { x: 0, y: 10, width: 10, height: 20 },
    ];
    expect(() => cuttingPlan({ x: 0, y: 0, width: 30, height: 30 }, pinwheel)).toThrow(/no straight cut/);
  });
});

describe('several pieces on one sheet', () => {
  const area = size(300, 430);
  it('of one size share by quantity, on as few sheets as their places allow', () => {
    // 23 places: 500 of each of three people need ⌈500 / 7⌉ = 72 sheets, seven places each.
    const items = [1, 2, 3].map(() => ({ ...size(91, 61), quantity: 500 }));
    const [form] = ganged(items, 0, size(320, 450), 'any')!;
    expect(form!.sheets).toBe(72);
    expect(form!.slots).toHaveLength(21);
  });
  it('of several sizes all come, each as often as it is ordered, and can be cut', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            width: fc.integer({ min: 40, max: 140 }),
            height: fc.integer({ min: 40, max: 140 }),
            quantity: fc.integer({ min: 1, max: 900 }),
          }),
          { minLength: 2, maxLength: 5 },
        ),
        (items) => {
          const forms = ganged(items, 6, area, 'any')!;
          items.forEach(({ quantity }, i) => {
            const made = forms.reduce(
              (sum, { slots, sheets }) => sum + sheets * slots.filter(({ item }) => item === i).length,
              0,
            );
            expect(made).toBeGreaterThanOrEqual(quantity);
          });
          for (const { slots } of forms) {
            const sheet = { x: -5, y: -5, width: area.width + 10, height: area.height + 10 };
            expect(execute(sheet, cuttingPlan(sheet, slots), slots)).toHaveLength(slots.length);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
  it('that do not fit together go on several sheets, and one that fits on none is told of', () => {
    const large = { ...size(280, 400), quantity: 10 };
    expect(ganged([large, large], 0, area, 'any')).toHaveLength(2);
    expect(ganged([{ ...size(500, 400), quantity: 1 }], 0, area, 'any')).toBeUndefined();
  });
  it('stops when it is told to', () => {
    const items = [60, 80, 100].map((width) => ({ ...size(width, 70), quantity: 1000 }));
    expect(ganged(items, 0, area, 'any', () => false)).toBeUndefined();
  });
});
