import { type Pixels, turnUpright } from './decode';
import { keptPng } from './png-file';
import { isSideways } from './probe';
import { writeTiff } from './tiff-file';

/** What a picture of a kind that is not kept as it came becomes: a PNG, or for CMYK a TIFF of the app's own. */

/** Eight pixels to a byte, each row in bytes of its own. */
function bitsOf(grey: Uint8Array, width: number): Uint8Array {
  const row = Math.ceil(width / 8);
  const out = new Uint8Array(row * (grey.length / width));
  grey.forEach((value, i) => {
    const x = i % width;
    if (value > 127) out[Math.floor(i / width) * row + (x >> 3)]! |= 0x80 >> (x & 7);
  });
  return out;
}

/** Colour and alpha in one, a pixel after another. */
export function woven(colour: Uint8Array, alpha: Uint8Array): Uint8Array {
  const channels = colour.length / alpha.length;
  const out = new Uint8Array(colour.length + alpha.length);
  for (let i = 0; i < alpha.length; i++) {
    out.set(colour.subarray(i * channels, (i + 1) * channels), i * (channels + 1));
    out[i * (channels + 1) + channels] = alpha[i]!;
  }
  return out;
}

/** Amounts of ink on paper that shows through. */
const onPaper = (amounts: Uint8Array, alpha: Uint8Array): Uint8Array =>
  amounts.map((amount, i) => Math.round((amount * alpha[i >> 2]!) / 255));

/** The file that pixels are kept as, turned upright, and what of them is not kept, in words. */
export function keptFile(
  read: Pixels,
  orientation: number,
  pixelAspect?: number,
): { bytes: Uint8Array; told: string[] } {
  const { width, height, space, colour, alpha, icc, lineArt } = turnUpright(read, orientation);
  const aspect = pixelAspect !== undefined && isSideways(orientation) ? 1 / pixelAspect : pixelAspect;
  if (space === 'CMYK') {
    const data = alpha ? onPaper(colour, alpha) : colour;
    const description = 'CMYK as it was taken in';
    return {
      bytes: writeTiff({ width, height, channels: 4, data, ppi: 300, description, ...(icc ? { profile: icc } : {}) }),
      told: alpha ? ['It was see-through; in CMYK it stands on paper.'] : [],
    };
  }
  const channels = ((space === 'GRAY' ? 1 : 3) + (alpha ? 1 : 0)) as 1 | 2 | 3 | 4;
  const data = lineArt ? bitsOf(colour, width) : alpha ? woven(colour, alpha) : colour;
  const depth = lineArt ? 1 : 8;
  return { bytes: keptPng({ width, height, channels, depth, data, icc, pixelAspect: aspect }), told: [] };
}
