import { EndType, JoinType, type PathD } from 'clipper2-ts';
import type { Point } from './box';
import { areaOfRings, grownRings, type PathsD, unitedRings } from './clipping';
import { dashes } from './dashes';
import { fitRing } from './fit';
import { type Flat, flatten } from './flatten';
import { ellipsePath } from './forms';
import { boxPath, type Path } from './path';

/** Curves are cut into straight pieces this close to them, and fitted again this close to the pieces. Points. */
const TOLERANCE = 0.002;
const FIT = 0.005;
/** Decimal places that Clipper keeps. */
const PRECISION = 6;

/** How corners come out: pointed up to the limit, round, or cut. */
export type Join = 'mitre' | 'round' | 'bevel';
const JOINS = { mitre: JoinType.Miter, round: JoinType.Round, bevel: JoinType.Bevel } as const;
const ENDS = { flat: EndType.Butt, round: EndType.Round, square: EndType.Square } as const;
/** As SVG has it where nothing else is said. */
const MITRE_LIMIT = 4;

const toClipper = (flats: readonly Flat[]): PathsD =>
  flats.map(({ points }) => points.map(({ x, y }) => ({ x, y })) as PathD);

/** A ring without points that lie on one another. */
const ringOf = (path: PathD): Point[] =>
  path
    .map(({ x, y }) => ({ x, y }))
    .filter((p, i, all) => {
      const before = all[(i - 1 + all.length) % all.length]!;
      return Math.hypot(p.x - before.x, p.y - before.y) > 1e-5;
    });

const fitted = (paths: PathsD): Path => paths.flatMap((path) => fitRing(ringOf(path), FIT));

/**
 * The outline of an area pushed outwards by a distance in points, or inwards where it is negative; empty where nothing
 * is left. Overlaps of the area are made one first, by the non-zero rule.
 */
export function offsetPath(path: Path, by: number, join: Join = 'mitre', mitreLimit = 10): Path {
  const whole = unitedRings(toClipper(flatten(path, TOLERANCE)));
  const moved = grownRings(whole, by, JOINS[join], EndType.Polygon, mitreLimit, PRECISION, TOLERANCE);
  return fitted(moved);
}

/** A line: its weight, its dashes and where they begin, how it ends and turns. */
export interface Line {
  weight: number;
  dash?: number[] | undefined;
  dashOffset?: number;
  cap?: keyof typeof ENDS | undefined;
  join?: Join | undefined;
  mitreLimit?: number;
}

/** Whether a line goes nowhere: such a one is a dot where its ends are round or square (SVG 2, 13.5.4). */
const isDot = ({ points, closed }: Flat): boolean =>
  (closed || points.length > 1) && points.every(({ x, y }) => x === points[0]!.x && y === points[0]!.y);

/** The dot of a line that goes nowhere; a flat end leaves none. */
function dotOf({ points: [at] }: Flat, weight: number, cap: NonNullable<Line['cap']>): PathsD {
  const box = { x: at!.x - weight / 2, y: at!.y - weight / 2, width: weight, height: weight };
  if (cap === 'flat') return [];
  return toClipper(flatten(cap === 'round' ? ellipsePath(box) : boxPath(box), TOLERANCE));
}

/** The area that a line along a path covers, dashes, ends and all. */
export function strokeOutline(path: Path, pen: Line): Path {
  const { weight, dash, dashOffset = 0, cap = 'flat', join = 'mitre', mitreLimit = MITRE_LIMIT } = pen;
  const all = flatten(path, TOLERANCE);
  const flats = all.filter((flat) => flat.points.length > 1 && !isDot(flat));
  const lines = dash ? flats.flatMap((flat) => dashes(flat, dash, dashOffset)) : flats;
  const open = lines.filter(({ closed }) => !closed);
  const closed = lines.filter((flat) => flat.closed);
  const areas = [
    ...all.filter(isDot).flatMap((flat) => dotOf(flat, weight, cap)),
    ...grownRings(toClipper(open), weight / 2, JOINS[join], ENDS[cap], mitreLimit, PRECISION, TOLERANCE),
    ...grownRings(toClipper(closed), weight / 2, JOINS[join], EndType.Joined, mitreLimit, PRECISION, TOLERANCE),
  ];
  return fitted(unitedRings(areas));
}

/** The area of a path by the non-zero rule, its curves within a five-hundredth of a point. */
export const areaOf = (path: Path): number => areaOfRings(unitedRings(toClipper(flatten(path, TOLERANCE))));
