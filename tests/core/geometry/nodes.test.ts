import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blotPath } from '../../../core/geometry/blot';
import { ellipsePath } from '../../../core/geometry/forms';
import {
  addNode,
  fromStretches,
  isSmooth,
  makeCorner,
  makeSmooth,
  moveHandle,
  nearestPlace,
  removeNode,
  toStretches,
} from '../../../core/geometry/nodes';
import { areaOf } from '../../../core/geometry/offset';
import { boxPath, pathBounds } from '../../../core/geometry/path';

describe('the points of an outline', () => {
  it('become the same outline again', () => {
    for (const path of [
      boxPath({ x: 1, y: 2, width: 30, height: 20 }),
      ellipsePath({ x: 0, y: 0, width: 9, height: 5 }),
    ])
      expect(areaOf(fromStretches(toStretches(path)))).toBeCloseTo(areaOf(path), 6);
    const open = [
      ['M', 0, 0],
      ['L', 5, 0],
      ['C', 8, 0, 9, 4, 9, 9],
    ] as const;
    expect(fromStretches(toStretches(open))).toEqual(open);
  });
  it('are added without changing the outline, wherever they go', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), fc.double({ min: 0.05, max: 0.95, noNaN: true }), (node, t) => {
        const circle = ellipsePath({ x: 0, y: 0, width: 40, height: 40 });
        const more = addNode(toStretches(circle), { stretch: 0, node }, t);
        expect(more[0]!.nodes).toHaveLength(5);
        expect(areaOf(fromStretches(more))).toBeCloseTo(areaOf(circle), 1);
      }),
    );
  });
  it('are smoothed, made corners and taken away', () => {
    const square = toStretches(boxPath({ x: 0, y: 0, width: 10, height: 10 }));
    const ref = { stretch: 0, node: 1 };
    const smooth = makeSmooth(square, ref);
    expect(isSmooth(smooth[0]!.nodes[1]!)).toBe(true);
    expect(makeCorner(smooth, ref)).toEqual(square);
    expect(removeNode(square, ref)[0]!.nodes).toHaveLength(3);
    expect(removeNode(removeNode(removeNode(square, ref), ref), ref)).toEqual([]);
  });
  it('keep a smooth point smooth when one of its handles is pulled', () => {
    const circle = toStretches(ellipsePath({ x: 0, y: 0, width: 40, height: 40 }));
    const pulled = moveHandle(circle, { stretch: 0, node: 0 }, 'out', { x: 33, y: 9 });
    expect(isSmooth(pulled[0]!.nodes[0]!)).toBe(true);
  });
  it('are found by the nearest place', () => {
    const found = nearestPlace(toStretches(boxPath({ x: 0, y: 0, width: 10, height: 10 })), { x: 5, y: 0.3 })!;
    expect(found.ref.node).toBe(0);
    expect(found.t).toBeCloseTo(0.5, 1);
  });
});

describe('a blot', () => {
  it('is the same for the same seed, another for another, and stays in its square', () => {
    fc.assert(
      fc.property(
        fc.nat(999_999),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 3, max: 40 }),
        fc.integer({ min: 0, max: 30 }),
        (seed, irregularity, count, drops) => {
          const asked = { seed, irregularity, count, drops };
          expect(blotPath(asked)).toEqual(blotPath(asked));
          const { x, y, width, height } = pathBounds(blotPath(asked))!;
          expect(Math.min(x, y)).toBeGreaterThan(-0.13);
          expect(Math.max(x + width, y + height)).toBeLessThan(1.13);
        },
      ),
      { numRuns: 60 },
    );
    expect(blotPath({ seed: 1, irregularity: 0.5, count: 9, drops: 3 })).not.toEqual(
      blotPath({ seed: 2, irregularity: 0.5, count: 9, drops: 3 }),
    );
  });
});
