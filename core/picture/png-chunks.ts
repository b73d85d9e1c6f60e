import { TooMuchPacked, unpackedSize } from '../packed/inflate';
import { joined } from '../packed/joined';
import { readExif } from './exif';
import { PictureError } from './limits';

const latin = (bytes: Uint8Array, from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));

/** What a PNG asks for besides its pixels (PNG specification, third edition, 11.3). */
export interface PngWishes {
  /** The power its samples are written by, where that is not sRGB's and no profile says more. */
  gamma?: number;
  /** How it is to be turned upright, 1 to 8. */
  orientation: number;
  /** Whether its rows come in passes, coarse ones first. */
  hasPasses: boolean;
}

/** sRGB's own power, nearly; and how far from it is the same to the eye. */
const SRGB_GAMMA = { is: 1 / 2.2, within: 0.02 };

/** Reads them from a PNG's chunks. */
export function pngWishes(bytes: Uint8Array): PngWishes {
  const chunks = chunksOf(bytes);
  const bodyOf = (type: string): Uint8Array | undefined => chunks.find((chunk) => chunk.type === type)?.body;
  const [told, exif] = [bodyOf('gAMA'), bodyOf('eXIf')];
  const isNamed = ['iCCP', 'sRGB', 'cICP'].some((type) => bodyOf(type));
  const gamma = told && told.length >= 4 ? new DataView(told.buffer, told.byteOffset).getUint32(0) / 100_000 : 0;
  const isOther = gamma > 0.05 && gamma < 5 && Math.abs(gamma - SRGB_GAMMA.is) > SRGB_GAMMA.within;
  return {
    orientation: exif ? readExif(exif).orientation : 1,
    hasPasses: bytes[28] === 1,
    ...(isOther && !isNamed ? { gamma } : {}),
  };
}

/** Whether there is more than one picture in it, shown one after another. */
export const isAnimated = (bytes: Uint8Array): boolean => chunksOf(bytes).some(({ type }) => type === 'acTL');

/** Chunks that the pixels and their colours come from. What else is in a file is not even looked at. */
const KEPT = new Set(['IHDR', 'PLTE', 'tRNS', 'iCCP', 'sRGB', 'gAMA', 'cHRM', 'pHYs', 'IDAT', 'IEND']);
/** Samples a pixel by colour type (PNG specification, 11.2.2). */
const SAMPLES: Readonly<Record<number, number>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };
const SIGNATURE = 8;
/** Larger than any profile of a press, in bytes. */
const MOST_PROFILE = 20_000_000;

interface Chunk {
  type: string;
  /** All of it, with its length and its sum. */
  whole: Uint8Array;
  body: Uint8Array;
}

function chunksOf(bytes: Uint8Array): Chunk[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const chunks: Chunk[] = [];
  for (let at = SIGNATURE; at + 12 <= bytes.length; ) {
    const length = view.getUint32(at);
    const type = latin(bytes, at + 4, at + 8);
    const end = Math.min(bytes.length, at + 12 + length);
    chunks.push({ type, whole: bytes.subarray(at, end), body: bytes.subarray(at + 8, Math.max(at + 8, end - 4)) });
    if (type === 'IEND') break;
    at += 12 + length;
  }
  return chunks;
}

function refuseBomb(packed: Uint8Array, most: number, words: string): void {
  try {
    unpackedSize(packed, 'zlib', most);
  } catch (error) {
    if (error instanceof TooMuchPacked) throw new PictureError(words);
    // Packed wrongly: the decoder says so.
  }
}

/** The part of a PNG that its pixels are made of. Throws PictureError where that unpacks to more than its size asks for. */
export function soundPng(bytes: Uint8Array, { width, height, bits }: { width: number; height: number; bits: number }) {
  const kept = chunksOf(bytes).filter(({ type }) => KEPT.has(type));
  const pixels = joined(kept.flatMap(({ type, body }) => (type === 'IDAT' ? [body] : [])));
  const row = Math.ceil((width * bits * (SAMPLES[bytes[25]!] ?? 4)) / 8);
  // Each row begins with a byte for its filter; interlaced, there are up to twice as many, and bits are left over in each.
  const most = row * height + 4 * (width + height) + 64;
  refuseBomb(
    pixels,
    most,
    `This PNG unpacks to far more than its ${width} × ${height} pixels. Save it again from its program.`,
  );
  for (const { type, body } of kept)
    if (type === 'iCCP')
      refuseBomb(
        body.subarray(body.indexOf(0) + 2),
        MOST_PROFILE,
        'The colour profile in this PNG is far larger than any. Save it again without it.',
      );
  return joined([bytes.subarray(0, SIGNATURE), ...kept.map(({ whole }) => whole)]);
}
