/** Stretches of a line that things cover. */

/** A stretch of an edge, from its left or top end, points. */
export type Stretch = readonly [from: number, to: number];

/** Ends that lie as near as this are the same. */
export const NEAR = 1e-9;

/** The parts of some stretches that others leave out. */
export function missing(want: readonly Stretch[], have: readonly Stretch[]): Stretch[] {
  return want.flatMap(([from, to]) => {
    const gaps: Stretch[] = [];
    let at = from;
    for (const [a, b] of have) {
      if (b <= at) continue;
      if (a > at + NEAR) gaps.push([at, Math.min(a, to)]);
      at = Math.max(at, b);
      if (at >= to - NEAR) return gaps;
    }
    return at < to - NEAR ? [...gaps, [at, to] as const] : gaps;
  });
}
