import { LIGHT, LIGHT_OF_BYTE, writtenOf } from './srgb';

/**
 * Black as it looks on most paper: without a tinge. A profile may have measured its black with a cast that is right on its
 * own paper and looks violet or brown on a screen; what is printed does not change.
 */

/** Bytes in, bytes out, pixel by pixel. */
type Convert = (pixels: Uint8Array) => Uint8Array;

const STEPS = 4096;
const WRITTEN = Uint8Array.from({ length: STEPS + 1 }, (_, i) => Math.round(255 * writtenOf(i / STEPS)));

/** No channel is made lighter than so many times: where black leaves no light of a colour, there is none to bring back. */
const MOST = 4;

/** A conversion of cyan, magenta, yellow and black to sRGB, by which black alone is as grey as its paper, at its own lightness. */
export function withNeutralBlack(convert: Convert): Convert {
  const axis = convert(Uint8Array.from({ length: 4 * 256 }, (_, i) => (i % 4 === 3 ? i >> 2 : 0)));
  const light = (k: number, channel: number): number => LIGHT_OF_BYTE[axis[3 * k + channel]!]!;
  const luminance = (k: number): number => LIGHT.reduce((sum, share, channel) => sum + share * light(k, channel), 0);
  const factors = Float64Array.from({ length: 3 * 256 }, (_, i) => {
    const [k, channel] = [Math.floor(i / 3), i % 3];
    const own = light(k, channel) / light(0, channel);
    return own > 0 ? Math.min(MOST, luminance(k) / luminance(0) / own) : 1;
  });
  return (pixels) => {
    const rgb = convert(pixels);
    for (let at = 0, pixel = 0; at < rgb.length; at += 3, pixel += 4) {
      const k = 3 * pixels[pixel + 3]!;
      for (let channel = 0; channel < 3; channel++) {
        const now = LIGHT_OF_BYTE[rgb[at + channel]!]! * factors[k + channel]!;
        rgb[at + channel] = WRITTEN[Math.min(STEPS, Math.round(now * STEPS))]!;
      }
    }
    return rgb;
  };
}
