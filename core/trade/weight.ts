import { lengthOf } from '../units/length';

/** What pieces weigh. */

const METRE = lengthOf('1000 mm');

/** `28.4 g`. */
export const gramsSaid = (grams: number): string => `${Math.round(grams * 10) / 10} g`;

/** What a piece of that size weighs, grams: lengths in points, `weight` in grams a square metre. */
export const weighs = ({ width, height }: { width: number; height: number }, weight: number): number =>
  ((width * height) / METRE ** 2) * weight;
