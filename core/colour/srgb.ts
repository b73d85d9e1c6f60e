/** sRGB's curve (IEC 61966-2-1): the light that a share of 0 to 1 stands for. */
export const linearOf = (share: number): number =>
  share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;

/** The same of each byte. */
export const LIGHT_OF_BYTE: Float64Array = Float64Array.from({ length: 256 }, (_, byte) => linearOf(byte / 255));

/** And back: the share that light of 0 to 1 is written as. */
export const writtenOf = (light: number): number =>
  light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;

/** How much of the light a screen's red, green and blue make up (IEC 61966-2-1, Y of its primaries). */
export const LIGHT = [0.2126, 0.7152, 0.0722] as const;

/** CIE L* of a luminance from 0 to 1 (ISO/CIE 11664-4). */
export const lightnessOf = (y: number): number => (y > 216 / 24389 ? 116 * Math.cbrt(y) - 16 : (y * 24389) / 27);
