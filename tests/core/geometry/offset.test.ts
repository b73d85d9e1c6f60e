import { describe, expect, it } from 'vitest';
import { flatten } from '../../../core/geometry/flatten';
import { corneredBoxPath, ellipsePath } from '../../../core/geometry/forms';
import { areaOf, offsetPath, strokeOutline } from '../../../core/geometry/offset';
import { boxPath, linePath, pathBounds } from '../../../core/geometry/path';

const circle = (radius: number) =>
  ellipsePath({ x: 100 - radius, y: 100 - radius, width: 2 * radius, height: 2 * radius });
const pointsOf = (path: Parameters<typeof flatten>[0]) => flatten(path, 0.001).flatMap(({ points }) => points);

describe('an outline pushed outwards or inwards', () => {
  it.each([
    [10, 3],
    [40, -7.5],
    [200, 12],
    [5, 0.25],
  ])('a circle of radius %d by %d is a circle, within 0.01 pt', (radius, by) => {
    const moved = offsetPath(circle(radius), by);
    // Four curves are round but for 0.03 % of the radius: the distance is from the outline as it is.
    const angle = (p: { x: number; y: number }) => Math.atan2(p.y - 100, p.x - 100);
    const outline = pointsOf(circle(radius)).map((p) => ({ angle: angle(p), r: Math.hypot(p.x - 100, p.y - 100) }));
    const radiusAt = (a: number) =>
      outline.reduce((best, p) => (Math.abs(p.angle - a) < Math.abs(best.angle - a) ? p : best)).r;
    const gaps = pointsOf(moved).map((p) => Math.hypot(p.x - 100, p.y - 100) - radiusAt(angle(p)));
    expect(Math.max(...gaps.map((gap) => Math.abs(gap - by)))).toBeLessThan(0.01);
    expect(moved.filter(([op]) => op === 'C').length).toBeLessThanOrEqual(32);
  });

  /** How far a point is from a box of round corners: negative inside. A worked formula for such a box. */
  const fromRounded = (
    p: { x: number; y: number },
    box: { x: number; y: number; width: number; height: number },
    r: number,
  ) => {
    const qx = Math.abs(p.x - box.x - box.width / 2) - box.width / 2 + r;
    const qy = Math.abs(p.y - box.y - box.height / 2) - box.height / 2 + r;
    return Math.hypot(Math.max(qx, 0), Math.max(qy, 0)) + Math.min(Math.max(qx, qy), 0) - r;
  };
  it.each([-4, -1, 2, 6])('a panel with round corners by %d has a border even to 0.01 pt', (by) => {
    const box = { x: 20, y: 30, width: 180, height: 90 };
    const corner = { radius: 12, form: 'round' } as const;
    const moved = offsetPath(corneredBoxPath(box, [corner, corner, corner, corner]), by);
    const gaps = pointsOf(moved).map((p) => fromRounded(p, box, 12) - by);
    expect(Math.max(...gaps.map(Math.abs))).toBeLessThan(0.01);
    // Four straight sides stay straight, and each corner is a curve.
    expect(moved.filter(([op]) => op === 'L').length).toBeGreaterThanOrEqual(3);
    expect(moved.length).toBeLessThan(24);
  });
  it('keeps a rectangle sharp, or rounds it when asked, and leaves nothing when it is used up', () => {
    const box = { x: 0, y: 0, width: 50, height: 20 };
    expect(pathBounds(offsetPath(boxPath(box), 5))).toEqual({ x: -5, y: -5, width: 60, height: 30 });
    expect(offsetPath(boxPath(box), 5).length).toBe(5);
    expect(areaOf(offsetPath(boxPath(box), 5, 'round'))).toBeCloseTo(50 * 20 + 2 * 5 * 70 + Math.PI * 25, 0);
    expect(offsetPath(boxPath(box), -11)).toEqual([]);
  });
});

describe('a line made a shape', () => {
  it('is as long and as wide as the line, with the ends it has', () => {
    const line = linePath({ x: 10, y: 10 }, { x: 60, y: 10 });
    expect(areaOf(strokeOutline(line, { weight: 4 }))).toBeCloseTo(200, 3);
    expect(areaOf(strokeOutline(line, { weight: 4, cap: 'square' }))).toBeCloseTo(216, 3);
    expect(areaOf(strokeOutline(line, { weight: 4, cap: 'round' }))).toBeCloseTo(200 + Math.PI * 4, 1);
  });
  it('is in as many parts as it has dashes', () => {
    const line = linePath({ x: 0, y: 0 }, { x: 100, y: 0 });
    const dashed = strokeOutline(line, { weight: 2, dash: [10, 5] });
    expect(dashed.filter(([op]) => op === 'M')).toHaveLength(7);
    expect(areaOf(dashed)).toBeCloseTo(2 * 70, 3);
  });
  it('is a ring along a closed outline', () => {
    expect(areaOf(strokeOutline(circle(30), { weight: 6 }))).toBeCloseTo(Math.PI * (33 ** 2 - 27 ** 2), 0);
  });
});
