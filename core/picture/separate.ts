import { type ColourEngine, type Press, type Profile, ProfileError } from '../colour/engine';
import { type Ink, type Plates, PROCESS_PLATES, platesInOrder, processStandIn } from '../colour/ink';
import { isWithin, limitPixels } from '../colour/total-ink';
import { darknessOf } from './darkness';
import type { Pixels } from './decode';

/** How a picture becomes plates. Without anything said, in the four process inks, CMYK numbers kept, and greys in black. */
export interface Separation {
  /** What its full grey puts on the plates, an ink at a time; its greys print at that share of it. */
  inks?: readonly Plates[];
  /** CMYK numbers are made anew for the press; greys are printed in the four process inks. */
  reseparate?: boolean;
  /** The most ink at a point, 1 to 4. */
  inkLimit?: number;
}

/** A picture as the press gets it: amounts by plate, interleaved, 255 is full ink; coverage apart. */
export interface SeparatedPicture {
  width: number;
  height: number;
  plates: readonly string[];
  amounts: Uint8Array;
  alpha?: Uint8Array;
  /** It came as black and white alone. */
  lineArt?: true;
  /** It is a page of a PDF: one that goes into a file as it is and has no pixels there, or one whose cells are its pixels. */
  page?: 'whole' | 'cells';
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

/** A picture's numbers and the profile they mean; none for untagged CMYK, which means the press. */
export function sourceOf(pixels: Pixels, engine: ColourEngine): { data: Uint8Array; from: Profile | undefined } {
  const own = ownProfile(pixels, engine);
  if (own) return { data: pixels.colour, from: own };
  if (pixels.space === 'CMYK') return { data: pixels.colour, from: undefined };
  return { data: pixels.space === 'GRAY' ? grayAsRgb(pixels.colour) : pixels.colour, from: 'sRGB' };
}

export const sameBytes = (a: Uint8Array, b: Uint8Array): boolean =>
  a.length === b.length && a.every((byte, i) => byte === b[i]);

/** The profile that a picture's numbers mean, where it is not the press's own. */
function fromOther(pixels: Pixels, engine: ColourEngine, press: Press): Profile | 'sRGB' | undefined {
  const { from } = sourceOf(pixels, engine);
  return from && from !== 'sRGB' && sameBytes(from, press.profile) ? undefined : from;
}

/**
 * Converts a picture from its own profile to the press's. Untagged RGB and grey are read as sRGB; untagged CMYK keeps
 * its numbers, unless it is to be separated anew: from colour to ink by the press's own tables.
 */
function inProcess(pixels: Pixels, engine: ColourEngine, press: Press, how: Separation): Uint8Array {
  const { data } = sourceOf(pixels, engine);
  const from = fromOther(pixels, engine, press);
  const cmyk = from
    ? engine.converter(from, press.profile, press.condition)(data)
    : how.reseparate
      ? engine.converter(press.profile, press.profile, press.condition)(data)
      : data;
  return how.inkLimit === undefined ? cmyk : limitPixels(cmyk, how.inkLimit, press);
}

/** Whether a picture's own CMYK numbers go to the press as they are. */
export function keepsNumbers(pixels: Pixels, engine: ColourEngine, press: Press, how: Separation): boolean {
  if (pixels.space !== 'CMYK' || pixels.alpha || how.inks || how.reseparate) return false;
  if (fromOther(pixels, engine, press)) return false;
  return how.inkLimit === undefined || isWithin(pixels.colour, how.inkLimit);
}

const platesOfInks = (inks: readonly Plates[]): string[] => platesInOrder(inks.flatMap(Object.keys));

/** How dark each pixel is, 255 for black. */
function darkIn(pixels: Pixels, engine: ColourEngine, press: Press): Uint8Array {
  const { data, from } = sourceOf(pixels, engine);
  return darknessOf(
    from === 'sRGB' ? data : engine.converter(from ?? press.profile, 'sRGB', press.condition, 'quick')(data),
  );
}

/** Greys in one ink or two: how dark a pixel is, each ink's share of it. */
function inInks(pixels: Pixels, engine: ColourEngine, press: Press, inks: readonly Plates[]) {
  const dark = darkIn(pixels, engine, press);
  const plates = platesOfInks(inks);
  const amounts = new Uint8Array(dark.length * plates.length);
  const full = plates.map((plate) =>
    Math.min(
      1,
      inks.reduce((sum, ink) => sum + (ink[plate] ?? 0), 0),
    ),
  );
  for (let i = 0, to = 0; i < dark.length; i++)
    for (let k = 0; k < plates.length; k++) amounts[to++] = Math.round(dark[i]! * full[k]!);
  return { plates, amounts };
}

/** How much black prints each darkness, for each press: the tone runs from its paper to its black as the eye sees it. */
const blacks = new WeakMap<Press, Uint8Array>();
function blackFor(press: Press): Uint8Array {
  const found = blacks.get(press);
  if (found) return found;
  const lights = Array.from({ length: 256 }, (_, k) => press.lab([0, 0, 0, k / 255])[0]);
  const [paper, solid] = [lights[0]!, lights[255]!];
  let k = 0;
  const made = Uint8Array.from({ length: 256 }, (_, dark) => {
    const wanted = paper + ((solid - paper) * dark) / 255;
    while (k < 255 && Math.abs(lights[k + 1]! - wanted) <= Math.abs(lights[k]! - wanted)) k++;
    return k;
  });
  blacks.set(press, made);
  return made;
}

/** Greys in black alone: four plates would tint them wherever the press drifts, and soften their edges. */
function inBlack(pixels: Pixels, engine: ColourEngine, press: Press) {
  const black = blackFor(press);
  return { plates: ['Black'], amounts: darkIn(pixels, engine, press).map((dark) => black[dark]!) };
}

/** A picture as plates; see `Separation`. Line art is black alone: made of four inks its edges would be coloured. */
export function separatePicture(
  pixels: Pixels,
  engine: ColourEngine,
  press: Press,
  how: Separation = {},
): SeparatedPicture {
  const { width, height, alpha } = pixels;
  const made =
    pixels.lineArt && !how.inks
      ? { plates: ['Black'], amounts: pixels.colour.map((each) => 255 - each) }
      : how.inks
        ? inInks(pixels, engine, press, how.inks)
        : pixels.space === 'GRAY' && !how.reseparate
          ? inBlack(pixels, engine, press)
          : { plates: PROCESS_PLATES, amounts: inProcess(pixels, engine, press, how) };
  return { width, height, ...made, ...(alpha ? { alpha } : {}), ...(pixels.lineArt ? { lineArt: true } : {}) };
}

/** The four process amounts that stand in for each pixel of a picture on other plates. */
function standIns({ plates, amounts }: SeparatedPicture, inks: readonly Ink[]): Uint8Array {
  const full = plates.map((plate) => processStandIn({ [plate]: 1 }, inks));
  const count = amounts.length / plates.length;
  const cmyk = new Uint8Array(count * 4);
  for (let i = 0, from = 0; i < count; i++, from += plates.length)
    for (let c = 0; c < 4; c++) {
      let paper = 1;
      for (let k = 0; k < plates.length; k++) paper *= 1 - (full[k]![c]! * amounts[from + k]!) / 255;
      cmyk[i * 4 + c] = Math.round(255 * (1 - paper));
    }
  return cmyk;
}

const isProcess = ({ plates }: SeparatedPicture): boolean =>
  plates.length === 4 && plates.every((plate, i) => plate === PROCESS_PLATES[i]);

/** What the press makes of a separated picture, as sRGB bytes. */
export const proofPicture = (
  picture: SeparatedPicture,
  engine: ColourEngine,
  press: Press,
  inks: readonly Ink[],
): Uint8Array =>
  engine.converter(
    press.profile,
    'sRGB',
    press.condition,
    'quick',
  )(isProcess(picture) ? picture.amounts : standIns(picture, inks));
