import type { Point } from './box';
import type { Flat } from './flatten';

const between = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });

/** Which length a line begins in, and how much of it is left. */
function startOf(rhythm: readonly number[], offset: number): { step: number; left: number } {
  const whole = rhythm.reduce((sum, length) => sum + length, 0);
  let into = ((offset % whole) + whole) % whole;
  let step = 0;
  while (into >= rhythm[step]!) {
    into -= rhythm[step]!;
    step = (step + 1) % rhythm.length;
  }
  return { step, left: rhythm[step]! - into };
}

/** The points along a line, back to the first where it is closed. */
const along = ({ points, closed }: Flat): readonly Point[] => (closed && points[0] ? [...points, points[0]] : points);

/** So many dashes of a line are still drawn one by one: a line of the largest sheet in dashes of a fifth of a millimetre. */
export const MOST_DASHES = 20_000;

/** How many times dashes of these lengths and gaps come round along a line; endless where it has no end. */
export function dashCount(flat: Flat, lengths: readonly number[]): number {
  const line = along(flat);
  const length = line.reduce(
    (sum, { x, y }, i) => (i === 0 ? 0 : sum + Math.hypot(x - line[i - 1]!.x, y - line[i - 1]!.y)),
    0,
  );
  const count = (length / lengths.reduce((sum, each) => sum + each, 0)) * (lengths.length / 2);
  return Number.isFinite(count) ? count : Number.POSITIVE_INFINITY;
}

/**
 * A line of straight pieces cut into dashes; lengths of dashes and gaps by turns, beginning `offset` into a dash. One of more
 * than MOST_DASHES stays whole.
 */
export function dashes(flat: Flat, lengths: readonly number[], offset = 0): Flat[] {
  const line = along(flat);
  // An odd number of lengths is used twice over, as in SVG and PDF.
  const rhythm = lengths.length % 2 === 1 ? [...lengths, ...lengths] : lengths;
  if (!rhythm.some((length) => length > 0) || !(dashCount(flat, rhythm) <= MOST_DASHES))
    return [{ points: [...line], closed: false }];
  const out: Flat[] = [];
  let { step, left } = startOf(rhythm, offset);
  let now: Point[] = [line[0]!];
  const turn = (at: Point): void => {
    if (step % 2 === 0 && now.length > 0) out.push({ points: [...now, at], closed: false });
    step = (step + 1) % rhythm.length;
    left = rhythm[step]!;
    now = [at];
  };
  for (let i = 1; i < line.length; i++) {
    let from = line[i - 1]!;
    const to = line[i]!;
    let rest = Math.hypot(to.x - from.x, to.y - from.y);
    while (rest > left) {
      from = between(from, to, left / rest);
      rest -= left;
      turn(from);
    }
    left -= rest;
    now.push(to);
  }
  if (step % 2 === 0 && now.length > 1) out.push({ points: now, closed: false });
  return out;
}
