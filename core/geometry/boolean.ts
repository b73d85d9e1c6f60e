import { Clipper, FillRule, type PathD, type PathsD } from 'clipper2-ts';
import paper from 'paper/dist/paper-core.js';
import type { Combining } from './boolean-names';
import type { Point } from './box';
import { fitRing } from './fit';
import { flatten } from './flatten';
import { fullPathData, type Path, type Segment } from './path';

const scope = new paper.PaperScope();
scope.setup(new paper.Size(1, 1));

/** Paper's own path; areas are read by the non-zero rule. */
function toPaper(path: Path, rule: 'nonzero' | 'evenodd' = 'nonzero'): paper.PathItem {
  scope.activate();
  const item = new scope.CompoundPath({ pathData: fullPathData(path), insert: false });
  item.fillRule = rule;
  item.closePath();
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

/**
 * An area that is read by the even-odd rule, for those who read by the non-zero rule. Curves stay as they are, but for
 * outlines that cross themselves: those are cut into straight pieces and fitted again.
 */
export function fromEvenOdd(path: Path): Path {
  const pieces = (of: Path): PathsD => flatten(of, FINE).map(({ points }) => points as PathD);
  const area = Clipper.unionD(pieces(path), [], FillRule.EvenOdd, 6);
  const item = toPaper(path, 'evenodd');
  const kept = fromPaper(item.unite(item, { insert: false }));
  const size = (paths: PathsD): number => Math.abs(Clipper.areaPathsD(paths));
  const off = Math.abs(size(Clipper.unionD(pieces(kept), [], FillRule.NonZero, 6)) - size(area));
  return off <= 0.001 * size(area) ? kept : area.flatMap((ring) => fitRing(ring as Point[], FIT));
}

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
