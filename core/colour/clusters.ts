import { labDifference } from './difference';
import type { Lab } from './ink';

/** One of the colours that a picture is mostly made of. */
export interface Cluster {
  lab: Lab;
  /** The sample that is nearest to the middle of it. */
  sample: number;
  /** Of all samples, 0 to 1. */
  share: number;
}

const ROUNDS = 12;
/** Colours nearer than this are told as one (CIEDE2000). */
const APART = 4;

const square = (labs: Float32Array, i: number, [l, a, b]: Lab): number =>
  (labs[3 * i]! - l) ** 2 + (labs[3 * i + 1]! - a) ** 2 + (labs[3 * i + 2]! - b) ** 2;

const at = (labs: Float32Array, i: number): Lab => [labs[3 * i]!, labs[3 * i + 1]!, labs[3 * i + 2]!];

/** Middles to begin with: the first sample, then each time the one that is furthest from all there are. */
function begin(labs: Float32Array, count: number, most: number): Lab[] {
  const middles: Lab[] = [at(labs, 0)];
  const nearest = Float64Array.from({ length: count }, (_, i) => square(labs, i, middles[0]!));
  while (middles.length < most) {
    let furthest = 0;
    for (let i = 1; i < count; i++) if (nearest[i]! > nearest[furthest]!) furthest = i;
    if (nearest[furthest]! < 1) break;
    const next = at(labs, furthest);
    middles.push(next);
    for (let i = 0; i < count; i++) nearest[i] = Math.min(nearest[i]!, square(labs, i, next));
  }
  return middles;
}

/**
 * The few colours that samples in CIE L*a*b* gather around (k-means), the commonest first; `labs` holds three numbers a
 * sample. The same samples give the same colours.
 */
export function clustersOf(labs: Float32Array, most: number): Cluster[] {
  const count = labs.length / 3;
  if (count === 0) return [];
  let middles = begin(labs, count, most);
  const of = new Int32Array(count);
  for (let round = 0; round < ROUNDS; round++) {
    const sums = middles.map(() => [0, 0, 0, 0]);
    for (let i = 0; i < count; i++) {
      let best = 0;
      for (let k = 1; k < middles.length; k++)
        if (square(labs, i, middles[k]!) < square(labs, i, middles[best]!)) best = k;
      of[i] = best;
      const sum = sums[best]!;
      for (let c = 0; c < 3; c++) sum[c]! += labs[3 * i + c]!;
      sum[3]!++;
    }
    middles = middles.map((middle, k) => {
      const [l, a, b, n] = sums[k]! as [number, number, number, number];
      return n > 0 ? [l / n, a / n, b / n] : middle;
    });
  }
  const found = middles.flatMap((lab, k): Cluster[] => {
    let sample = -1;
    let members = 0;
    for (let i = 0; i < count; i++) {
      if (of[i] !== k) continue;
      members++;
      if (sample < 0 || square(labs, i, lab) < square(labs, sample, lab)) sample = i;
    }
    return members > 0 ? [{ lab, sample, share: members / count }] : [];
  });
  const kept: Cluster[] = [];
  for (const cluster of found.sort((a, b) => b.share - a.share)) {
    const same = kept.find((each) => labDifference(each.lab, cluster.lab) < APART);
    if (same) same.share += cluster.share;
    else kept.push(cluster);
  }
  return kept;
}
