import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contourOf, insideBy, isInRings } from '../../../core/geometry/contour';
import { ellipsePath } from '../../../core/geometry/forms';
import { boxPath, transformPath } from '../../../core/geometry/path';

const R = 50;
const circle = contourOf(ellipsePath({ x: 0, y: 0, width: 2 * R, height: 2 * R }));
const square = contourOf(boxPath({ x: 0, y: 0, width: 100, height: 60 }));
const point = fc.record({
  x: fc.double({ min: -30, max: 130, noNaN: true }),
  y: fc.double({ min: -30, max: 130, noNaN: true }),
});

describe('the outline of an area', () => {
  it('is as far from a point as a circle is, by Pythagoras', () => {
    fc.assert(
      fc.property(point, (p) => {
        const far = R - Math.hypot(p.x - R, p.y - R);
        expect(insideBy(p, circle).by).toBeCloseTo(far, 1);
      }),
    );
  });

  it('is as far from a point in a rectangle as its nearest side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 99.99, noNaN: true }),
        fc.double({ min: 0.01, max: 59.99, noNaN: true }),
        (x, y) => {
          const near = Math.min(x, y, 100 - x, 60 - y);
          expect(insideBy({ x, y }, square).by).toBeCloseTo(near, 6);
        },
      ),
    );
  });

  it('leads out of the area, whichever way round it is drawn', () => {
    for (const path of [
      boxPath({ x: 0, y: 0, width: 10, height: 10 }),
      boxPath({ x: 0, y: 0, width: 10, height: 10 }).map((s) => s),
    ]) {
      const mirrored = transformPath(path, [-1, 0, 0, 1, 10, 0]);
      for (const contour of [contourOf(path), contourOf(mirrored)])
        for (const { x, y, out } of contour)
          expect(isInRings({ x: x + out.x, y: y + out.y }, [contour]), `${x} ${y}`).toBe(false);
    }
  });

  it('has places no more than two points apart, and none where there is no area', () => {
    expect(square.length).toBe(50 + 30 + 50 + 30);
    expect(
      contourOf([
        ['M', 0, 0],
        ['L', 0, 0],
      ]),
    ).toEqual([]);
    expect(insideBy({ x: 0, y: 0 }, []).by).toBe(-Infinity);
  });
});
