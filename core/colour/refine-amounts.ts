import type { Lab } from './ink';

/** The step by which a plate's effect is tried, in bytes. */
const STEP = 10;
const MOST = 255;
const INKS = 4;
/** Cyan, magenta and yellow are moved; black stays as the profile's maker wants it. */
const MOVED = [0, 1, 2] as const;

type Three = readonly [number, number, number];

const cross = (a: Three, b: Three): Three => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const dot = (a: Three, b: Three): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** The amounts of three directions that sum up to a fourth, by Cramer's rule; nothing where the directions are one. */
function shares([a, b, c]: readonly [Three, Three, Three], sum: Three): Three | undefined {
  const whole = dot(a, cross(b, c));
  if (Math.abs(whole) < 1e-6) return undefined;
  return [dot(sum, cross(b, c)) / whole, dot(a, cross(sum, c)) / whole, dot(a, cross(b, sum)) / whole];
}

/** How far two colours are apart in the space itself: enough to tell which is nearer. */
const apart = (a: Lab, b: Lab): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

const labAt = (labs: Float32Array, i: number): Lab => [labs[3 * i]!, labs[3 * i + 1]!, labs[3 * i + 2]!];

/**
 * Amounts of CMYK (bytes) brought nearer to the colours that were asked for: a profile's table from colour to ink is
 * coarse and may be some ΔE off, its table from ink to colour is what was measured. Newton's method, so many rounds, each
 * kept for a colour only where it comes nearer. With the amounts comes what they measure.
 */
export function refineAmounts(
  measure: (amounts: Uint8Array) => Float32Array,
  asked: readonly Lab[],
  start: Uint8Array,
  rounds: number,
): { amounts: Uint8Array; labs: Float32Array } {
  const best = Uint8Array.from(start);
  const bestLabs = measure(best);
  for (let round = 0; round < rounds; round++) {
    const tries = MOVED.map((plate) => {
      const moved = Uint8Array.from(best);
      for (let at = plate; at < moved.length; at += INKS) moved[at]! += moved[at]! + STEP > MOST ? -STEP : STEP;
      return { moved, labs: measure(moved) };
    });
    const next = Uint8Array.from(best);
    asked.forEach((lab, i) => {
      const from = labAt(bestLabs, i);
      const less = (other: Lab): Three => [other[0] - from[0], other[1] - from[1], other[2] - from[2]];
      const ways = tries.map(({ labs }) => less(labAt(labs, i))) as [Three, Three, Three];
      const by = shares(ways, less(lab));
      if (!by) return;
      for (const plate of MOVED) {
        const at = INKS * i + plate;
        const step = tries[plate]!.moved[at]! - best[at]!;
        next[at] = Math.max(0, Math.min(MOST, Math.round(best[at]! + by[plate] * step)));
      }
    });
    const labs = measure(next);
    asked.forEach((lab, i) => {
      if (apart(lab, labAt(labs, i)) >= apart(lab, labAt(bestLabs, i))) return;
      best.set(next.subarray(INKS * i, INKS * i + INKS), INKS * i);
      bestLabs.set(labs.subarray(3 * i, 3 * i + 3), 3 * i);
    });
  }
  return { amounts: best, labs: bestLabs };
}
