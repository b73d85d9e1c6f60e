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

/** A line of straight pieces cut into dashes; lengths of dashes and gaps by turns, beginning `offset` into a dash. */
export function dashes({ points, closed }: Flat, lengths: readonly number[], offset = 0): Flat[] {
  const line = closed && points[0] ? [...points, points[0]] : points;
  // An odd number of lengths is used twice over, as in SVG and PDF.
  const rhythm = lengths.length % 2 === 1 ? [...lengths, ...lengths] : lengths;
  if (!rhythm.some((length) => length > 0)) return [{ points: [...line], closed: false }];
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
