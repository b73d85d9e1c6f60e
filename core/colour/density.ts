import { type Ink, isProcessPlate, type Plates, type ProcessPlate } from './ink';

/**
 * How dark process inks are in solid, as a densitometer with a visual filter has them, paper taken off. Common practice
 * for trapping; from memory.
 */
const SOLID: Readonly<Record<ProcessPlate, number>> = { Cyan: 0.61, Magenta: 0.76, Yellow: 0.16, Black: 1.7 };

/** CIE L* of the paper that densities are told from. */
const PAPER = 95;
/** Relative luminance of a CIE L* (CIE 15:2004, 8.2.1.1). */
const luminance = (lightness: number): number => (lightness > 8 ? ((lightness + 16) / 116) ** 3 : lightness / 903.2963);

/** The density of a dot area of an ink by its solid one (Murray–Davies). */
const tinted = (solid: number, amount: number): number => -Math.log10(1 - amount * (1 - 10 ** -solid));

function solidDensity(plate: string, inks: readonly Ink[]): number {
  if (isProcessPlate(plate)) return SOLID[plate as ProcessPlate];
  const ink = inks.find(({ name }) => name === plate);
  if (!ink) return SOLID.Black;
  if (ink.lab) return Math.max(0, Math.log10(luminance(PAPER) / Math.max(1e-3, luminance(ink.lab[0]))));
  return Object.values(SOLID).reduce((sum, solid, i) => sum + tinted(solid, ink.cmyk[i]!), 0);
}

/** How dark some plates are together, as a visual density over paper: 0 is paper, black about 1.7. */
export const neutralDensity = (plates: Plates, inks: readonly Ink[]): number =>
  Object.entries(plates).reduce((sum, [plate, amount]) => sum + tinted(solidDensity(plate, inks), amount), 0);
