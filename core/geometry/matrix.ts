import { type Box, boxBetween, type Point, unionOf } from './box';

/** x' = a·x + c·y + e, y' = b·x + d·y + f : the order of SVG and PDF. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

export const apply = ([a, b, c, d, e, f]: Matrix, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});

/** The matrix that does `inner` first, then `outer`. */
export function multiply(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [g, h, i, j, k, l] = inner;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}

/** What turns by degrees clockwise about a point, after mirroring about it: -1 turns a side over. */
export function turnAbout({ x, y }: Point, degrees: number, mirror = { x: 1, y: 1 }): Matrix {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const [a, b, c, d] = [cos * mirror.x, sin * mirror.x, -sin * mirror.y, cos * mirror.y];
  return [a, b, c, d, x - a * x - c * y, y - b * x - d * y];
}

/** The upright box around a box that a matrix has moved and turned. */
export function boxAround({ x, y, width, height }: Box, matrix: Matrix): Box {
  const corners = [
    { x, y },
    { x: x + width, y },
    { x, y: y + height },
    { x: x + width, y: y + height },
  ].map((corner) => apply(matrix, corner));
  return unionOf(corners.map((corner) => boxBetween(corner, corner)))!;
}

/** The matrix that lays a unit square on a box. */
export const ontoBox = ({ x, y, width, height }: Box): Matrix => [width, 0, 0, height, x, y];

/** What undoes a matrix; undefined for one that lays everything on a line. */
export function invert([a, b, c, d, e, f]: Matrix): Matrix | undefined {
  const det = a * d - b * c;
  if (Math.abs(det) < 1e-18) return undefined;
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/** What lays the unit line, and the unit circle about its start, on a line from one point to another. */
export const ontoLine = (from: Point, to: Point): Matrix => {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  return [dx, dy, -dy, dx, from.x, from.y];
};
