import { differenceCiede2000 } from 'culori';
import { hexOf, type Rgb } from './engine';
import type { Lab } from './ink';

const deltaE = differenceCiede2000();

/** How far two screen colours are apart: CIEDE2000 (ISO/CIE 11664-6), by culori. Below 1 hardly anybody sees it. */
export const colourDifference = (a: Rgb, b: Rgb): number => deltaE(hexOf(a), hexOf(b));

/** The same between two colours as CIE L*a*b*. */
export const labDifference = (one: Lab, other: Lab): number => deltaE(asLab(one), asLab(other));
// The package would bring what it knows as D50 to D65 first; the formula takes the numbers as they are.
const asLab = ([l, a, b]: Lab) => ({ mode: 'lab65', l, a, b }) as const;

/** What a difference means to the eye; common practice. */
const WORDS: readonly (readonly [below: number, word: string])[] = [
  [1, 'the same to the eye'],
  [2, 'hardly different'],
  [5, 'a little different'],
  [10, 'plainly different'],
  [Number.POSITIVE_INFINITY, 'far off'],
];
export const differenceWord = (deltaE00: number): string => WORDS.find(([below]) => deltaE00 < below)![1];
