import { PROCESS_PLATES } from '../../../colour/ink';
import type { LaidPicture } from '../../../devices/plates/device';
import { unpackFax } from '../../../packed/fax';
import { unpackJbig2 } from '../../../packed/jbig2';
import { jpegPixels } from '../../../picture/jpeg-decode';
import { unpacked } from '../parsed/filters';
import { type Dict, Stream } from '../parsed/syntax';
import { arrayOf, type PdfView } from '../parsed/view';
import { BY_CHANNELS, RGB, type ScreenInks, type Space, screenBytes, spaceOf } from './spaces';

/** Pictures of a PDF as amounts of ink (ISO 32000-1, 8.9). */

export interface ImageRead {
  width: number;
  height: number;
  bits: number;
  space: string;
  /** Amounts by plate; undefined for a packing that is not read here. */
  laid: LaidPicture | undefined;
  /** One colour throughout, seen through `alpha` of this size. */
  stencil?: { width: number; height: number; amounts: Uint8Array };
}

/** A picture of more pixels than this is measured, but not looked into. */
export const MOST_PIXELS = 120_000_000;

const numberAt = ({ file }: PdfView, dict: Dict, key: string): number => {
  const found = file.get(dict.get(key));
  return typeof found === 'number' ? found : 0;
};

/** Samples as 8-bit bytes, whatever their depth; indexes stay what they are. */
function bytesOf(
  raw: Uint8Array,
  width: number,
  height: number,
  channels: number,
  bits: number,
  isIndex: boolean,
): Uint8Array {
  const row = width * channels;
  if (bits === 8) return raw.length >= row * height ? raw.subarray(0, row * height) : padded(raw, row * height);
  const out = new Uint8Array(row * height);
  const perRow = Math.ceil((row * bits) / 8);
  const top = (1 << bits) - 1;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < row; x++) {
      if (bits === 16) {
        out[y * row + x] = raw[y * perRow + 2 * x] ?? 0;
        continue;
      }
      const at = x * bits;
      const value = ((raw[y * perRow + (at >> 3)] ?? 0) >> (8 - bits - (at & 7))) & top;
      out[y * row + x] = isIndex ? value : Math.round((value * 255) / top);
    }
  return out;
}

function padded(raw: Uint8Array, length: number): Uint8Array {
  const out = new Uint8Array(length);
  out.set(raw);
  return out;
}

const CHANNELS = (n: number): n is 1 | 3 | 4 => n === 1 || n === 3 || n === 4;

/** By what they are packed with: the rows of pictures of two tones, a bit a pixel; undefined where they cannot be read. */
const TWO_TONES: Record<
  string,
  (view: PdfView, packed: Uint8Array, parms: Dict | undefined, width: number, height: number) => Uint8Array | undefined
> = {
  CCITTFaxDecode({ file }, packed, parms, width, height) {
    const given = (key: string): unknown => file.get(parms?.get(key));
    if ((given('Columns') ?? 1728) !== width) return undefined;
    const { bytes } = unpackFax(packed, {
      columns: width,
      rows: height,
      k: Number(given('K') ?? 0),
      aligned: given('EncodedByteAlign') === true,
    });
    return given('BlackIs1') === true ? bytes : turnedOver(bytes);
  },
  JBIG2Decode({ file }, packed, parms, width, height) {
    const shared = file.get(parms?.get('JBIG2Globals'));
    const globals = shared instanceof Stream ? unpacked(shared, file).bytes : undefined;
    const rows = unpackJbig2(packed, globals, width, height);
    return rows && turnedOver(rows);
  },
};

export const turnedOver = (bytes: Uint8Array): Uint8Array => bytes.map((byte) => 255 - byte);

