import { type ColourEngine, type Press, type Profile, ProfileError } from '../colour/engine';
import type { Pixels } from './decode';

/** A picture as the press gets it: CMYK bytes (255 is full ink), coverage apart. */
export interface SeparatedPicture {
  width: number;
  height: number;
  cmyk: Uint8Array;
  alpha?: Uint8Array;
}

function grayAsRgb(gray: Uint8Array): Uint8Array {
  const rgb = new Uint8Array(gray.length * 3);
  for (let i = 0; i < gray.length; i++) rgb.fill(gray[i]!, i * 3, i * 3 + 3);
  return rgb;
}

/** A picture's own profile, where it is of the space its numbers are in. */
function ownProfile(pixels: Pixels, engine: ColourEngine): Profile | undefined {
  if (!pixels.icc) return undefined;
  try {
    return engine.describe(pixels.icc).space === pixels.space ? pixels.icc : undefined;
  } catch (error) {
    // A damaged profile says nothing about the colours: the picture is then read as an untagged one.
    if (error instanceof ProfileError) return undefined;
    throw error;
  }
}

/**
 * Converts a picture from its own profile to the press's. Untagged RGB and grey are read as sRGB;
 * untagged CMYK keeps its numbers.
 */
export function separatePicture(pixels: Pixels, engine: ColourEngine, press: Press): SeparatedPicture {
  const { width, height, space, colour, alpha } = pixels;
  const own = ownProfile(pixels, engine);
  const convert = (data: Uint8Array, from: Profile): Uint8Array =>
    engine.converter(from, press.profile, press.condition)(data);
  let cmyk: Uint8Array;
  if (own) cmyk = convert(colour, own);
  else if (space === 'CMYK') cmyk = colour;
  else cmyk = convert(space === 'GRAY' ? grayAsRgb(colour) : colour, 'sRGB');
  return { width, height, cmyk, ...(alpha ? { alpha } : {}) };
}

/** What the press makes of a separated picture, as sRGB bytes. */
export const proofPicture = (picture: SeparatedPicture, engine: ColourEngine, press: Press): Uint8Array =>
  engine.converter(press.profile, 'sRGB', press.condition, 'quick')(picture.cmyk);
