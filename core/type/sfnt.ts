import { unpackWithin } from '../packed/inflate';

/** The container of a font file (ISO/IEC 14496-22, 4.3): named tables behind a directory. Big-endian throughout. */
export interface Sfnt {
  /** 0x00010000 or 'true' for TrueType outlines, 'OTTO' for CFF. */
  flavour: number;
  tables: Map<string, Uint8Array>;
}

/** A font file that cannot be used; the message says why and what to do. */
export class FontError extends Error {}

const BROKEN = 'This font file is broken or cut short. Get it again from where it came from.';
const TRUETYPE = 0x00010000;
const APPLE_TRUETYPE = 0x74727565;
const CFF = 0x4f54544f;
const COLLECTION = 0x74746366;
export const WOFF = 0x774f4646;
export const WOFF2 = 0x774f4632;
/** The largest font file, and the largest one unpacked, in bytes. */
export const FONT_LIMIT = 60_000_000;

const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const tagAt = (view: DataView, at: number): string =>
  String.fromCharCode(view.getUint8(at), view.getUint8(at + 1), view.getUint8(at + 2), view.getUint8(at + 3));

export const signatureOf = (bytes: Uint8Array): number => (bytes.length < 12 ? 0 : viewOf(bytes).getUint32(0));

function slice(bytes: Uint8Array, at: number, length: number): Uint8Array {
  if (at + length > bytes.length) throw new FontError(BROKEN);
  return bytes.subarray(at, at + length);
}

/** Fonts of a collection that are looked at: the largest ones in use have some forty. */
const MOST_OF_COLLECTION = 256;

/** Where the fonts of a collection begin (ISO/IEC 14496-22, 4.6.3); nothing for a file of one font. Throws FontError. */
export function collectionOffsets(bytes: Uint8Array): number[] {
  if (signatureOf(bytes) !== COLLECTION) return [];
  const view = viewOf(bytes);
  const count = view.getUint32(8);
  if (count === 0 || count > MOST_OF_COLLECTION || 12 + 4 * count > bytes.length) throw new FontError(BROKEN);
  return Array.from({ length: count }, (_, i) => view.getUint32(12 + 4 * i));
}

/** Reads the tables of a TrueType or OpenType file, or of the font that begins `from` so many bytes. Throws FontError. */
export function readSfnt(bytes: Uint8Array, from = 0): Sfnt {
  if (from > 0 && from + 12 > bytes.length) throw new FontError(BROKEN);
  const flavour = signatureOf(bytes.subarray(from));
  if (flavour === COLLECTION)
    throw new FontError('This file is a collection of fonts: add it anew, and choose the ones you need.');
  if (flavour !== TRUETYPE && flavour !== APPLE_TRUETYPE && flavour !== CFF)
    throw new FontError('This is not a font file. Choose a TTF, OTF, TTC, WOFF or WOFF2 file.');
  const view = viewOf(bytes);
  const count = view.getUint16(from + 4);
  if (from + 12 + count * 16 > bytes.length) throw new FontError(BROKEN);
  const tables = new Map<string, Uint8Array>();
  for (let i = 0; i < count; i++) {
    const at = from + 12 + i * 16;
    tables.set(tagAt(view, at), slice(bytes, view.getUint32(at + 8), view.getUint32(at + 12)));
  }
  return { flavour, tables };
}

function checksum(table: Uint8Array): number {
  let sum = 0;
  for (let i = 0; i < table.length; i += 4)
    sum =
      (sum + ((table[i]! << 24) | ((table[i + 1] ?? 0) << 16) | ((table[i + 2] ?? 0) << 8) | (table[i + 3] ?? 0))) >>>
      0;
  return sum;
}

/** Writes tables as a font file, in the order of their tags, each padded to four bytes. */
export function writeSfnt({ flavour, tables }: Sfnt): Uint8Array {
  const sorted = [...tables].sort(([a], [b]) => (a < b ? -1 : 1));
  const padded = (n: number): number => (n + 3) & ~3;
  const start = 12 + sorted.length * 16;
  const out = new Uint8Array(sorted.reduce((n, [, table]) => n + padded(table.length), start));
  const view = viewOf(out);
  const power = 2 ** Math.floor(Math.log2(Math.max(1, sorted.length)));
  view.setUint32(0, flavour);
  view.setUint16(4, sorted.length);
  view.setUint16(6, power * 16);
  view.setUint16(8, Math.log2(power));
  view.setUint16(10, (sorted.length - power) * 16);
  let at = start;
  sorted.forEach(([tag, table], i) => {
    const row = 12 + i * 16;
    for (let c = 0; c < 4; c++) out[row + c] = tag.charCodeAt(c);
    view.setUint32(row + 4, checksum(table));
    view.setUint32(row + 8, at);
    view.setUint32(row + 12, table.length);
    out.set(table, at);
    at += padded(table.length);
  });
  return out;
}

/** Unpacks a WOFF 1.0 file (W3C Recommendation of 13 December 2012). Throws FontError. */
export function unpackWoff(bytes: Uint8Array): Uint8Array {
  const view = viewOf(bytes);
  if (bytes.length < 44) throw new FontError(BROKEN);
  const count = view.getUint16(12);
  if (44 + count * 20 > bytes.length || view.getUint32(16) > FONT_LIMIT) throw new FontError(BROKEN);
  const tables = new Map<string, Uint8Array>();
  for (let i = 0; i < count; i++) {
    const at = 44 + i * 20;
    const [from, packed, length] = [view.getUint32(at + 4), view.getUint32(at + 8), view.getUint32(at + 12)];
    if (packed > length || length > FONT_LIMIT) throw new FontError(BROKEN);
    const stored = slice(bytes, from, packed);
    tables.set(tagAt(view, at), packed === length ? stored : inflated(stored, length));
  }
  return writeSfnt({ flavour: view.getUint32(4), tables });
}

function inflated(stored: Uint8Array, length: number): Uint8Array {
  try {
    // Room for no more than the directory promised: a bomb stops there.
    const out = unpackWithin(stored, 'zlib', length);
    if (out.length === length) return out;
  } catch {
    // said below
  }
  throw new FontError(BROKEN);
}
