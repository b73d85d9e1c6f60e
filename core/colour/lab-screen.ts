import type { Lab } from './ink';
import { writtenOf } from './srgb';

/** CIE L*a*b* under D50 as sRGB, without an engine: for colours that are looked at, not printed. */

/** The white of D50, and from its XYZ to the linear light of sRGB (Bradford; values of B. Lindbloom's tables). */
const WHITE = [0.96422, 1, 0.82521] as const;
const TO_LINEAR = [
  [3.1338561, -1.6168667, -0.4906146],
  [-0.9787684, 1.9161415, 0.033454],
  [0.0719453, -0.2289914, 1.4052427],
] as const;
/** Where the cube root gives way to a straight line (CIE 15). */
const BEND = 6 / 29;

const light = (t: number): number => (t > BEND ? t ** 3 : 3 * BEND ** 2 * (t - 4 / 29));

/** Red, green and blue, 0 to 1; what a screen cannot show is brought to its edge channel by channel. */
export function screenOfLab([l, a, b]: Lab): [red: number, green: number, blue: number] {
  const y = (l + 16) / 116;
  const xyz = [light(y + a / 500) * WHITE[0], light(y) * WHITE[1], light(y - b / 200) * WHITE[2]];
  return TO_LINEAR.map((row) => {
    const linear = row.reduce((sum, factor, i) => sum + factor * xyz[i]!, 0);
    return Math.max(0, Math.min(1, writtenOf(Math.max(0, linear))));
  }) as [number, number, number];
}
