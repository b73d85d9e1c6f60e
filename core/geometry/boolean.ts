import type { PathD } from 'clipper2-ts';
import paper from 'paper/dist/paper-core.js';
import type { Combining } from './boolean-names';
import { contains, overlaps, type Point } from './box';
import { areaOfRings, combinedRings, type PathsD, unitedRings } from './clipping';
import { fitRing } from './fit';
import { flatten } from './flatten';
import { fullPathData, type Path, pathBounds, type Segment } from './path';

const scope = new paper.PaperScope();
scope.setup(new paper.Size(1, 1));

/** Paper's own path; areas are read by the non-zero rule. */
function toPaper(path: Path, rule: 'nonzero' | 'evenodd' = 'nonzero'): paper.PathItem {
  scope.activate();
  const data = fullPathData(path);
  const item = new scope.CompoundPath(data === '' ? { insert: false } : { pathData: data, insert: false });
  item.fillRule = rule;
  if (data !== '') item.closePath();
  for (const child of item.children) (child as paper.Path).closed = true;
  return item;
}

function segmentsOf(path: paper.Path): Segment[] {
  const { curves, firstSegment } = path;
  if (!firstSegment || curves.length === 0) return [];
  return [
    ['M', firstSegment.point.x, firstSegment.point.y],
    ...curves.map((curve): Segment => {
      const { point1, point2, handle1, handle2 } = curve;
      if (handle1.isZero() && handle2.isZero()) return ['L', point2.x, point2.y];
      const [a, b] = [point1.add(handle1), point2.add(handle2)];
      return ['C', a.x, a.y, b.x, b.y, point2.x, point2.y];
    }),
    ['Z'],
  ];
}

/** A drawing whose holes wind the other way round, so that the non-zero rule shows it as it is. */
function fromPaper(item: paper.PathItem): Path {
  const compound = item as paper.CompoundPath;
  compound.reorient(true, true);
  const paths = (compound.children ?? [item]) as paper.Path[];
  return paths.flatMap(segmentsOf);
}

const isEmpty = (path: Path): boolean => path.length === 0;

/** The regions of two areas: what only the first covers, what both cover, what only the second covers. */
function divided(a: paper.PathItem, b: paper.PathItem): Path[] {
  return [a.subtract(b, { insert: false }), a.intersect(b, { insert: false }), b.subtract(a, { insert: false })]
    .map(fromPaper)
    .filter((path) => !isEmpty(path));
}

/**
 * Combines areas, the first with each of the others in turn; curves stay curves. What is left of nothing is no path at
 * all. `divide` takes two.
 */
export function combine(areas: readonly Path[], how: Combining): Path[] {
  const [first, ...others] = areas.map((area) => toPaper(area));
  if (!first) return [];
  if (how === 'divide') return others[0] ? divided(first, others[0]) : [areas[0]!];
  const whole = others.reduce(
    (sum, other) => sum[how](other, { insert: false }),
    first.unite(first, { insert: false }),
  );
  const path = fromPaper(whole);
  return isEmpty(path) ? [] : [path];
}

/** Curves are cut this fine where an area has to be read piece by piece, and fitted again this close. Points. */
const FINE = 0.002;
const FIT = 0.005;

const piecesOf = (path: Path): PathsD => flatten(path, FINE).map(({ points }) => points as PathD);
const isCurved = (path: Path): boolean => path.some(([op]) => op === 'C' || op === 'Q');
const straightRing = (ring: readonly Point[]): Path => [
  ...ring.map(({ x, y }, i): Segment => [i === 0 ? 'M' : 'L', x, y]),
  ['Z'],
];
/** Rings as a path; what came of curves is fitted by curves again. */
const pathOf = (rings: PathsD, from: readonly Path[]): Path =>
  rings.flatMap((ring) => (from.some(isCurved) ? fitRing(ring as Point[], FIT) : straightRing(ring as Point[])));
/** An area by the non-zero rule, as rings that do not cross. */
const ringsOf = (path: Path): PathsD => unitedRings(piecesOf(path));

/**
 * An area that is read by the even-odd rule, for those who read by the non-zero rule. Outlines that cross nothing stay as
 * they are, the holes turned the other way round; the others are cut into straight pieces and fitted again.
 */
export function fromEvenOdd(path: Path): Path {
  const area = combinedRings('union', piecesOf(path), [], 'evenodd');
  const kept = fromPaper(toPaper(path, 'evenodd'));
  const off = Math.abs(areaOfRings(ringsOf(kept)) - areaOfRings(area));
  return off <= 0.001 * areaOfRings(area) ? kept : pathOf(area, [path]);
}

/** Whether an area is an upright rectangle. */
export function isUprightBox(path: Path): boolean {
  const points = path.filter(([op]) => op !== 'Z');
  if (points.length < 4 || points.length > 5 || isCurved(path)) return false;
  return points.every(([, x, y], i) => {
    const [, nextX, nextY] = points[(i + 1) % points.length]!;
    return x === nextX || y === nextY;
  });
}

/**
 * The part of an area that lies in another, for drawings of any make: curves are cut into straight pieces and fitted again
 * where anything has to be cut. What lies inside an upright rectangle stays as it is.
 */
export function partWithin(path: Path, frame: Path): Path {
  const [box, outer] = [pathBounds(path), pathBounds(frame)];
  if (!box || !outer || !overlaps(box, outer)) return [];
  if (isUprightBox(frame) && contains(outer, box)) return path;
  return pathOf(combinedRings('intersection', ringsOf(path), ringsOf(frame)), [path, frame]);
}

/** The part of an area that does not lie in another. */
export const partOutside = (path: Path, other: Path): Path =>
  pathOf(combinedRings('difference', ringsOf(path), ringsOf(other)), [path, other]);

/** All that any of some areas covers, for drawings of any make. */
export const whollyCovered = (areas: readonly Path[]): Path =>
  areas.length === 1 ? areas[0]! : pathOf(unitedRings(areas.flatMap(piecesOf)), areas);

/** The separate parts of an area, each with its holes. */
export function partsOf(path: Path): Path[] {
  const item = toPaper(path);
  item.reorient(true, true);
  const children = item.children as paper.Path[];
  const solids = children.filter((child) => child.clockwise);
  return solids.map((solid) => {
    const holes = children.filter((child) => !child.clockwise && solid.contains(child.firstSegment.point));
    return [solid, ...holes].flatMap(segmentsOf);
  });
}
