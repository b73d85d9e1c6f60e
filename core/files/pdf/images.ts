import { type PDFContext, PDFHexString, type PDFRef } from '@cantoo/pdf-lib';
import { type Ink, isProcessPlate, type Plates, PROCESS_PLATES } from '../../colour/ink';
import type { Patch } from '../../devices/flat/patch';
import { encodeJpeg } from '../../picture/jpeg-encode';
import type { SeparatedPicture } from '../../picture/separate';
import type { Tone } from '../../scene/device';
import { type SpaceFinder, spaceOf } from './shades';
import { flate, plain } from './streams';

/** Rows with the PNG "sub" filter in front (ISO 32000-1, 7.4.4.4): neighbouring pixels are alike, so differences pack better. */
function subFiltered(samples: Uint8Array, channels: number, width: number): Uint8Array {
  const row = channels * width;
  const height = samples.length / row;
  const out = new Uint8Array(height * (row + 1));
  for (let y = 0; y < height; y++) {
    const from = y * row;
    const to = y * (row + 1);
    out[to] = 1;
    for (let x = 0; x < row; x++)
      out[to + 1 + x] = samples[from + x]! - (x >= channels ? samples[from + x - channels]! : 0);
  }
  return out;
}

const samplesStream = (
  context: PDFContext,
  samples: Uint8Array,
  channels: number,
  { width, height }: { width: number; height: number },
  entries: Record<string, unknown>,
) =>
  flate(context, subFiltered(samples, channels, width), {
    Type: 'XObject',
    Subtype: 'Image',
    Width: width,
    Height: height,
    BitsPerComponent: 8,
    DecodeParms: { Predictor: 15, Colors: channels, BitsPerComponent: 8, Columns: width },
    ...entries,
  });

const softMask = (context: PDFContext, coverage: Uint8Array, size: { width: number; height: number }): PDFRef =>
  context.register(samplesStream(context, coverage, 1, size, { ColorSpace: 'DeviceGray' }));

/** Embeds a separated picture without loss, its coverage as a soft mask. */
export function embedPicture(
  context: PDFContext,
  picture: SeparatedPicture,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const { plates, amounts, alpha } = picture;
  const mask = alpha && softMask(context, alpha, picture);
  // `separatePicture` names plates in the order that their colour space has them; one process plate is a space by itself.
  const [only] = plates;
  const space = plates.length === 1 ? separation(only!) : spaceOf(context, plates, inks, separation).space;
  return context.register(
    samplesStream(context, amounts, plates.length, picture, { ColorSpace: space, ...(mask ? { SMask: mask } : {}) }),
  );
}

/** Line art on its one plate: a bit a pixel, at its own resolution. */
export function embedLineArt(
  context: PDFContext,
  { width, height, plates, amounts, alpha }: SeparatedPicture,
  separation: (plate: string) => PDFRef,
): PDFRef {
  const row = Math.ceil(width / 8);
  const bits = new Uint8Array(row * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) if (amounts[y * width + x]! > 127) bits[y * row + (x >> 3)]! |= 128 >> (x & 7);
  const [plate] = plates;
  // No ink, and the plate alone.
  const process = ['Indexed', 'DeviceCMYK', 1, PDFHexString.of(`00000000${SOLID[plate as keyof typeof SOLID]}`)];
  return context.register(
    flate(context, bits, {
      Type: 'XObject',
      Subtype: 'Image',
      Width: width,
      Height: height,
      BitsPerComponent: 1,
      ColorSpace: isProcessPlate(plate!) ? process : separation(plate!),
      ...(alpha ? { SMask: softMask(context, alpha, { width, height }) } : {}),
    }),
  );
}
const SOLID = { Cyan: 'FF000000', Magenta: '00FF0000', Yellow: '0000FF00', Black: '000000FF' };

/** The same packed as JPEG where it is in the four process inks; others keep every pixel. */
export function embedJpeg(
  context: PDFContext,
  picture: SeparatedPicture,
  quality: number,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const { width, height, plates, amounts, alpha } = picture;
  if (plates.length !== PROCESS_PLATES.length || !plates.every(isProcessPlate))
    return embedPicture(context, picture, inks, separation);
  const mask = alpha && softMask(context, alpha, picture);
  const packed = encodeJpeg(amounts, 4, width, height, quality);
  return context.register(plain(context, packed, { ...jpegEntries(picture), ...(mask ? { SMask: mask } : {}) }));
}

/** A CMYK JPEG as it came. Files of that kind hold the opposite of each amount (common practice since Adobe's marker). */
export const embedPlainJpeg = (
  context: PDFContext,
  bytes: Uint8Array,
  size: { width: number; height: number },
): PDFRef => context.register(plain(context, bytes, { ...jpegEntries(size), Decode: [1, 0, 1, 0, 1, 0, 1, 0] }));

const jpegEntries = ({ width, height }: { width: number; height: number }) => ({
  Type: 'XObject',
  Subtype: 'Image',
  Width: width,
  Height: height,
  BitsPerComponent: 8,
  ColorSpace: 'DeviceCMYK',
  Filter: 'DCTDecode',
});

/** Amounts of one colour: a single sample of it, seen through the amounts as a soft mask. */
export function embedTone(
  context: PDFContext,
  { width, height, amounts }: Tone,
  colour: Plates,
  find: SpaceFinder,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const mask = softMask(context, amounts, { width, height });
  const { space, amounts: inSpace } = find(context, Object.keys(colour), inks, separation);
  const sample = Uint8Array.from(inSpace(colour), (amount) => Math.round(255 * amount));
  return context.register(
    flate(context, sample, {
      Type: 'XObject',
      Subtype: 'Image',
      Width: 1,
      Height: 1,
      BitsPerComponent: 8,
      ColorSpace: space,
      SMask: mask,
    }),
  );
}

/** A patch: all its plates, and a stencil that leaves out the cells that are not there (ISO 32000-1, 8.9.6.3). */
export function embedPatch(
  context: PDFContext,
  { width, height, plates, amounts, here }: Patch,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const row = Math.ceil(width / 8);
  const bits = new Uint8Array(row * height).fill(255);
  for (let i = 0; i < here.length; i++) {
    const x = i % width;
    if (here[i]) bits[Math.floor(i / width) * row + (x >> 3)]! &= ~(128 >> (x & 7));
  }
  const stencil = context.register(
    flate(context, bits, {
      Type: 'XObject',
      Subtype: 'Image',
      ImageMask: true,
      Width: width,
      Height: height,
      BitsPerComponent: 1,
    }),
  );
  const { space } = spaceOf(context, plates, inks, separation);
  return context.register(
    samplesStream(context, amounts, plates.length, { width, height }, { ColorSpace: space, Mask: stencil }),
  );
}
