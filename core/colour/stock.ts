import { type Press, parseHex, type Rgb } from './engine';
import type { Cmyk } from './ink';
import { LIGHT, lightnessOf, linearOf, writtenOf } from './srgb';

/**
 * Print on coloured stock. Offset inks are filters: what is seen is what the stock throws back, times what the ink lets
 * through, in each third of the spectrum (the simplest of the models that are common practice; fluorescence is none of it).
 * A stock is known by how it looks beside white paper, as a screen shows it.
 */

/** The light that a byte of sRGB stands for, 0 to 1, and back. */
const lightOf = (byte: number): number => linearOf(byte / 255);
const byteOf = (light: number): number => Math.round(255 * writtenOf(light));

const WHITE: Rgb = [255, 255, 255];
const rgbOf = (stock: string | undefined): Rgb => (stock && parseHex(stock)) || WHITE;

/** What is seen of a print, in bytes of red, green, blue and alpha, on a stock of that colour; changes them. */
export function onStock<T extends Uint8ClampedArray>(rgba: T, stock: string | undefined): T {
  if (stock === undefined) return rgba;
  const tables = rgbOf(stock).map((paper) =>
    Uint8Array.from({ length: 256 }, (_, byte) => byteOf(lightOf(byte) * lightOf(paper))),
  );
  for (let i = 0; i < rgba.length; i += 4) for (let c = 0; c < 3; c++) rgba[i + c] = tables[c]![rgba[i + c]!]!;
  return rgba;
}

/** CIE L* of ink on a stock, beside white paper; on white paper as the press's profile has it. */
export function lightnessOn(stock: string | undefined, press: Press, cmyk: Cmyk): number {
  if (stock === undefined) return press.lab(cmyk)[0];
  const [ink, paper] = [press.screen(cmyk), rgbOf(stock)];
  return lightnessOf(LIGHT.reduce((sum, weight, i) => sum + weight * lightOf(ink[i]!) * lightOf(paper[i]!), 0));
}

/** The share of a scanner's red light that a stock throws back, beside white paper. */
export const redOf = (stock: string | undefined): number => lightOf(rgbOf(stock)[0]);
