import ClipperLib, { type IntPath } from 'clipper-lib';
import { Clipper, ClipperBase, EndType, type JoinType, type PathD, type PathsD } from 'clipper2-ts';
import type { Box, Point } from './box';

/**
 * Areas of straight pieces, put together by the Clipper library and grown by its successor. The first is exact where sides lie
 * upon one another, which the successor is not; the second knows all the ends and joins of lines. On some outlines the
 * second's sweep never ends: it is then stopped, and goes over them from another side.
 */

export type { PathsD } from 'clipper2-ts';

/** A sweep has come to more lines than an area can have. */
class Endless extends Error {}

interface Sweep {
  vertexList: readonly unknown[];
  executeInternal(...how: unknown[]): void;
  popScanline(): { success: boolean; y: number };
}

// A sweep stops at the height of each corner, and at few others.
const sweep = ClipperBase.prototype as unknown as Sweep;
const { executeInternal, popScanline } = sweep;
const left = new WeakMap<Sweep, number>();
/** Whether a sweep was stopped: the library keeps to itself what is thrown in it. */
let isEndless = false;
sweep.executeInternal = function (this: Sweep, ...how) {
  left.set(this, 3 * this.vertexList.length + 100);
  executeInternal.apply(this, how);
};
sweep.popScanline = function (this: Sweep) {
  const more = (left.get(this) ?? 0) - 1;
  if (more < 0) {
    isEndless = true;
    throw new Endless();
  }
  left.set(this, more);
  return popScanline.call(this);
};

/** Ways to look at the same area: as it is, upside down, on its side, aslant. Each is undone by the second. */
const LOOKS: readonly (readonly [(p: Point) => Point, (p: Point) => Point])[] = [
  [(p) => p, (p) => p],
  [({ x, y }) => ({ x, y: -y }), ({ x, y }) => ({ x, y: -y })],
  [({ x, y }) => ({ x: y, y: x }), ({ x, y }) => ({ x: y, y: x })],
  [
    ({ x, y }) => ({ x: 0.8 * x - 0.6 * y, y: 0.6 * x + 0.8 * y }),
    ({ x, y }) => ({ x: 0.8 * x + 0.6 * y, y: -0.6 * x + 0.8 * y }),
  ],
];

/** What comes of rings the first way that comes to an end. Throws where none does. */
function looked(rings: PathsD, grow: (rings: PathsD) => PathsD): PathsD {
  for (const [i, [to, from]] of LOOKS.entries()) {
    isEndless = false;
    try {
      const made = grow(i === 0 ? rings : rings.map((ring) => ring.map(to) as PathD));
      // Upside down and on its side, what ran one way round runs the other.
      const isMirrored = i === 1 || i === 2;
      if (!isEndless)
        return i === 0 ? made : made.map((ring) => (isMirrored ? ring.toReversed() : ring).map(from) as PathD);
    } catch (error) {
      if (!(error instanceof Endless)) throw error;
    }
  }
  throw new Error('These outlines are too intricate to be put together. Simplify them, then try again.');
}

const { ClipType, PolyType, PolyFillType } = ClipperLib;
const HOW = {
  union: ClipType.ctUnion,
  intersection: ClipType.ctIntersection,
  difference: ClipType.ctDifference,
} as const;
/** How the areas that are put together are read. */
const RULES = { nonzero: PolyFillType.pftNonZero, evenodd: PolyFillType.pftEvenOdd } as const;

/** The library counts in whole units: as many are a point as it can count without long numbers, which are slow. */
const MOST_UNITS = 1e6;
const FEWEST_UNITS = 1e3;
/** Up to this it multiplies plainly (its loRange). */
const PLAIN = 47_453_132;

function unitsFor(rings: PathsD): number {
  let far = 1;
  for (const ring of rings) for (const { x, y } of ring) far = Math.max(far, Math.abs(x), Math.abs(y));
  return Math.max(FEWEST_UNITS, Math.min(MOST_UNITS, 10 ** Math.floor(Math.log10(PLAIN / far))));
}

const toUnits = (rings: PathsD, units: number): IntPath[] =>
  rings.map((ring) => ring.map(({ x, y }) => ({ X: Math.round(x * units), Y: Math.round(y * units) })));

/** Two areas as one that is given as rings that do not cross. */
export function combinedRings(
  how: keyof typeof HOW,
  one: PathsD,
  other: PathsD,
  rule: keyof typeof RULES = 'nonzero',
): PathsD {
  const units = Math.min(unitsFor(one), unitsFor(other));
  const clipper = new ClipperLib.Clipper();
  clipper.AddPaths(toUnits(one, units), PolyType.ptSubject, true);
  clipper.AddPaths(toUnits(other, units), PolyType.ptClip, true);
  const made: IntPath[] = [];
  clipper.Execute(HOW[how], made, RULES[rule], RULES[rule]);
  return made.map((ring) => ring.map(({ X, Y }) => ({ x: X / units, y: Y / units })));
}

/** Whether a ring is more than one point at so many decimals: the library breaks off at one that is not. */
const hasSize =
  (decimals: number) =>
  (ring: PathsD[number]): boolean => {
    const at = (n: number): number => Math.round(n * 10 ** decimals);
    return ring.some(({ x, y }) => at(x) !== at(ring[0]!.x) || at(y) !== at(ring[0]!.y));
  };

/** An area, or a line, grown by a distance to every side. */
export function grownRings(
  rings: PathsD,
  by: number,
  join: JoinType,
  end: EndType,
  mitreLimit: number,
  decimals: number,
  tolerance: number,
): PathsD {
  const closed = end === EndType.Polygon || end === EndType.Joined;
  const kept = closed ? rings.filter(hasSize(decimals)) : rings;
  return looked(kept, (seen) => Clipper.inflatePathsD(seen, by, join, end, mitreLimit, decimals, tolerance));
}

/** The outline of a box. */
export const ringOfBox = ({ x, y, width, height }: Box): PathD => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

/** The box around rings; undefined where they have no point. Outlines may have more points than a call takes arguments. */
export function boxOfRings(rings: PathsD): Box | undefined {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const ring of rings)
    for (const { x, y } of ring) {
      x0 = Math.min(x0, x);
      y0 = Math.min(y0, y);
      x1 = Math.max(x1, x);
      y1 = Math.max(y1, y);
    }
  return x0 > x1 ? undefined : { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
}

/** How large rings that do not cross are, holes taken off. */
export const areaOfRings = (rings: PathsD): number => Math.abs(Clipper.areaPathsD(rings));

/** Rings made one area by the non-zero rule. */
export const unitedRings = (rings: PathsD): PathsD => combinedRings('union', rings, []);
