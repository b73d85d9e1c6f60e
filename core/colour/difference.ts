import { differenceCiede2000 } from 'culori';
import { hexOf, type Rgb } from './engine';

const deltaE = differenceCiede2000();

/** How far two screen colours are apart: CIEDE2000 (ISO/CIE 11664-6), by culori. Below 1 hardly anybody sees it. */
export const colourDifference = (a: Rgb, b: Rgb): number => deltaE(hexOf(a), hexOf(b));
