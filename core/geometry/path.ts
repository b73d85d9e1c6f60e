import svgpath from 'svgpath';
import { type Box, boxBetween, type Point, unionOf } from './box';
import { apply, type Matrix } from './matrix';

/** One drawing step; points are absolute, in the units of whoever made the path. */
export type Segment =
  | readonly ['M', number, number]
  | readonly ['L', number, number]
  | Quadratic
  | Cubic
  | readonly ['Z'];
export type Quadratic = readonly ['Q', number, number, number, number];
export type Cubic = readonly ['C', number, number, number, number, number, number];
export type Path = readonly Segment[];

export const boxPath = ({ x, y, width, height }: Box): Path => [
  ['M', x, y],
  ['L', x + width, y],
  ['L', x + width, y + height],
  ['L', x, y + height],
  ['Z'],
];

export const linePath = (from: Point, to: Point): Path => [
  ['M', from.x, from.y],
  ['L', to.x, to.y],
];

/** Path data as far as it can be read, and what is wrong with what comes next. */
export interface PathRead {
  path: Path;
  problem: string;
}

/** Reads SVG path data of any form (relative, arcs, shorthands) up to its first fault (SVG 2, 9.5.4). */
export function readPath(data: string): PathRead {
  // A shorthand goes on from a curve alone: those that arcs become are none for it.
  const read = svgpath(data).abs().unshort().unarc();
  const problem = (read as unknown as { err: string }).err;
  const out: Segment[] = [];
  read.iterate(([op, ...n], _index, x, y) => {
    if (op === 'H') out.push(['L', n[0]!, y]);
    else if (op === 'V') out.push(['L', x, n[0]!]);
    else if (op === 'Z' || op === 'z') out.push(['Z']);
    else out.push([op, ...n] as unknown as Segment);
  });
  return { path: out, problem };
}

/** Reads SVG path data of any form. Throws on data that is no path. */
export function parsePath(data: string): Path {
  const { path, problem } = readPath(data);
  if (problem) throw new Error(`The outline cannot be read: ${problem}`);
  return path;
}

export function transformPath(path: Path, matrix: Matrix): Path {
  return path.map((segment) => {
    if (segment[0] === 'Z') return segment;
    const [op, ...n] = segment;
    const moved: number[] = [];
    for (let i = 0; i < n.length; i += 2) {
      const p = apply(matrix, { x: n[i]!, y: n[i + 1]! });
      moved.push(p.x, p.y);
    }
    return [op, ...moved] as unknown as Segment;
  });
}

const round = (n: number): string => `${Math.round(n * 1000) / 1000}`;

/** SVG path data, rounded to a thousandth of the path's unit. */
export const pathData = (path: Path): string => path.map(([op, ...n]) => op + n.map(round).join(' ')).join('');

/** SVG path data that keeps every digit. */
export const fullPathData = (path: Path): string => path.map(([op, ...n]) => op + n.join(' ')).join('');

/** Where a cubic in one coordinate turns, between 0 and 1. */
function cubicTurns(p0: number, p1: number, p2: number, p3: number): number[] {
  const a = -p0 + 3 * p1 - 3 * p2 + p3;
  const b = 2 * (p0 - 2 * p1 + p2);
  const c = p1 - p0;
  const under = b * b - 4 * a * c;
  if (under < 0) return [];
  // Nothing nearly equal is taken from another: exact for curves that are all but straight or quadratic, too.
  const q = -(b + Math.sign(b || 1) * Math.sqrt(under)) / 2;
  return [q / a, c / q];
}
const cubicAt = (p0: number, p1: number, p2: number, p3: number, t: number): number =>
  (1 - t) ** 3 * p0 + 3 * (1 - t) ** 2 * t * p1 + 3 * (1 - t) * t * t * p2 + t ** 3 * p3;

/** A quadratic as the cubic of the same shape. */
export const asCubic = (from: Point, [, x1, y1, x, y]: Quadratic): Cubic => [
  'C',
  from.x + (2 / 3) * (x1 - from.x),
  from.y + (2 / 3) * (y1 - from.y),
  x + (2 / 3) * (x1 - x),
  y + (2 / 3) * (y1 - y),
  x,
  y,
];

/** The exact box around a path (its curves, not their handles); undefined for an empty one. */
export function pathBounds(path: Path): Box | undefined {
  const boxes: Box[] = [];
  let at: Point = { x: 0, y: 0 };
  for (const segment of path) {
    if (segment[0] === 'Z') continue;
    if (segment[0] === 'M') {
      at = { x: segment[1], y: segment[2] };
      boxes.push(boxBetween(at, at));
      continue;
    }
    if (segment[0] === 'L') {
      const to = { x: segment[1], y: segment[2] };
      boxes.push(boxBetween(at, to));
      at = to;
      continue;
    }
    const [, x1, y1, x2, y2, x, y] = segment[0] === 'Q' ? asCubic(at, segment) : segment;
    const xs = cubicTurns(at.x, x1, x2, x)
      .filter((t) => t > 0 && t < 1)
      .map((t) => cubicAt(at.x, x1, x2, x, t));
    const ys = cubicTurns(at.y, y1, y2, y)
      .filter((t) => t > 0 && t < 1)
      .map((t) => cubicAt(at.y, y1, y2, y, t));
    const allX = [at.x, x, ...xs];
    const allY = [at.y, y, ...ys];
    boxes.push(
      boxBetween({ x: Math.min(...allX), y: Math.min(...allY) }, { x: Math.max(...allX), y: Math.max(...allY) }),
    );
    at = { x, y };
  }
  return unionOf(boxes);
}
