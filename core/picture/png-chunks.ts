import { TooMuchPacked, unpackedSize } from '../packed/inflate';
import { joined } from '../packed/joined';
import { PictureError } from './limits';

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
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
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
