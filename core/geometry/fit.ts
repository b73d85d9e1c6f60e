import { createTangent, fitCubic } from 'fit-curve';
import type { Point } from './box';
import type { Path, Segment } from './path';

/** Sharper turns than this, in radians, are corners. */
const CORNER = (12 * Math.PI) / 180;
/** An edge so many times as long as both its neighbours was straight before it was cut into pieces. */
const STRAIGHT = 4;

const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);
const direction = (a: Point, b: Point): number => Math.atan2(b.y - a.y, b.x - a.x);
const turning = (a: Point, b: Point, c: Point): number => {
  const by = direction(b, c) - direction(a, b);
  return Math.abs(Math.atan2(Math.sin(by), Math.cos(by)));
};

/** Points of a ring that curves do not run over: corners, and both ends of straight sides. */
function breaksOf(points: readonly Point[]): number[] {
  const n = points.length;
  const at = (i: number): Point => points[(i + n) % n]!;
  const length = points.map((p, i) => distance(p, at(i + 1)));
  const isStraight = (i: number): boolean => {
    const [before, own, after] = [length[(i - 1 + n) % n]!, length[i]!, length[(i + 1) % n]!];
    const turns = turning(at(i - 1), at(i), at(i + 1)) > CORNER || turning(at(i), at(i + 1), at(i + 2)) > CORNER;
    return own > STRAIGHT * Math.max(before, after) || (turns && own > STRAIGHT * Math.min(before, after));
  };
  const breaks = new Set<number>();
  for (let i = 0; i < n; i++) {
    if (turning(at(i - 1), at(i), at(i + 1)) > CORNER) breaks.add(i);
    if (isStraight(i)) {
      breaks.add(i);
      breaks.add((i + 1) % n);
    }
  }
  return [...breaks].sort((a, b) => a - b);
}

/** Where a ring without corners begins its curves: its outermost points, so that a circle gets four. */
function extremesOf(points: readonly Point[]): number[] {
  const most = (value: (p: Point) => number): number =>
    points.reduce((best, p, i) => (value(p) > value(points[best]!) ? i : best), 0);
  const found = [most((p) => p.x), most((p) => p.y), most((p) => -p.x), most((p) => -p.y)];
  return [...new Set(found)].sort((a, b) => a - b);
}

const arrays = (points: readonly Point[]): [number, number][] => points.map(({ x, y }) => [x, y]);

/** A closed polygon that was cut from curves, as curves again, nowhere further than `tolerance` from its points. */
export function fitRing(points: readonly Point[], tolerance: number): Path {
  const n = points.length;
  if (n < 3) return [];
  const corners = breaksOf(points);
  const smooth = corners.length === 0;
  const breaks = smooth ? extremesOf(points) : corners;
  const at = (i: number): Point => points[((i % n) + n) % n]!;
  const start = at(breaks[0]!);
  const out: Segment[] = [['M', start.x, start.y]];
  breaks.forEach((from, k) => {
    const next = breaks[k + 1] ?? breaks[0]! + n;
    const run = Array.from({ length: next - from + 1 }, (_, i) => at(from + i));
    if (run.length === 2) {
      out.push(['L', run[1]!.x, run[1]!.y]);
      return;
    }
    const wide = arrays(run);
    // On a smooth ring a curve leaves as the next one arrives; at a corner each follows its own points.
    const leaving = smooth ? createTangent(arrays([at(from + 1)])[0]!, arrays([at(from - 1)])[0]!) : tangentAt(wide, 0);
    const arriving = smooth
      ? createTangent(arrays([at(next - 1)])[0]!, arrays([at(next + 1)])[0]!)
      : tangentAt([...wide].reverse(), 0);
    for (const [, a, b, c] of fitCubic(wide, leaving, arriving, tolerance * tolerance))
      out.push(['C', a[0], a[1], b[0], b[1], c[0], c[1]]);
  });
  // The last straight side is what closing draws.
  if (out.at(-1)?.[0] === 'L') out.pop();
  out.push(['Z']);
  return out;
}

/**
 * Which way points set out: along the circle through the first three, for the first chord of a curve lags behind it by
 * half its turn.
 */
function tangentAt(points: readonly [number, number][], i: number): [number, number] {
  const [p, q, r] = [points[i]!, points[i + 1]!, points[i + 2]!];
  const first = Math.atan2(q[1] - p[1], q[0] - p[0]);
  if (!r) return [Math.cos(first), Math.sin(first)];
  const second = Math.atan2(r[1] - q[1], r[0] - q[0]);
  const turn = Math.atan2(Math.sin(second - first), Math.cos(second - first));
  const [one, two] = [Math.hypot(q[0] - p[0], q[1] - p[1]), Math.hypot(r[0] - q[0], r[1] - q[1])];
  const angle = first - (turn * one) / (one + two || 1);
  return [Math.cos(angle), Math.sin(angle)];
}
