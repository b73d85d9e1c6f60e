import type { Point } from './box';
import { flatten } from './flatten';
import type { Path } from './path';

/** The outline of an area as points close to one another, for what is measured from it. Points of 1/72 in, y down. */

/** A place on an outline, and the way out of the area there, of length 1. */
export interface ContourPoint extends Point {
  out: Point;
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
    // The middles of the pieces: corners belong to neither of their sides.
    return Array.from({ length: steps }, (_, k) => ({
      x: from.x + (dx * (k + 0.5)) / steps,
      y: from.y + (dy * (k + 0.5)) / steps,
      out,
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

/** How far a point lies from an outline, positive inside it, and the number of the place nearest to it. */
export function insideBy(point: Point, contour: readonly ContourPoint[]): { by: number; nearest: number } {
  let [least, nearest] = [Infinity, 0];
  contour.forEach(({ x, y }, i) => {
    const far = (x - point.x) ** 2 + (y - point.y) ** 2;
    if (far < least) [least, nearest] = [far, i];
  });
  const at = contour[nearest];
  if (!at) return { by: -Infinity, nearest };
  const along = (point.x - at.x) * at.out.x + (point.y - at.y) * at.out.y;
  const inside = isInRings(point, [contour]);
  // Near a straight piece the way to its line counts, not that to the place on it.
  const far = Math.sqrt(least) <= STEP ? Math.abs(along) : Math.sqrt(least);
  return { by: inside ? far : -far, nearest };
}
