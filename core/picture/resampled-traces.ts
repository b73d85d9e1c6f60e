/**
 * Traces of an enlargement by curves (cubic and its like), which survive a JPEG: how much the slope changes goes up and
 * down with the old pixels' distance (A. C. Gallagher, "Detection of linear and cubic interpolation in JPEG compressed
 * images", 2005; from memory).
 */

/** How bright the picture is at a place along an axis, on one of its lines across. */
export type LineAt = (along: number, line: number) => number;

/** Lines looked at, and the most that one change of slope counts: edges would drown the rest. */
const LINES = 256;
const MOST_CHANGE = 24;
/** Changes of slope are held against the mean of so many places to either side. */
const AROUND = 8;
/** Shorter sides tell nothing for sure. */
const LEAST_LENGTH = 96;
/** A tone counts from this share of the mean on, and this often what its neighbours are. Measured on three photographs: theirs stay under 0.003 and twice. */
const LEAST_SHARE = 0.015;
const LEAST_TIMES = 5;

interface SlopeChanges {
  changes: Float64Array;
  mean: number;
}

/** Sum over the lines of how much the slope changes at each place, without its slow part. */
function slopeChanges(at: LineAt, length: number, lines: number): SlopeChanges {
  const sums = new Float64Array(length - 2);
  const step = Math.max(1, Math.floor(lines / LINES));
  for (let line = 0; line < lines; line += step)
    for (let i = 1; i < length - 1; i++)
      sums[i - 1]! += Math.min(MOST_CHANGE, Math.abs(at(i - 1, line) - 2 * at(i, line) + at(i + 1, line)));
  const changes = sums.map((sum, i) => {
    const near = sums.subarray(Math.max(0, i - AROUND), i + AROUND + 1);
    return sum - near.reduce((a, b) => a + b, 0) / near.length;
  });
  return { changes, mean: sums.reduce((a, b) => a + b, 0) / sums.length };
}

/** How strong one frequency, in turns a place, is among the changes; a Hann window keeps its neighbours apart. */
function strength(changes: Float64Array, frequency: number): number {
  let [re, im] = [0, 0];
  for (let i = 0; i < changes.length; i++) {
    const weighed = changes[i]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / (changes.length - 1)));
    re += weighed * Math.cos(2 * Math.PI * frequency * i);
    im += weighed * Math.sin(2 * Math.PI * frequency * i);
  }
  return Math.hypot(re, im) / changes.length;
}

/** Whether a frequency stands out along an axis. */
function standsOut({ changes, mean }: SlopeChanges, frequency: number): boolean {
  if (mean === 0) return false;
  const near: number[] = [];
  for (let d = 6; d <= 40; d += 2) near.push(strength(changes, frequency - d / changes.length));
  near.sort((a, b) => a - b);
  const own = strength(changes, frequency);
  return own > LEAST_SHARE * mean && own > LEAST_TIMES * near[near.length >> 1]!;
}

/** How rough a picture is from pixel to pixel beside its slopes: about 1 where pixels are its own, less the more were put between them. */
function roughness(at: LineAt, length: number, lines: number): number {
  let [bends, slopes] = [0, 0];
  const step = Math.max(1, Math.floor(lines / LINES));
  for (let line = 0; line < lines; line += step)
    for (let i = 1; i < length - 1; i++) {
      bends += Math.abs(at(i - 1, line) - 2 * at(i, line) + at(i + 1, line));
      slopes += Math.abs(at(i + 1, line) - at(i - 1, line));
    }
  return slopes === 0 ? 0 : bends / slopes;
}

/** No enlargement leaves more, not even of pure grain; patterns of dots do. */
const MOST_ROUGH = 1;
/** Half as large again and three times as large leave the same tone: the former is rougher (0.62 to 0.67, against 0.37 to 0.45). */
const BETWEEN_ROUGH = 0.53;

/** How many times a picture was enlarged by curves: 1.5, 2 (or a power of it) or 3; undefined where there is no trace. */
export function enlargedByCurves(
  across: LineAt,
  down: LineAt,
  { width, height }: { width: number; height: number },
): 1.5 | 2 | 3 | undefined {
  if (Math.min(width, height) < LEAST_LENGTH) return undefined;
  const rough = roughness(across, width, height);
  if (rough > MOST_ROUGH) return undefined;
  const axes = [slopeChanges(across, width, height), slopeChanges(down, height, width)];
  const both = (frequency: number): boolean => axes.every((axis) => standsOut(axis, frequency));
  if (both(1 / 2)) return 2;
  if (both(1 / 3)) return rough > BETWEEN_ROUGH ? 1.5 : 3;
  return undefined;
}
