import type { Point } from './box';
import { asCubic, type Path } from './path';

/** Straight pieces, one after another; `closed` where the path closes them. */
export interface Flat {
  points: Point[];
  closed: boolean;
}

/** How many straight pieces keep within `tolerance` of a cubic: from its second differences (an upper bound). */
function piecesFor(p: readonly Point[], tolerance: number): number {
  const bend = (a: Point, b: Point, c: Point): number => Math.hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y);
  const most = Math.max(bend(p[0]!, p[1]!, p[2]!), bend(p[1]!, p[2]!, p[3]!));
  return Math.max(1, Math.ceil(Math.sqrt((0.75 * most) / tolerance)));
}

/** A path as straight pieces that are nowhere further than `tolerance` from it. */
export function flatten(path: Path, tolerance: number): Flat[] {
  const flats: Flat[] = [];
  let now: Flat = { points: [], closed: false };
  const push = (): void => {
    if (now.points.length > 0) flats.push(now);
  };
  for (const segment of path) {
    if (segment[0] === 'M') {
      push();
      now = { points: [{ x: segment[1], y: segment[2] }], closed: false };
      continue;
    }
    if (segment[0] === 'Z') {
      now.closed = true;
      push();
      // What goes on without a new beginning goes on from where this one began.
      now = { points: now.points.slice(0, 1), closed: false };
      continue;
    }
    if (segment[0] === 'L') {
      now.points.push({ x: segment[1], y: segment[2] });
      continue;
    }
    const from = now.points.at(-1)!;
    const [, x1, y1, x2, y2, x, y] = segment[0] === 'Q' ? asCubic(from, segment) : segment;
    const pieces = piecesFor([from, { x: x1, y: y1 }, { x: x2, y: y2 }, { x, y }], tolerance);
    for (let i = 1; i <= pieces; i++) {
      const t = i / pieces;
      const s = 1 - t;
      const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
      now.points.push({
        x: a * from.x + b * x1 + c * x2 + d * x,
        y: a * from.y + b * y1 + c * y2 + d * y,
      });
    }
  }
  if (now.points.length > 1 || flats.length === 0) push();
  return flats;
}