/** The samples of a picture, a byte each; undefined where its packing is not read. */
function samplesOf(view: PdfView, stream: Stream, channels: number, isIndex: boolean): Uint8Array | undefined {
  const [width, height] = [numberAt(view, stream.dict, 'Width'), numberAt(view, stream.dict, 'Height')];
  const isMask = view.file.get(stream.dict.get('ImageMask')) === true;
  const bits = isMask ? 1 : numberAt(view, stream.dict, 'BitsPerComponent') || 8;
  const { bytes, left, parms } = unpacked(stream, view.file);
  if (!left) return bytesOf(bytes, width, height, channels, bits, isIndex);
  if (TWO_TONES[left] && channels === 1 && bits === 1) {
    const rows = TWO_TONES[left](view, bytes, parms, width, height);
    return rows && bytesOf(rows, width, height, 1, 1, isIndex);
  }
  if (left === 'JPXDecode') {
    const read = view.jpx.get(stream);
    return read && read.width === width && read.height === height && read.channels === channels
      ? read.samples
      : undefined;
  }
  if (left !== 'DCTDecode' || !CHANNELS(channels)) return undefined;
  try {
    const pixels = jpegPixels(bytes, channels);
    if (pixels.width !== width || pixels.height !== height) return undefined;
    // Pictures by themselves hold the opposite of each amount, and are turned as they are decoded; a PDF says what it holds.
    return channels === 4 ? turnedOver(pixels.colour) : pixels.colour;
  } catch {
    return undefined;
  }
}

/** The coverage that a soft mask or a stencil gives each pixel of a picture of so many. */
function coverageOf(view: PdfView, stream: Stream, width: number, height: number): Uint8Array | undefined {
  const mask = gray(view, stream);
  if (!mask) return undefined;
  if (mask.width === width && mask.height === height) return mask.amounts;
  const out = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      out[y * width + x] =
        mask.amounts[
          Math.floor(((y + 0.5) * mask.height) / height) * mask.width + Math.floor(((x + 0.5) * mask.width) / width)
        ]!;
  return out;
}

/** A picture of one channel as it shows what it masks: 255 where all shows. */
export function gray(
  view: PdfView,
  stream: Stream,
): { width: number; height: number; amounts: Uint8Array } | undefined {
  const { file } = view;
  const [width, height] = [numberAt(view, stream.dict, 'Width'), numberAt(view, stream.dict, 'Height')];
  if (!(width > 0 && height > 0 && width * height <= MOST_PIXELS)) return undefined;
  const samples = samplesOf(view, stream, 1, false);
  if (!samples) return undefined;
  const isStencil = file.get(stream.dict.get('ImageMask')) === true;
  const flips = file.get(arrayOf(file, stream.dict.get('Decode'))[0]) === 1;
  // A stencil paints where its sample is 0; a soft mask shows as much as it says.
  const turned = isStencil !== flips;
  return { width, height, amounts: turned ? turnedOver(samples) : samples };
}

function keyedOut(samples: Uint8Array, ranges: readonly number[], channels: number, pixels: number): Uint8Array {
  return Uint8Array.from({ length: pixels }, (_, i) => {
    for (let c = 0; c < channels; c++) {
      const value = samples[i * channels + c]!;
      if (value < ranges[2 * c]! || value > ranges[2 * c + 1]!) return 255;
    }
    return 0;
  });
}

