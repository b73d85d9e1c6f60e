import pngUrl from '@jsquash/png/codec/pkg/squoosh_png_bg.wasm?url';
import { PROCESS_PLATES } from '../core/colour/ink';
import { decodePicture, type Pixels } from '../core/picture/decode';
import { PictureError } from '../core/picture/limits';
import { isSideways, type PictureFacts, probePicture, refuseSize } from '../core/picture/probe';
import type { SeparatedPicture } from '../core/picture/separate';
import { loadJpegDecoder } from './decoders';
import { bytesAt } from './fetch';
import { once } from './once';

const asBlob = (bytes: Uint8Array, type: string): Blob => new Blob([bytes as Uint8Array<ArrayBuffer>], { type });

/** A part from the middle of a picture, at its own size, to be looked at closely. Throws where it cannot be decoded. */
export async function middlePart(bytes: Uint8Array, side: number): Promise<Pixels> {
  const { width, height, type } = probePicture(bytes);
  const [w, h] = [Math.min(side, width), Math.min(side, height)];
  const bitmap = await createImageBitmap(
    asBlob(bytes, type),
    Math.floor((width - w) / 2),
    Math.floor((height - h) / 2),
    w,
    h,
    { imageOrientation: 'none', colorSpaceConversion: 'none', premultiplyAlpha: 'none' },
  );
  const { context } = canvasOf(bitmap);
  const { data } = context.getImageData(0, 0, w, h);
  const colour = new Uint8Array(w * h * 3);
  for (let i = 0, to = 0; i < w * h; i++) for (let c = 0; c < 3; c++) colour[to++] = data[4 * i + c]!;
  return { width: w, height: h, space: 'RGB', colour };
}

/** The longest side of a picture on the stage, in pixels. */
export const LONGEST_PREVIEW = 1800;

/**
 * A JPEG decoded to a few eighths of its size, at least as large as is wanted: its code makes that without making the
 * whole (its blocks are of 8 × 8, ITU-T T.81). Undefined where the browser cannot, or where it would be the whole.
 */
async function eighths(
  bytes: Uint8Array,
  { width, height, type }: PictureFacts,
  scale: number,
  asSeen: boolean,
): Promise<VideoFrame | undefined> {
  const part = Math.ceil(8 * scale) / 8;
  if (typeof ImageDecoder === 'undefined' || type !== 'image/jpeg' || part >= 1) return undefined;
  const decoder = new ImageDecoder({
    data: bytes as Uint8Array<ArrayBuffer>,
    type,
    desiredWidth: Math.ceil(width * part),
    desiredHeight: Math.ceil(height * part),
    colorSpaceConversion: asSeen ? 'default' : 'none',
  });
  try {
    return (await decoder.decode()).image;
  } catch {
    return undefined;
  } finally {
    decoder.close();
  }
}

/** The picture decoded by the browser, small enough for the stage, upright. Its numbers are as in the file unless it is to be seen. */
async function smallBitmap(
  bytes: Uint8Array,
  facts: PictureFacts,
  longest: number,
  asSeen: boolean,
): Promise<ImageBitmap> {
  const { width, height, orientation, type } = facts;
  const [w, h] = isSideways(orientation) ? [height, width] : [width, height];
  const scale = Math.min(1, longest / Math.max(w, h));
  // What a frame says of the way it is turned differs between browsers: one that lies is decoded whole.
  const frame = orientation <= 1 ? await eighths(bytes, facts, scale, asSeen) : undefined;
  const made = await createImageBitmap(frame ?? asBlob(bytes, type), {
    imageOrientation: 'from-image',
    colorSpaceConversion: asSeen ? 'default' : 'none',
    premultiplyAlpha: 'none',
    ...(scale < 1
      ? {
          resizeWidth: Math.max(1, Math.round(w * scale)),
          resizeHeight: Math.max(1, Math.round(h * scale)),
          resizeQuality: 'high' as const,
        }
      : {}),
  });
  frame?.close();
  return made;
}

function canvasOf(bitmap: ImageBitmap) {
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { canvas, context };
}

/** What a canvas is packed as for the stage: see-through parts stay so, the rest is quick to pack. */
export const packed = (canvas: OffscreenCanvas, hasAlpha: boolean): Promise<Blob> =>
  canvas.convertToBlob(hasAlpha ? { type: 'image/png' } : { type: 'image/jpeg', quality: 0.95 });

/** Four bytes a pixel as colour and, where any of it is seen through, alpha. */
function fromRgba(data: Uint8ClampedArray, width: number, height: number): Pixels {
  const count = width * height;
  const colour = new Uint8Array(count * 3);
  const alpha = new Uint8Array(count);
  let isSeenThrough = false;
  for (let i = 0; i < count; i++) {
    for (let c = 0; c < 3; c++) colour[3 * i + c] = data[4 * i + c]!;
    alpha[i] = data[4 * i + 3]!;
    if (alpha[i]! < 255) isSeenThrough = true;
  }
  return { width, height, space: 'RGB', colour, ...(isSeenThrough ? { alpha } : {}) };
}

