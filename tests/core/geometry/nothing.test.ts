import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { combine, fromEvenOdd, partsOf, partWithin, whollyCovered } from '../../../core/geometry/boolean';
import { COMBININGS } from '../../../core/geometry/boolean-names';
import { areaOf, offsetPath, strokeOutline } from '../../../core/geometry/offset';
import { boxPath, linePath, type Path } from '../../../core/geometry/path';
import { isDeep } from '../../deep';

/** Areas and lines of nothing: they come up in other people's drawings, and are no faults. */

const BOX = boxPath({ x: 0, y: 0, width: 10, height: 10 });
const NOTHING: Record<string, Path> = {
  'no path': [],
  'a lone beginning': [['M', 3, 3]],
  'a closed point': [['M', 3, 3], ['Z']],
  'a line that goes nowhere': linePath({ x: 2, y: 2 }, { x: 2, y: 2 }),
  'a box without height': boxPath({ x: 0, y: 0, width: 10, height: 0 }),
};
const sum = (paths: readonly Path[]): number => paths.reduce((all, path) => all + areaOf(path), 0);

describe.each(Object.entries(NOTHING))('%s', (_, nothing) => {
  it.each(COMBININGS)('with a box: %s', (how) => {
    const left = { unite: 100, subtract: 100, intersect: 0, exclude: 100, divide: 100 }[how];
    expect(sum(combine([BOX, nothing], how))).toBeCloseTo(left, 6);
    expect(sum(combine([nothing, BOX], how))).toBeCloseTo(how === 'subtract' ? 0 : left, 6);
    expect(sum(combine([nothing, nothing], how))).toBe(0);
  });
  it('has no area, no parts and nothing around it', () => {
    expect(sum([fromEvenOdd(nothing), ...partsOf(nothing)])).toBe(0);
    expect(() => offsetPath(nothing, 1)).not.toThrow();
  });
});

// SVG 2, 13.5.4: a line of no length has a dot of its weight where its ends are round or square, and else nothing.
describe('a line that goes nowhere', () => {
  const nowhere = [NOTHING['a closed point']!, NOTHING['a line that goes nowhere']!];
  it.each([
    ['flat', 0],
    ['square', 16],
    ['round', Math.PI * 4],
  ] as const)('with %s ends covers %d square points at a weight of 4', (cap, area) => {
    for (const path of nowhere) expect(areaOf(strokeOutline(path, { weight: 4, cap }))).toBeCloseTo(area, 1);
    expect(strokeOutline(NOTHING['a lone beginning']!, { weight: 4, cap })).toEqual([]);
  });
});

/** Corners of a straight-sided area. */
const straight = (...points: [number, number][]): Path => [
  ...points.map(([x, y], i) => [i === 0 ? 'M' : 'L', x, y] as const),
  ['Z'],
];

describe('an outline that goes out and back along a level line', () => {
  // The sweep of the library that puts areas together never ended on this.
  const spike = straight([4.38, 0], [4.37, 0], [4.36, 0], [4.38, 0], [0.03, 2.9], [0, 2.9]);
  // Half of 4.38 × 2.9 less half of 4.35 × 2.9: what lies between the two slanted sides.
  const area = (4.38 * 2.9) / 2 - (4.35 * 2.9) / 2;
  it('is put together, cut, grown and drawn as a line', () => {
    expect(areaOf(spike)).toBeCloseTo(area, 2);
    expect(areaOf(fromEvenOdd(spike))).toBeCloseTo(area, 2);
    expect(areaOf(partWithin(spike, straight([-9, -9], [9, -9], [9, 9], [-9, 9])))).toBeCloseTo(area, 2);
    expect(areaOf(whollyCovered([spike, BOX]))).toBeCloseTo(100, 2);
    expect(areaOf(offsetPath(spike, 1))).toBeGreaterThan(10);
    expect(areaOf(strokeOutline(spike, { weight: 0.5 }))).toBeGreaterThan(3);
  });
  const outline = (most: number) => fc.array(fc.tuple(fc.nat(most), fc.nat(most)), { minLength: 3, maxLength: 12 });
  const runs = { numRuns: isDeep ? 20_000 : 300 };
  it('covers the same whichever way it is turned', () => {
    fc.assert(
      fc.property(outline(1e6), (points) => {
        const [one, other] = [
          straight(...points.map(([x, y]): [number, number] => [x / 1e5, y / 1e5])),
          straight(...points.map(([x, y]): [number, number] => [y / 1e5, -x / 1e5])),
        ];
        expect(areaOf(one)).toBeCloseTo(areaOf(other), 3);
        expect(areaOf(fromEvenOdd(one))).toBeCloseTo(areaOf(fromEvenOdd(other)), 2);
      }),
      runs,
    );
  });
  it('comes to an end, however its sides lie upon one another', () => {
    fc.assert(
      fc.property(outline(6), (points) => {
        const path = straight(...points);
        for (const make of [fromEvenOdd, (p: Path) => offsetPath(p, 1), (p: Path) => strokeOutline(p, { weight: 1 })])
          expect(() => make(path)).not.toThrow();
      }),
      runs,
    );
  });
});
