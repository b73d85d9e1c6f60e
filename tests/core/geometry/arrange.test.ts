import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alignMoves, centreMove, EDGES, spaceMoves } from '../../../core/geometry/arrange';
import { type Box, unionOf } from '../../../core/geometry/box';
import { bleedPull, snapEdge, snapMove } from '../../../core/geometry/snap';
import { straightened, straightenings } from '../../../core/geometry/straighten';

const box = (x: number, y: number, width: number, height: number): Box => ({ x, y, width, height });
const moved = (b: Box, by: { x: number; y: number }): Box => ({ ...b, x: b.x + by.x, y: b.y + by.y });
const anyBox = fc
  .tuple(
    fc.integer({ min: -200, max: 200 }),
    fc.integer({ min: -200, max: 200 }),
    fc.integer({ min: 1, max: 90 }),
    fc.integer({ min: 1, max: 90 }),
  )
  .map(([x, y, width, height]) => box(x, y, width, height));

describe('aligning', () => {
  it('brings every box’s edge to the target’s, whatever the boxes', () => {
    const at = { left: 0, centre: 0.5, right: 1, top: 0, middle: 0.5, bottom: 1 };
    fc.assert(
      fc.property(fc.array(anyBox, { minLength: 1, maxLength: 8 }), fc.constantFrom(...EDGES), (boxes, edge) => {
        const to = unionOf(boxes)!;
        const across = edge === 'left' || edge === 'centre' || edge === 'right';
        const place = (b: Box): number => (across ? b.x + at[edge] * b.width : b.y + at[edge] * b.height);
        alignMoves(boxes, to, edge).forEach((by, i) => {
          expect(place(moved(boxes[i]!, by))).toBeCloseTo(place(to), 9);
          expect(across ? by.y : by.x).toBe(0);
        });
      }),
    );
  });
  it('centres all of them as one', () => {
    expect(centreMove([box(0, 0, 10, 10), box(20, 10, 10, 10)], box(0, 0, 100, 100))).toEqual({ x: 35, y: 40 });
  });
});

describe('spacing', () => {
  it('makes gaps equal, and leaves the outermost where they are', () => {
    const boxes = [box(50, 0, 10, 5), box(0, 0, 10, 5), box(15, 0, 20, 5)];
    const after = boxes.map((b, i) => moved(b, spaceMoves(boxes, 'x')[i]!));
    expect(after.map((b) => b.x)).toEqual([50, 0, 20]);
  });
  it('makes gaps exact from the first', () => {
    const boxes = [box(0, 0, 10, 10), box(0, 90, 10, 20), box(0, 40, 10, 30)];
    const after = boxes.map((b, i) => moved(b, spaceMoves(boxes, 'y', 4)[i]!));
    expect(after.map((b) => b.y)).toEqual([0, 48, 14]);
  });
  it('does nothing to one', () => {
    expect(spaceMoves([box(3, 4, 5, 6)], 'x')).toEqual([{ x: 0, y: 0 }]);
  });
});

