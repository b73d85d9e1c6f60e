import createCodec from '@jsquash/jpeg/codec/dec/mozjpeg_dec.js';
import { JpegImage } from 'pdfjs-dist/image_decoders/pdf.image_decoders.mjs';
import { LARGE, PictureError } from './limits';

/** The colours of a JPEG’s pixels, as they lie in the file: upright or not, 8 bits a channel. */
export interface JpegPixels {
  width: number;
  height: number;
  colour: Uint8Array;
}

/** What is asked of mozjpeg’s codec. */
interface Codec {
  decode(bytes: Uint8Array, upright: boolean): { width: number; height: number; data: Uint8ClampedArray } | null;
}

let code: WebAssembly.Module | undefined;
let codec: Codec | undefined;

/** Makes the decoder ready for this thread; `wasm` is that of mozjpeg’s decoder. */
export function openJpegDecoder(wasm: Uint8Array): void {
  code ??= new WebAssembly.Module(wasm as BufferSource);
}

/** With its code compiled, the codec’s factory is done when it returns, and what it was handed is the codec. */
function startCodec(compiled: WebAssembly.Module): Codec {
  const codec = {
    noInitialRun: true,
    printErr: () => {},
    instantiateWasm(imports: WebAssembly.Imports, done: (instance: WebAssembly.Instance) => void) {
      const instance = new WebAssembly.Instance(compiled, imports);
      done(instance);
      return instance.exports;
    },
  };
  createCodec(codec as never);
  return codec as unknown as Codec;
}

/** Four bytes a pixel become the first one, or the first three. */
function withoutAlpha(rgba: Uint8ClampedArray, channels: 1 | 3): Uint8Array {
  const count = rgba.length / 4;
  const colour = new Uint8Array(count * channels);
  if (channels === 1) for (let i = 0; i < count; i++) colour[i] = rgba[4 * i]!;
  else
    for (let from = 0, to = 0; to < colour.length; from += 4, to += 3) {
      colour[to] = rgba[from]!;
      colour[to + 1] = rgba[from + 1]!;
      colour[to + 2] = rgba[from + 2]!;
    }
  return colour;
}

function quickly(bytes: Uint8Array, channels: 1 | 3): JpegPixels | undefined {
  if (!code) throw new Error('The JPEG decoder has not been opened.');
  codec ??= startCodec(code);
  try {
    const decoded = codec.decode(bytes, false);
    if (!decoded) return undefined;
    const { width, height, data } = decoded;
    // The memory of a codec grows and never shrinks.
    if (width * height > LARGE) codec = undefined;
    return { width, height, colour: withoutAlpha(data, channels) };
  } catch {
    // What it gave up on leaves it as it stood.
    codec = undefined;
    return undefined;
  }
}

function slowly(bytes: Uint8Array, channels: number): JpegPixels {
  try {
    const jpeg = new JpegImage();
    jpeg.parse(bytes);
    const { width, height } = jpeg;
    const how = { width, height, forceRGB: channels === 3, isSourcePDF: false };
    const { buffer, byteOffset, byteLength } = jpeg.getData(how);
    return { width, height, colour: new Uint8Array(buffer, byteOffset, byteLength) };
  } catch {
    throw new PictureError('This JPEG is damaged and cannot be drawn. Save it again from its program.');
  }
}

/**
 * A JPEG’s pixels, of `channels` a pixel (1 grey, 3 RGB, 4 CMYK). Grey and RGB come out as libjpeg has them, to the
 * bit; CMYK, and what libjpeg gives up on, another decoder reads. Throws PictureError where
 * that cannot either, and Error where `openJpegDecoder` has not been called.
 */
export const jpegPixels = (bytes: Uint8Array, channels: 1 | 3 | 4): JpegPixels =>
  (channels === 4 ? undefined : quickly(bytes, channels)) ?? slowly(bytes, channels);
