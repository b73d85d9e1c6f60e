import type { PDFContext, PDFRef } from '@cantoo/pdf-lib';
import type { SeparatedPicture } from '../../picture/separate';
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
  { width, height }: SeparatedPicture,
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
export function embedPicture(context: PDFContext, picture: SeparatedPicture): PDFRef {
  const mask =
    picture.alpha && context.register(samplesStream(context, picture.alpha, 1, picture, { ColorSpace: 'DeviceGray' }));
  return context.register(
    samplesStream(context, picture.cmyk, 4, picture, { ColorSpace: 'DeviceCMYK', ...(mask ? { SMask: mask } : {}) }),
  );
}