/** Reads a picture. Its samples may be in any space; screen colours become inks as the press has them, or by a guess. */
export function imageOf(view: PdfView, stream: Stream, resources: Dict, screenInks?: ScreenInks): ImageRead {
  const { file } = view;
  const { dict } = stream;
  const [width, height] = [numberAt(view, dict, 'Width'), numberAt(view, dict, 'Height')];
  const jpx = view.jpx.get(stream);
  const bits = jpx ? 8 : numberAt(view, dict, 'BitsPerComponent') || 8;
  const space =
    dict.has('ColorSpace') || !jpx ? spaceOf(view, dict.get('ColorSpace'), resources) : BY_CHANNELS[jpx.channels];
  const facts = { width, height, bits, space: space?.says ?? 'none' };
  if (!space || space.channels === 0 || !(width > 0 && height > 0 && width * height <= MOST_PIXELS))
    return { ...facts, laid: undefined };
  const samples = samplesOf(view, stream, space.channels, space.channelsAre === 'indexes');
  if (!samples) return { ...facts, laid: undefined };
  const soft = file.get(dict.get('SMask'));
  const mask = file.get(dict.get('Mask'));
  const given = arrayOf(file, dict.get('Decode')).map((each) => Number(file.get(each)));
  if (soft instanceof Stream && width === 1 && height === 1) {
    const stencil = gray(view, soft);
    const laid = laidFrom(samples, 1, 1, space, given, screenInks);
    return { ...facts, laid, ...(stencil ? { stencil } : {}) };
  }
  const alpha =
    soft instanceof Stream
      ? coverageOf(view, soft, width, height)
      : mask instanceof Stream
        ? coverageOf(view, mask, width, height)
        : Array.isArray(mask)
          ? keyedOut(samples, mask.map(Number), space.channels, width * height)
          : undefined;
  return {
    ...facts,
    laid: { ...laidFrom(samples, width, height, space, given, screenInks), ...(alpha ? { alpha } : {}) },
  };
}

/** What a pixel's samples mean in their space. */
function valuesIn(space: Space, given: readonly number[]): (samples: Uint8Array, pixel: number) => number[] {
  const decode = given.length === 2 * space.channels ? given : space.decode;
  const isIndex = space.channelsAre === 'indexes' && given.length === 0;
  return (samples, pixel) =>
    Array.from({ length: space.channels }, (_, k) => {
      const byte = samples[pixel * space.channels + k]!;
      const [from, to] = [decode[2 * k]!, decode[2 * k + 1]!];
      return isIndex ? byte : from + (byte / 255) * (to - from);
    });
}

/** A picture in colours of a screen, as their bytes. */
function rgbOf(samples: Uint8Array, count: number, space: Space, given: readonly number[]): Uint8Array {
  const values = valuesIn(space, given);
  if (space.channels === 3 && space.decode === RGB.decode && given.every((each, i) => each === i % 2)) return samples;
  const bytesAt = (from: Uint8Array, pixel: number): number[] => screenBytes(space, values(from, pixel))!;
  const rgb = new Uint8Array(3 * count);
  // Of one channel there are no more than 256 colours.
  const known = space.channels === 1 ? Array.from({ length: 256 }, (_, i) => bytesAt(Uint8Array.of(i), 0)) : undefined;
  for (let i = 0; i < count; i++) rgb.set(known ? known[samples[i]!]! : bytesAt(samples, i), 3 * i);
  return rgb;
}

function laidFrom(
  samples: Uint8Array,
  width: number,
  height: number,
  space: Space,
  given: readonly number[],
  screenInks: ScreenInks | undefined,
): LaidPicture {
  if (screenInks && space.screen) {
    const amounts = screenInks(rgbOf(samples, width * height, space, given));
    return { width, height, plates: [...PROCESS_PLATES], amounts };
  }
  const values = valuesIn(space, given);
  const plates = Object.keys(space.plates(space.initial));
  const count = width * height;
  const amounts = new Uint8Array(count * plates.length);
  // Most pictures have inks for channels: their bytes are amounts already.
  const direct =
    space.channelsAre === 'inks' && plates.length === space.channels && given.every((each, i) => each === i % 2);
  if (direct) return { width, height, plates, amounts: samples };
  const known = new Map<number, readonly number[]>();
  for (let i = 0; i < count; i++) {
    let key = 0;
    for (let k = 0; k < space.channels; k++) key = key * 256 + samples[i * space.channels + k]!;
    let inks = known.get(key);
    if (!inks) {
      const all = space.plates(values(samples, i));
      inks = plates.map((plate) => Math.round(255 * Math.max(0, Math.min(1, all[plate] ?? 0))));
      if (known.size < 100_000) known.set(key, inks);
    }
    for (let k = 0; k < plates.length; k++) amounts[i * plates.length + k] = inks[k]!;
  }
  return { width, height, plates, amounts };
}
