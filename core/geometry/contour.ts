import type { Point } from './box';
import { flatten } from './flatten';
import type { Path } from './path';

/** The outline of an area as points close to one another, for what is measured from it. Points of 1/72 in, y down. */

/** The middle of a straight piece of an outline: the way out of the area there, of length 1, and the way to the piece's end. */
export interface ContourPoint extends Point {
  out: Point;
  along: Point;
}

/** Curves become straight pieces within this; no two places are further apart than `STEP`. */
const TOLERANCE = 0.02;
const STEP = 2;

/** Twice the area of a ring, positive where it runs clockwise as seen with y down. */
const twiceArea = (ring: readonly Point[]): number =>
  ring.reduce((sum, { x, y }, i) => {
    const next = ring[(i + 1) % ring.length]!;
    return sum + x * next.y - next.x * y;
  }, 0);

/** The places along the largest ring of a path; none where it has no area. */
export function contourOf(path: Path): ContourPoint[] {
  const rings = flatten(path, TOLERANCE).map(({ points }) => points);
  const ring = rings.reduce<readonly Point[]>(
    (largest, each) => (Math.abs(twiceArea(each)) > Math.abs(twiceArea(largest)) ? each : largest),
    [],
  );
  const turned = twiceArea(ring) >= 0 ? 1 : -1;
  return ring.flatMap((from, i) => {
    const to = ring[(i + 1) % ring.length]!;
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const length = Math.hypot(dx, dy);
    if (length < 1e-6) return [];
    const out = { x: (turned * dy) / length, y: (-turned * dx) / length };
    const steps = Math.max(1, Math.ceil(length / STEP));
    const along = { x: dx / steps / 2, y: dy / steps / 2 };
    // The middles of the pieces: corners belong to neither of their sides.
    return Array.from({ length: steps }, (_, k) => ({
      x: from.x + (dx * (k + 0.5)) / steps,
      y: from.y + (dy * (k + 0.5)) / steps,
      out,
      along,
    }));
  });
}

/** Whether a point lies in rings, by the even-odd rule. */
export function isInRings({ x, y }: Point, rings: readonly (readonly Point[])[]): boolean {
  let inside = false;
  for (const ring of rings)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [a, b] = [ring[i]!, ring[j]!];
      if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    }
  return inside;
}

/** How far a point lies from a straight piece of an outline, squared. */
function squareTo({ x, y, along }: ContourPoint, point: Point): number {
  const [px, py] = [point.x - x, point.y - y];
  const part = (px * along.x + py * along.y) / (along.x ** 2 + along.y ** 2);
  const at = Math.max(-1, Math.min(1, part));
  return (px - along.x * at) ** 2 + (py - along.y * at) ** 2;
}

/** How far a point lies from an outline, positive inside it, and the number of the piece nearest to it. */
export function insideBy(point: Point, contour: readonly ContourPoint[]): { by: number; nearest: number } {
  let [least, nearest] = [Infinity, 0];
  let inside = false;
  contour.forEach((piece, i) => {
    const far = squareTo(piece, point);
    if (far < least) [least, nearest] = [far, i];
    // From its beginning to its end, by the even-odd rule.
    const { x, y, along } = piece;
    const [ay, by] = [y - along.y, y + along.y];
    if (ay > point.y !== by > point.y) {
      const across = x + (along.x * (point.y - y)) / along.y;
      if (point.x < across) inside = !inside;
    }
  });
  if (contour.length === 0) return { by: -Infinity, nearest };
  return { by: inside ? Math.sqrt(least) : -Math.sqrt(least), nearest };
}
