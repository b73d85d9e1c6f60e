import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxBetween, distancesTo, outset, overlaps, unionOf } from '../../../core/geometry/box';
import { apply, multiply } from '../../../core/geometry/matrix';
import {
  asCubic,
  boxPath,
  parsePath,
  pathBounds,
  pathData,
  readPath,
  transformPath,
} from '../../../core/geometry/path';
import { HANDLES, isCorner, resizeBox } from '../../../core/geometry/resize';

const box = (x: number, y: number, width: number, height: number) => ({ x, y, width, height });

describe('boxes', () => {
  it('measures from each side', () => {
    expect(distancesTo(box(2, 3, 10, 10), box(0, 0, 20, 20))).toEqual({ top: 3, right: 8, bottom: 7, left: 2 });
    expect(distancesTo(box(-3, -3, 26, 26), box(0, 0, 20, 20))).toEqual({ top: -3, right: -3, bottom: -3, left: -3 });
  });
  it('grows, shrinks to nothing at the least, joins, overlaps', () => {
    expect(outset(box(0, 0, 10, 10), 3)).toEqual(box(-3, -3, 16, 16));
    expect(outset(box(0, 0, 4, 4), -3).width).toBe(0);
    expect(unionOf([box(0, 0, 1, 1), box(5, 5, 1, 1)])).toEqual(box(0, 0, 6, 6));
    expect(unionOf([])).toBeUndefined();
    expect(overlaps(box(0, 0, 2, 2), box(2, 0, 2, 2))).toBe(false);
    expect(boxBetween({ x: 5, y: 1 }, { x: 2, y: 4 })).toEqual(box(2, 1, 3, 3));
  });
});

describe('paths', () => {
  it('finds the exact box of curves, not of their handles', () => {
    // A cubic from 0 to 0 with both handles at height 4 rises to 3: 3·t(1−t)·4 at t = ½.
    expect(pathBounds(parsePath('M0 0C0 4 10 4 10 0'))).toEqual(box(0, 0, 10, 3));
    expect(pathBounds(parsePath('M0 0Q5 10 10 0'))!.height).toBeCloseTo(5, 9);
    expect(pathBounds([])).toBeUndefined();
  });

  it('contains every point of a random cubic, and touches them closely', () => {
    const n = fc.double({ min: -100, max: 100, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(n, n, n, n, n, n, n, n), ([x0, y0, x1, y1, x2, y2, x3, y3]) => {
        const b = pathBounds([
          ['M', x0, y0],
          ['C', x1, y1, x2, y2, x3, y3],
        ])!;
        let highest = Number.NEGATIVE_INFINITY;
        for (let i = 0; i <= 400; i++) {
          const t = i / 400;
          const y = (1 - t) ** 3 * y0 + 3 * (1 - t) ** 2 * t * y1 + 3 * (1 - t) * t * t * y2 + t ** 3 * y3;
          expect(y).toBeGreaterThanOrEqual(b.y - 1e-9);
          highest = Math.max(highest, y);
        }
        expect(b.y + b.height - highest).toBeLessThan(0.02);
      }),
      { numRuns: 100 },
    );
  });

  it('is exact for a cubic that is all but a quadratic', () => {
    const flat = pathBounds([
      ['M', 0, 99.99999999606413],
      ['C', 0, 0, 0, 0, 0, 99.99999999957923],
    ])!;
    expect(flat.y).toBeLessThanOrEqual(24.99999999945542);
  });

  it('reads every kind of SVG path data', () => {
    expect(pathData(parsePath('m1 1h2v3l-1 1z'))).toBe('M1 1L3 1L3 4L2 5Z');
    const circle = pathBounds(parsePath('M0 5A5 5 0 1 1 10 5A5 5 0 1 1 0 5Z'))!;
    expect(circle.x).toBeCloseTo(0, 2);
    expect(circle.height).toBeCloseTo(10, 2);
    // A shorthand after an arc has nothing to mirror (SVG 2, 9.3.6): its first handle is where it begins.
    for (const [op, end] of [
      ['S', '20 9 30 5'],
      ['T', '30 5'],
    ])
      expect(parsePath(`M0 5A5 5 0 1 1 10 5${op}${end}`).at(-1)!.slice(1, 3)).toEqual([10, 5]);
    expect(pathData(parsePath('M0 0C1 2 3 4 5 6S8 9 10 11')).slice(-14)).toBe('C7 8 8 9 10 11');
    expect(pathData(readPath('M0 0L5 5L7 x9').path)).toBe('M0 0L5 5');
    expect(() => parsePath('M0 0Lx')).toThrow(/cannot be read/);
  });

  it('is a quadratic and its cubic the same curve', () => {
    const [, x1, y1, x2, y2] = asCubic({ x: 0, y: 0 }, ['Q', 3, 6, 9, 0]);
    const t = 0.3;
    const quadratic = 2 * (1 - t) * t * 6;
    const cubic = 3 * (1 - t) ** 2 * t * y1 + 3 * (1 - t) * t * t * y2;
    expect(cubic).toBeCloseTo(quadratic, 12);
    expect([x1, x2]).toEqual([2, 5]);
  });

  it('moves with a matrix', () => {
    expect(transformPath(boxPath(box(0, 0, 1, 1)), [2, 0, 0, -3, 5, 7])[2]).toEqual(['L', 7, 4]);
    const both = multiply([1, 0, 0, 1, 10, 0], [2, 0, 0, 2, 0, 0]);
    expect(apply(both, { x: 1, y: 1 })).toEqual({ x: 12, y: 2 });
  });
});

describe('pulling a handle', () => {
  it('leaves the opposite side or corner where it is', () => {
    const n = fc.integer({ min: -40, max: 200 });
    fc.assert(
      fc.property(fc.constantFrom(...HANDLES), n, n, fc.boolean(), (handle, x, y, keep) => {
        const start = box(10, 20, 100, 50);
        const pulled = resizeBox(start, handle, { x, y }, keep);
        if (!handle.includes('w')) expect(pulled.x).toBeCloseTo(10, 9);
        else expect(pulled.x + pulled.width).toBeCloseTo(110, 9);
        if (!handle.includes('n')) expect(pulled.y).toBeCloseTo(20, 9);
        else expect(pulled.y + pulled.height).toBeCloseTo(70, 9);
        expect(Math.min(pulled.width, pulled.height)).toBeGreaterThan(0);
        if (keep && isCorner(handle)) expect(pulled.width / pulled.height).toBeCloseTo(2, 6);
      }),
    );
  });
});
