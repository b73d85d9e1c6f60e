import { describe, expect, it } from 'vitest';
import { type Corner, corneredBoxPath, ellipsePath, polygonPath, starPath } from '../../../core/geometry/forms';
import { type Path, pathBounds } from '../../../core/geometry/path';
import { walkPath } from '../../../core/geometry/walk';

const box = { x: 10, y: 20, width: 100, height: 60 };
const all = (radius: number, form: Corner['form'] = 'round'): [Corner, Corner, Corner, Corner] => {
  const corner = { radius, form };
  return [corner, corner, corner, corner];
};
/** The area a path goes round, from its pieces. */
const areaOf = (path: Path): number =>
  Math.abs(walkPath(path).pieces.reduce((sum, { from, to }) => sum + from.x * to.y - to.x * from.y, 0)) / 2;

describe('forms', () => {
  it('have the areas that formulas give', () => {
    const full = 100 * 60;
    expect(areaOf(ellipsePath(box))).toBeCloseTo(Math.PI * 50 * 30, -1);
    expect(areaOf(corneredBoxPath(box, all(12)))).toBeCloseTo(full - (4 - Math.PI) * 144, 0);
    expect(areaOf(corneredBoxPath(box, all(12, 'cut')))).toBeCloseTo(full - 2 * 144, 6);
    expect(areaOf(corneredBoxPath(box, all(12, 'scooped')))).toBeCloseTo(full - Math.PI * 144, 0);
    // A regular hexagon in a circle: 3√3/2 r².
    expect(areaOf(polygonPath({ x: 0, y: 0, width: 20, height: 20 }, 6))).toBeCloseTo(1.5 * Math.sqrt(3) * 100, 6);
    // A star is twice its points of triangles: n r R sin(π/n).
    expect(areaOf(starPath({ x: 0, y: 0, width: 20, height: 20 }, 5, 0.5))).toBeCloseTo(
      5 * 10 * 5 * Math.sin(Math.PI / 5),
      6,
    );
  });
  it('fill their box', () => {
    for (const path of [ellipsePath(box), corneredBoxPath(box, all(12)), corneredBoxPath(box, all(20, 'scooped'))]) {
      const bounds = pathBounds(path)!;
      for (const side of ['x', 'y', 'width', 'height'] as const) expect(bounds[side]).toBeCloseTo(box[side], 9);
    }
  });
  it('have each corner its own', () => {
    const [a, b, c, d] = all(0);
    const path = corneredBoxPath(box, [{ radius: 10, form: 'round' }, b, { radius: 20, form: 'cut' }, d]);
    expect(c).toEqual(a);
    expect(path.filter(([op]) => op === 'C')).toHaveLength(1);
    expect(areaOf(path)).toBeCloseTo(6000 - (1 - Math.PI / 4) * 100 - 200, 0);
  });
  it('make corners that would overlap smaller by one share', () => {
    const bounds = pathBounds(corneredBoxPath(box, all(500)))!;
    expect(bounds.height).toBeCloseTo(60, 9);
    expect(areaOf(corneredBoxPath(box, all(500)))).toBeCloseTo(6000 - (4 - Math.PI) * 900, -1);
  });
});