/** A picture of any kind that this browser draws, upright and in sRGB. Throws where it cannot. */
export async function screenPixels(bytes: Uint8Array, type: string): Promise<Pixels> {
  const bitmap = await createImageBitmap(asBlob(bytes, type), {
    imageOrientation: 'from-image',
    colorSpaceConversion: 'default',
    premultiplyAlpha: 'none',
  });
  const { width, height } = bitmap;
  try {
    refuseSize(width, height);
  } catch (error) {
    bitmap.close();
    throw error;
  }
  const { context } = canvasOf(bitmap);
  return fromRgba(context.getImageData(0, 0, width, height).data, width, height);
}

/** Another decoder of PNGs than the usual one. */
export const loadPngReader = once(async () => {
  const { decode, default: open } = await import('@jsquash/png/codec/pkg/squoosh_png.js');
  await open(await bytesAt(pngUrl));
  return decode;
});

/** A PNG whose rows come in passes. Throws PictureError. */
export async function pngInPasses(bytes: Uint8Array): Promise<Pixels> {
  const decode = await loadPngReader();
  try {
    const { data, width, height } = decode(bytes);
    return fromRgba(data, width, height);
  } catch {
    throw new PictureError('This PNG is damaged or cut short. Get the file again, or save it again from its program.');
  }
}

/** A picture in the colours of the screen, as soon as it can be had. */
export async function firstLook(bytes: Uint8Array): Promise<Blob> {
  const facts = probePicture(bytes);
  if (facts.type === 'image/tiff') return packed(inkSeen(shrunk(decodePicture(bytes), 1000)), false);
  return packed(canvasOf(await smallBitmap(bytes, facts, 1000, true)).canvas, facts.type === 'image/png');
}

/**
 * A picture's own numbers, no larger than the stage needs. The browser decodes what it has numbers for, RGB and grey;
 * CMYK is decoded here.
 */
export async function smallPixels(bytes: Uint8Array, longest = LONGEST_PREVIEW): Promise<Pixels> {
  const facts = probePicture(bytes);
  const { channels, icc, width, height, type } = facts;
  await loadJpegDecoder();
  const isPng = type === 'image/png';
  if (channels === 4 && !isPng) return shrunk(decodePicture(bytes), longest);
  // A small one is not worth two ways of decoding.
  if (Math.max(width, height) <= longest) return decodePicture(bytes);
  // The profile of a PNG is packed: the browser reads it, and gives the colours as the screen has them.
  const { context, canvas } = canvasOf(await smallBitmap(bytes, facts, longest, isPng));
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const pixels = fromRgba(data, canvas.width, canvas.height);
  const isGray = channels <= 2 && !isPng;
  return {
    ...pixels,
    ...(isGray ? { space: 'GRAY' as const, colour: pixels.colour.filter((_, i) => i % 3 === 0) } : {}),
    ...(icc ? { icc } : {}),
  };
}

/** A page's amounts of process ink as the screen has them, where it covers anything. */
export function inkLook({ width, height, plates, amounts, alpha }: SeparatedPicture): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  const image = new ImageData(width, height);
  const at = PROCESS_PLATES.map((plate) => plates.indexOf(plate));
  for (let i = 0; i < width * height; i++) {
    const amount = (k: number): number => (at[k]! < 0 ? 0 : amounts[i * plates.length + at[k]!]!);
    for (let c = 0; c < 3; c++) image.data[4 * i + c] = ((255 - amount(c)) * (255 - amount(3))) / 255;
    image.data[4 * i + 3] = alpha ? alpha[i]! : 255;
  }
  canvas.getContext('2d')!.putImageData(image, 0, 0);
  return packed(canvas, true);
}

/** Amounts of ink as light that is left of white, until the press's own colours are there. */
function inkSeen({ width, height, colour }: Pixels): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const image = new ImageData(width, height);
  for (let i = 0; i < width * height; i++) {
    for (let c = 0; c < 3; c++) image.data[4 * i + c] = ((255 - colour[4 * i + c]!) * (255 - colour[4 * i + 3]!)) / 255;
    image.data[4 * i + 3] = 255;
  }
  canvas.getContext('2d')!.putImageData(image, 0, 0);
  return canvas;
}

/** Every n-th pixel and row: for pictures the browser cannot give the numbers of. */
function shrunk(pixels: Pixels, longest: number): Pixels {
  const step = Math.ceil(Math.max(pixels.width, pixels.height) / longest);
  if (step <= 1) return pixels;
  const [width, height] = [Math.floor(pixels.width / step), Math.floor(pixels.height / step)];
  const channels = pixels.colour.length / (pixels.width * pixels.height);
  const colour = new Uint8Array(width * height * channels);
  for (let y = 0, to = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const from = (y * step * pixels.width + x * step) * channels;
      for (let c = 0; c < channels; c++) colour[to++] = pixels.colour[from + c]!;
    }
  return { ...pixels, width, height, colour };
}
