import { JpxImage } from 'pdfjs-dist/image_decoders/pdf.image_decoders.mjs';
import './promise-with-resolvers';

/** Pictures packed as JPEG 2000 (ITU-T T.800), as a file of their own (`jP  `) or bare. */

/** A picture's samples, a byte each, those of a pixel side by side. */
export interface JpxPixels {
  width: number;
  height: number;
  /** How many samples a pixel has, those that only say how much of it is seen left out. */
  channels: number;
  samples: Uint8Array;
}

/** Says where the decoder's wasm is had, once a picture needs it. */
export const lendJpx = (wasm: () => Promise<Uint8Array>): void =>
  JpxImage.setOptions({ useWasm: true, useWorkerFetch: false, wasmUrl: null, handler: { sendWithPromise: wasm } });

/** A channel's colour by the number that a file's `colr` box gives the whole (T.800, I.5.3.3; 12 is CMYK in T.801). */
const CHANNELS: Readonly<Record<number, number>> = { 12: 4, 16: 3, 17: 1, 18: 3 };

/** How many channels of a picture are colour: by its `colr` box, else as many as there are, but a second or a fourth. */
function coloursOf(bytes: Uint8Array, count: number): number {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 4000));
  const at = head.indexOf('colr\x01');
  const named = at < 0 ? undefined : CHANNELS[new DataView(bytes.buffer, bytes.byteOffset).getUint32(at + 7)];
  return named ?? (count === 2 ? 1 : Math.min(count, 4));
}

/**
 * A picture's samples. `channels` is how many its colour space has, where that is known; a picture of `indexes` keeps them as
 * they are. Undefined where it cannot be read, or has more than `mostPixels`.
 */
export async function unpackJpx(
  bytes: Uint8Array,
  mostPixels: number,
  { channels, indexes = false }: { channels?: number | undefined; indexes?: boolean } = {},
): Promise<JpxPixels | undefined> {
  try {
    const { width, height, componentsCount } = JpxImage.parseImageProperties(bytes);
    if (!(width > 0 && height > 0 && width * height <= mostPixels)) return undefined;
    const asked = channels ?? coloursOf(bytes, componentsCount);
    const samples = await JpxImage.decode(bytes, { numComponents: asked, isIndexedColormap: indexes });
    if (samples.length !== width * height * asked) return undefined;
    return {
      width,
      height,
      channels: asked,
      samples: new Uint8Array(samples.buffer, samples.byteOffset, samples.length),
    };
  } catch {
    return undefined;
  }
}
