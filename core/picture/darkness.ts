import { LIGHT, LIGHT_OF_BYTE, lightnessOf } from '../colour/srgb';

const STEPS = 4096;
/** 255 for black, 0 for white, by luminance. */
const DARK = Uint8Array.from({ length: STEPS + 1 }, (_, i) => Math.round(255 * (1 - lightnessOf(i / STEPS) / 100)));

/** How dark each pixel of sRGB bytes is to the eye: 100 minus CIE L*, 255 for black. */
export function darknessOf(rgb: Uint8Array): Uint8Array {
  const dark = new Uint8Array(rgb.length / 3);
  for (let i = 0, at = 0; i < dark.length; i++, at += 3) {
    const y =
      LIGHT[0] * LIGHT_OF_BYTE[rgb[at]!]! +
      LIGHT[1] * LIGHT_OF_BYTE[rgb[at + 1]!]! +
      LIGHT[2] * LIGHT_OF_BYTE[rgb[at + 2]!]!;
    dark[i] = DARK[Math.round(y * STEPS)]!;
  }
  return dark;
}

/** The grey, 0 black, that is as dark to the eye as each byte says: what prints that much of an ink. */
const GREYS = ((): Uint8Array => {
  const dark = darknessOf(Uint8Array.from({ length: 3 * 256 }, (_, i) => Math.floor(i / 3)));
  return Uint8Array.from({ length: 256 }, (_, amount) => {
    let best = 0;
    for (let grey = 1; grey < 256; grey++)
      if (Math.abs(dark[grey]! - amount) < Math.abs(dark[best]! - amount)) best = grey;
    return best;
  });
})();

/** Greys that print as these amounts of one ink, 255 solid; to a level or two, where there are fewer greys than amounts. */
export const greysFor = (amounts: Uint8Array): Uint8Array => amounts.map((amount) => GREYS[amount]!);
