import type { PDFContext, PDFRef } from '@cantoo/pdf-lib';
import type { Ink, Plates } from '../../colour/ink';
import type { SeparatedPicture } from '../../picture/separate';
import type { Tone } from '../../scene/device';
import { spaceOf } from './shades';
import { flate } from './streams';

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

/** Embeds a separated picture without loss, its coverage as a soft mask. */
export function embedPicture(
  context: PDFContext,
  picture: SeparatedPicture,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const { plates, amounts, alpha } = picture;
  const mask = alpha && context.register(samplesStream(context, alpha, 1, picture, { ColorSpace: 'DeviceGray' }));
  // `separatePicture` names plates in the order that their colour space has them.
  const { space } = spaceOf(context, Object.fromEntries(plates.map((plate) => [plate, 1])), inks, separation);
  return context.register(
    samplesStream(context, amounts, plates.length, picture, { ColorSpace: space, ...(mask ? { SMask: mask } : {}) }),
  );
}

/** Amounts of one colour: a single sample of it, seen through the amounts as a soft mask. */
export function embedTone(
  context: PDFContext,
  { width, height, amounts }: Tone,
  colour: Plates,
  inks: readonly Ink[],
  separation: (plate: string) => PDFRef,
): PDFRef {
  const mask = context.register(samplesStream(context, amounts, 1, { width, height }, { ColorSpace: 'DeviceGray' }));
  const { space, amounts: inSpace } = spaceOf(context, colour, inks, separation);
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
