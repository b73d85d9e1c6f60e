import type { Point } from './box';

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
