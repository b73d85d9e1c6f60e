import { type Ink, type Plates, processStandIn } from './ink';

/**
 * What inks throw back of a scanner's light, at about 660 nm (ISO/IEC 15416, 4.2: the wavelength is the application's; 660 nm
 * is GS1's). There red, magenta and yellow look like paper, and cyan like black.
 */

/** Of white paper, and of each process ink solid on it, as a share of the light: from memory of offset prints. */
const PAPER = 0.85;
const SOLID = [0.08, 0.88, 0.97, 0.04] as const;

/** What is thrown back at 660 nm, 0 to 1: each ink a filter over the share of the paper that it covers (Murray and Davies). */
export function redReflectance(plates: Plates, inks: readonly Ink[]): number {
  const cmyk = processStandIn(plates, inks);
  return cmyk.reduce((left, amount, i) => left * (1 - amount * (1 - SOLID[i]!)), PAPER);
}

/** How far a code stands out from its ground, 0 to 1: the symbol contrast of ISO/IEC 15416, 4.3.2. */
export const symbolContrast = (ground: number, code: number): number => Math.max(0, ground - code);

/** From this contrast on a symbol has the grade that shops' scanners need (ISO/IEC 15416, table 1: C; GS1 asks for 1.5). */
export const LEAST_CONTRAST = 0.4;
