import type { Pixels } from './decode';
import { enlargedByCurves } from './resampled-traces';

/**
 * Whether a picture was made larger before it came here. Pixels put between others by copying or by straight lines leave
 * a comb: at every k-th place nothing changes, or the slope does not. Curves leave fainter traces, looked for after it.
 */

/** Enlargements looked for, and how quiet the comb's gaps have to be beside the whole: 0 is perfectly quiet. */
const MOST = 8;
const QUIET = 0.12;
/** A picture that hardly changes tells nothing; steps of 8 bits. */
const LEAST_CHANGE = 0.4;
/** Lines looked at: enough to tell. */
const LINES = 64;

const CHANNELS = { GRAY: 1, RGB: 3, CMYK: 4 } as const;

/** Copied pixels do not change; those on straight lines keep their slope, or its change where they lie off the centres. */
const ORDERS = [1, 2, 3] as const;
type Order = (typeof ORDERS)[number];

function changeAt(pixel: (by: number) => number, order: Order): number {
  if (order === 1) return pixel(1) - pixel(0);
  if (order === 2) return pixel(-1) - 2 * pixel(0) + pixel(1);
  return pixel(2) - 3 * pixel(1) + 3 * pixel(0) - pixel(-1);
}

/** Mean changes by place modulo k along one axis. */
function comb(
  at: (along: number, line: number) => number,
  length: number,
  lines: number,
  order: Order,
  k: number,
): number[] {
  const sums = new Array<number>(k).fill(0);
  const counts = new Array<number>(k).fill(0);
  const step = Math.max(1, Math.floor(lines / LINES));
  for (let line = 0; line < lines; line += step)
    for (let i = 1; i < length - 2; i++) {
      sums[i % k]! += Math.abs(changeAt((by) => at(i + by, line), order));
      counts[i % k]!++;
    }
  return sums.map((sum, i) => sum / Math.max(1, counts[i]!));
}

/** Whether one of the places is quiet and the picture as a whole is not. */
function isCombed(means: readonly number[]): boolean {
  const whole = means.reduce((a, b) => a + b, 0) / means.length;
  return whole > LEAST_CHANGE && Math.min(...means) < QUIET * whole;
}

/** How many times a picture was enlarged each way; undefined where it was not, or where it cannot be told. */
export function upscaledBy({ width, height, space, colour }: Pick<Pixels, 'width' | 'height' | 'space' | 'colour'>) {
  const channels = CHANNELS[space];
  // Green, or the only channel there is: it has most of what is seen.
  const channel = Math.min(1, channels - 1);
  const pixel = (x: number, y: number): number => colour[(y * width + x) * channels + channel]!;
  const down = (along: number, line: number): number => pixel(line, along);
  // The largest that fits: what was enlarged four times shows a comb of two as well.
  for (let k = MOST; k >= 2; k--)
    for (const order of ORDERS)
      if (isCombed(comb(pixel, width, height, order, k)) && isCombed(comb(down, height, width, order, k))) return k;
  return enlargedByCurves(pixel, down, { width, height });
}
