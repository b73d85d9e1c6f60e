import { decode as decodePngFile } from 'fast-png';
import type { ColourSpace } from '../colour/engine';
import { jpegPixels } from './jpeg-decode';
import { PictureError } from './limits';
import { soundPng } from './png-chunks';
import { isSideways, type PictureFacts, probePicture } from './probe';
import { ownTiffData, readOwnTiff } from './tiff-file';

/** Pixels as they should be seen: turned upright, 8 bits a channel, colour and alpha apart. */
export interface Pixels {
  width: number;
  height: number;
  space: ColourSpace;
  colour: Uint8Array;
  /** Coverage, one byte a pixel, where the picture has any transparency. */
  alpha?: Uint8Array;
  /** The profile the numbers mean; sRGB is meant where there is none. */
  icc?: Uint8Array;
  /** Black and white alone: line art, which is not screened. */
  lineArt?: true;
}

const SPACE_BY_CHANNELS: Record<number, ColourSpace> = { 1: 'GRAY', 3: 'RGB', 4: 'CMYK' };

function decodeJpeg(bytes: Uint8Array, { channels, icc }: PictureFacts): Pixels {
  const space = SPACE_BY_CHANNELS[channels];
  if (!space)
    throw new PictureError(`This JPEG has ${channels} channels; 1, 3 or 4 can be used. Save it as RGB or CMYK.`);
  return { ...jpegPixels(bytes, channels as 1 | 3 | 4), space, ...(icc ? { icc } : {}) };
}

function decodePng(bytes: Uint8Array, facts: PictureFacts): Pixels {
  const sound = soundPng(bytes, facts);
  let png: ReturnType<typeof decodePngFile>;
  try {
    png = decodePngFile(sound, { checkCrc: true });
  } catch {
    throw new PictureError('This PNG is damaged or cut short. Get the file again, or save it again from its program.');
  }
  const { width, height, depth, channels, palette } = png;
  const count = width * height;
  const data = png.data;
  const byte = (i: number): number => (depth === 16 ? data[i]! >> 8 : data[i]!);
  const opaque = palette ? (palette[0]?.length ?? 3) === 3 : channels === 1 || channels === 3;
  const colours = palette ? 3 : channels <= 2 ? 1 : 3;
  const colour = new Uint8Array(count * colours);
  const alpha = new Uint8Array(count).fill(255);
  const low = depth < 8;
  const sampleAt = (pixel: number): number => {
    if (!low) return data[pixel]!;
    const perRow = Math.ceil((width * depth) / 8);
    const bit = (pixel % width) * depth;
    const cell = data[Math.floor(pixel / width) * perRow + (bit >> 3)]!;
    return (cell >> (8 - depth - (bit & 7))) & ((1 << depth) - 1);
  };
  for (let i = 0; i < count; i++) {
    if (palette) {
      const entry = palette[sampleAt(i)] ?? [0, 0, 0];
      colour.set(entry.slice(0, 3), i * 3);
      if (!opaque) alpha[i] = entry[3] ?? 255;
    } else if (low) colour[i] = Math.round((sampleAt(i) * 255) / ((1 << depth) - 1));
    else {
      for (let c = 0; c < colours; c++) colour[i * colours + c] = byte(i * channels + c);
      if (!opaque) alpha[i] = byte(i * channels + channels - 1);
    }
  }
  if (png.transparency && !palette) {
    const key = png.transparency;
    for (let i = 0; i < count; i++) {
      if (
        Array.from({ length: channels }, (_, c) => c).every(
          (c) => (low ? sampleAt(i) : data[i * channels + c]) === key[c],
        )
      )
        alpha[i] = 0;
    }
  }
  const icc = png.iccEmbeddedProfile?.profile;
  return {
    width,
    height,
    space: colours === 1 ? 'GRAY' : 'RGB',
    colour,
    ...(alpha.some((a) => a < 255) ? { alpha } : {}),
    ...(icc ? { icc } : {}),
    ...(depth === 1 && !palette ? { lineArt: true } : {}),
  };
}

/** Where the pixel shown at (x, y) is stored, for each EXIF orientation (CIPA DC-008, tag 0x0112). */
const STORED_AT: Record<number, (x: number, y: number, w: number, h: number) => [number, number]> = {
  2: (x, y, w) => [w - 1 - x, y],
  3: (x, y, w, h) => [w - 1 - x, h - 1 - y],
  4: (x, y, _w, h) => [x, h - 1 - y],
  5: (x, y) => [y, x],
  6: (x, y, _w, h) => [y, h - 1 - x],
  7: (x, y, w, h) => [w - 1 - y, h - 1 - x],
  8: (x, y, w) => [w - 1 - y, x],
};

/** Pixels turned and mirrored so that they stand upright. */
export function turnUpright(pixels: Pixels, orientation: number): Pixels {
  const storedAt = STORED_AT[orientation];
  if (!storedAt) return pixels;
  const { width, height } = pixels;
  const [w, h] = isSideways(orientation) ? [height, width] : [width, height];
  const turned = (data: Uint8Array): Uint8Array => {
    const channels = data.length / (width * height);
    const out = new Uint8Array(data.length);
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        const [sx, sy] = storedAt(x, y, width, height);
        const from = (sy * width + sx) * channels;
        for (let c = 0; c < channels; c++) out[(y * w + x) * channels + c] = data[from + c]!;
      }
    return out;
  };
  const { colour, alpha } = pixels;
  return { ...pixels, width: w, height: h, colour: turned(colour), ...(alpha ? { alpha: turned(alpha) } : {}) };
}

/** CMYK as it was taken in. */
function decodeTiff(bytes: Uint8Array, { width, height, channels, icc }: PictureFacts): Pixels {
  try {
    const colour = ownTiffData(bytes, readOwnTiff(bytes)!);
    return { width, height, space: SPACE_BY_CHANNELS[channels]!, colour, ...(icc ? { icc } : {}) };
  } catch {
    throw new PictureError('This picture is damaged. Take it in again from the file it came from.');
  }
}

/** Decodes a picture that the app keeps to upright pixels. Throws PictureError with words for the user. */
export function decodePicture(bytes: Uint8Array): Pixels {
  const facts = probePicture(bytes);
  if (facts.type === 'image/tiff') return decodeTiff(bytes, facts);
  return facts.type === 'image/jpeg'
    ? turnUpright(decodeJpeg(bytes, facts), facts.orientation)
    : decodePng(bytes, facts);
}