describe('snapping', () => {
  const targets = { lines: [{ axis: 'x' as const, at: 100, what: 'trim' }], boxes: [], baselines: [] };
  it('brings the nearest of edges and middle to a line within reach, and no further', () => {
    const thing = { box: box(0, 0, 20, 10), baselines: [] };
    expect(snapMove(thing, { x: 78, y: 0 }, targets, 3).by).toEqual({ x: 80, y: 0 });
    expect(snapMove(thing, { x: 91, y: 0 }, targets, 3).by).toEqual({ x: 90, y: 0 });
    expect(snapMove(thing, { x: 85, y: 0 }, targets, 3).by).toEqual({ x: 85, y: 0 });
    expect(snapMove(thing, { x: 78, y: 0 }, targets, 3).lines).toMatchObject([{ axis: 'x', at: 100, what: 'trim' }]);
  });
  it('meets other things’ edges and baselines', () => {
    const near = { lines: [], boxes: [box(50, 0, 30, 10)], baselines: [77] };
    const snapped = snapMove({ box: box(0, 70, 30, 12), baselines: [79.5] }, { x: 51, y: -2 }, near, 3);
    expect(snapped.by.x).toBe(50);
    expect(snapped.by.y).toBeCloseTo(-2.5, 9);
  });
  it('makes gaps equal to those there are, and stands in the middle between two', () => {
    const row = { lines: [], boxes: [box(0, 0, 10, 10), box(25, 0, 10, 10)], baselines: [] };
    const third = snapMove({ box: box(0, 0, 10, 10), baselines: [] }, { x: 49, y: 0 }, row, 2);
    expect(third.by.x).toBe(50);
    expect(third.gaps.map(({ from, to }) => to - from)).toEqual([15, 15]);
    const wide = { lines: [], boxes: [box(0, 0, 10, 10), box(60, 0, 10, 10)], baselines: [] };
    expect(snapMove({ box: box(0, 0, 4, 4), baselines: [] }, { x: 32.5, y: 0 }, wide, 1).by.x).toBe(33);
  });
  it('never moves more than its reach from where the hand is', () => {
    fc.assert(
      fc.property(anyBox, fc.array(anyBox, { maxLength: 6 }), fc.integer({ min: -50, max: 50 }), (thing, boxes, x) => {
        const { by } = snapMove({ box: thing, baselines: [] }, { x, y: 0 }, { lines: [], boxes, baselines: [] }, 3);
        expect(Math.abs(by.x - x)).toBeLessThanOrEqual(3);
        expect(Math.abs(by.y)).toBeLessThanOrEqual(3);
      }),
    );
  });
  it('brings a pulled edge to a line', () => {
    expect(snapEdge('x', 98.5, targets, 3)).toMatchObject({ by: 1.5, line: { what: 'trim' } });
    expect(snapEdge('y', 98.5, targets, 3).line).toBeUndefined();
  });
  it('pulls art that ends at the trim out to the bleed, and leaves art well inside', () => {
    expect(bleedPull(0, 0, -8.5, -1, 4)).toBe(-8.5);
    expect(bleedPull(-3, 0, -8.5, -1, 4)).toBe(-5.5);
    expect(bleedPull(1, 0, -8.5, -1, 4)).toBe(-9.5);
    expect(bleedPull(6, 0, -8.5, -1, 4)).toBeUndefined();
    expect(bleedPull(-20, 0, -8.5, -1, 4)).toBeUndefined();
    expect(bleedPull(243, 240, 248.5, 1, 4)).toBe(5.5);
  });
});

describe('straightening', () => {
  it('finds edges within half a millimetre, sizes within 2 %, gaps within 10 %', () => {
    const found = straightenings([box(10, 0, 50, 10), box(11, 30, 90, 10)]);
    expect(found).toMatchObject([{ index: 1, why: 'edge', change: { x: -1 } }]);
    expect(straightenings([box(0, 0, 100, 10), box(300, 50, 101.5, 80)])).toMatchObject([{ why: 'size', index: 1 }]);
    const row = [box(0, 0, 10, 10), box(20, 40, 10, 10), box(39.3, 80, 10, 10)];
    expect(straightenings(row).some(({ why }) => why === 'gap')).toBe(true);
  });
  it('leaves alone what is straight, and what is clearly not', () => {
    expect(straightenings([box(0, 0, 10, 10), box(0, 30, 10, 10)])).toEqual([]);
    expect(straightenings([box(0, 0, 10, 10), box(3, 30, 20, 25)])).toEqual([]);
  });
  it('mends what it found', () => {
    const boxes = [box(10, 0, 50, 10), box(11, 30, 90, 10)];
    expect(straightened(boxes, straightenings(boxes))[1]).toEqual(box(10, 30, 90, 10));
    expect(straightenings(straightened(boxes, straightenings(boxes)))).toEqual([]);
  });
});
