import { Jbig2Image } from 'pdfjs-dist/image_decoders/pdf.image_decoders.mjs';

/** Pictures of two tones packed as scanners do (ITU-T T.88), as a PDF holds them: segments without a file's head. */

const PAGE = 48;
/** Segments of plain pixels, which say first how wide and high they are. */
const PIXELS = [36, 38, 39];
/** The ends of a page, a stripe and the file, and what is said beside. */
const ENDS = [49, 50, 51, 62];
const NOT_KNOWN = 0xffffffff;

/** A segment’s kind and where its data lie (7.2); undefined where the head is damaged or of a length that is not told. */
function segmentAt(bytes: Uint8Array, at: number): { kind: number; from: number; to: number } | undefined {
  if (at + 11 > bytes.length) return undefined;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
  const number = view.getUint32(at);
  const flags = bytes[at + 4]!;
  let next = at + 6;
  let references = bytes[at + 5]! >> 5;
  if (references === 7) {
    references = view.getUint32(at + 5) & 0x1fffffff;
    next = at + 9 + ((references + 8) >> 3);
  }
  next += references * (number <= 256 ? 1 : number <= 65_536 ? 2 : 4) + ((flags & 64) > 0 ? 4 : 1);
  if (next + 4 > bytes.length) return undefined;
  const length = view.getUint32(next);
  const from = next + 4;
  return length === NOT_KNOWN || from + length > bytes.length
    ? undefined
    : { kind: flags & 63, from, to: from + length };
}

/**
 * The whole segments, where they are of plain pixels and none says that it is larger than the picture. What unpacks them takes
 * all that it is told for true: of a damaged list of letters it makes them without end.
 */
function plainPart(bytes: Uint8Array, width: number, height: number): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
  let at = 0;
  for (let segment = segmentAt(bytes, at); segment; segment = segmentAt(bytes, at)) {
    const { kind, from, to } = segment;
    if (kind === PAGE || PIXELS.includes(kind)) {
      if (to - from < 8) return undefined;
      const [wide, high] = [view.getUint32(from), view.getUint32(from + 4)];
      if (kind === PAGE ? wide !== width || high !== height : wide > width || high > height) return undefined;
    } else if (!ENDS.includes(kind)) return undefined;
    at = to;
  }
  return bytes.subarray(0, at);
}

/** The rows of a picture of that size, each of whole bytes, black 1; undefined where they cannot be read. */
export function unpackJbig2(
  packed: Uint8Array,
  shared: Uint8Array | undefined,
  width: number,
  height: number,
): Uint8Array | undefined {
  const parts = [...(shared ? [shared] : []), packed].flatMap((part) => plainPart(part, width, height) ?? []);
  if (parts.length < (shared ? 2 : 1)) return undefined;
  try {
    const rows = new Jbig2Image().parseChunks(parts.map((data) => ({ data, start: 0, end: data.length })));
    return rows?.length === Math.ceil(width / 8) * height ? Uint8Array.from(rows) : undefined;
  } catch {
    return undefined;
  }
}
