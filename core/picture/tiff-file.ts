import { zlibSync } from 'fflate';
import { unpackWithin } from '../packed/inflate';

/** A TIFF 6.0 file of one picture: separated CMYK or grey, 8 bits, packed by Deflate (Adobe's technical note 3, 2002). */

export interface TiffAsked {
  width: number;
  height: number;
  /** 4: the amounts of cyan, magenta, yellow and black, 255 solid. 1: grey, 0 black. */
  channels: 1 | 4;
  data: Uint8Array;
  ppi: number;
  /** The ICC profile that the numbers mean. */
  profile?: Uint8Array;
  /** What it is, in ASCII. */
  description: string;
}

const SHORT = 3;
const LONG = 4;
const ASCII = 2;
const RATIONAL = 5;
const UNDEFINED = 7;

/** Rows that are packed together: readers hold one strip at a time. */
const ROWS = 64;

interface Entry {
  tag: number;
  type: number;
  count: number;
  bytes: Uint8Array;
}

const u16 = (...values: number[]): Uint8Array => new Uint8Array(Uint16Array.from(values).buffer);
const u32 = (...values: number[]): Uint8Array => new Uint8Array(Uint32Array.from(values).buffer);
const short = (tag: number, ...values: number[]): Entry => ({
  tag,
  type: SHORT,
  count: values.length,
  bytes: u16(...values),
});
const long = (tag: number, ...values: number[]): Entry => ({
  tag,
  type: LONG,
  count: values.length,
  bytes: u32(...values),
});
const ascii = (tag: number, text: string): Entry => {
  const bytes = Uint8Array.from([...text.replace(/[^ -~]/g, '?'), '\0'], (c) => c.charCodeAt(0));
  return { tag, type: ASCII, count: bytes.length, bytes };
};

/** Each byte as its difference from the one of the same channel before it (TIFF 6.0, section 14). */
function differences(rows: Uint8Array, width: number, channels: number): Uint8Array {
  const out = rows.slice();
  const line = width * channels;
  for (let start = 0; start < out.length; start += line)
    for (let i = line - 1; i >= channels; i--) out[start + i] = rows[start + i]! - rows[start + i - channels]!;
  return out;
}

/** Writes the file, bytes in little-endian order. */
export function writeTiff({ width, height, channels, data, ppi, profile, description }: TiffAsked): Uint8Array {
  const line = width * channels;
  const strips: Uint8Array[] = [];
  for (let row = 0; row < height; row += ROWS)
    strips.push(
      zlibSync(differences(data.subarray(row * line, Math.min(height, row + ROWS) * line), width, channels), {
        level: 4,
      }),
    );
  const resolution = u32(Math.round(ppi * 1000), 1000);
  const entries: Entry[] = [
    long(256, width),
    long(257, height),
    short(258, ...new Array<number>(channels).fill(8)),
    // Deflate.
    short(259, 8),
    // Separated; or black is zero.
    short(262, channels === 4 ? 5 : 1),
    ascii(270, description),
    short(277, channels),
    long(278, ROWS),
    { tag: 282, type: RATIONAL, count: 1, bytes: resolution },
    { tag: 283, type: RATIONAL, count: 1, bytes: resolution },
    short(284, 1),
    // Inches.
    short(296, 2),
    short(317, 2),
    ...(channels === 4 ? [short(332, 1)] : []),
    ...(profile ? [{ tag: 34675, type: UNDEFINED, count: profile.length, bytes: profile }] : []),
  ];
  // Strips come first, then what does not fit into the entries, then the directory.
  let at = 8;
  const offsets = strips.map((strip) => {
    const here = at;
    at += strip.length + (strip.length % 2);
    return here;
  });
  entries.push(long(273, ...offsets), long(279, ...strips.map(({ length }) => length)));
  entries.sort((a, b) => a.tag - b.tag);
  const places = entries.map(({ bytes }) => {
    if (bytes.length <= 4) return undefined;
    const here = at;
    at += bytes.length + (bytes.length % 2);
    return here;
  });
  const out = new Uint8Array(at + 2 + 12 * entries.length + 4);
  const view = new DataView(out.buffer);
  out.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, at, true);
  strips.forEach((strip, i) => {
    out.set(strip, offsets[i]);
  });
  view.setUint16(at, entries.length, true);
  entries.forEach(({ tag, type, count, bytes }, i) => {
    const entry = at + 2 + 12 * i;
    view.setUint16(entry, tag, true);
    view.setUint16(entry + 2, type, true);
    view.setUint32(entry + 4, count, true);
    const place = places[i];
    if (place === undefined) out.set(bytes, entry + 8);
    else {
      out.set(bytes, place);
      view.setUint32(entry + 8, place, true);
    }
  });
  return out;
}

/** What the head of a file that `writeTiff` wrote says. */
export interface TiffHead {
  width: number;
  height: number;
  channels: 1 | 4;
  ppi: number;
  profile?: Uint8Array;
  strips: { at: number; length: number }[];
}

/** Reads the head of a file of this app's own; undefined for a TIFF of another kind, and for a damaged one. */
export function readOwnTiff(bytes: Uint8Array): TiffHead | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 14 || view.getUint32(0, true) !== 0x002a4949) return undefined;
  const ifd = view.getUint32(4, true);
  if (ifd + 2 > bytes.length) return undefined;
  const count = view.getUint16(ifd, true);
  if (ifd + 2 + 12 * count > bytes.length) return undefined;
  const entries = new Map<number, { at: number; count: number; type: number }>();
  for (let i = 0; i < count; i++) {
    const entry = ifd + 2 + 12 * i;
    const [type, many] = [view.getUint16(entry + 2, true), view.getUint32(entry + 4, true)];
    const size = many * ({ [SHORT]: 2, [LONG]: 4, [RATIONAL]: 8 }[type] ?? 1);
    const at = size <= 4 ? entry + 8 : view.getUint32(entry + 8, true);
    if (at + size > bytes.length) return undefined;
    entries.set(view.getUint16(entry, true), { at, count: many, type });
  }
  const numbers = (tag: number): number[] => {
    const entry = entries.get(tag);
    if (!entry) return [];
    const { at, type } = entry;
    return Array.from({ length: entry.count }, (_, i) =>
      type === SHORT ? view.getUint16(at + 2 * i, true) : view.getUint32(at + 4 * i, true),
    );
  };
  const one = (tag: number): number | undefined => numbers(tag)[0];
  const [width, height, channels] = [one(256) ?? 0, one(257) ?? 0, one(277)];
  const isOurs =
    (channels === 1 || channels === 4) &&
    numbers(258).every((bits) => bits === 8) &&
    one(259) === 8 &&
    one(262) === (channels === 4 ? 5 : 1) &&
    one(278) === ROWS &&
    one(284) === 1 &&
    one(317) === 2;
  const [places, lengths] = [numbers(273), numbers(279)];
  if (!isOurs || places.length !== Math.ceil(height / ROWS) || lengths.length !== places.length) return undefined;
  const resolution = entries.get(282);
  const profile = entries.get(34675);
  return {
    width,
    height,
    channels,
    ppi: resolution ? view.getUint32(resolution.at, true) / view.getUint32(resolution.at + 4, true) : 0,
    ...(profile ? { profile: bytes.slice(profile.at, profile.at + profile.count) } : {}),
    strips: places.map((at, i) => ({ at, length: lengths[i]! })),
  };
}

/** The channels of a file of this app's own, a pixel after another. Throws where it is damaged. */
export function ownTiffData(bytes: Uint8Array, { width, height, channels, strips }: TiffHead): Uint8Array {
  const line = width * channels;
  const out = new Uint8Array(line * height);
  for (const [i, { at, length }] of strips.entries()) {
    const rows = Math.min(ROWS, height - i * ROWS);
    const strip = unpackWithin(bytes.subarray(at, at + length), 'zlib', rows * line);
    if (strip.length !== rows * line) throw new Error('a strip of a TIFF is too short');
    for (let start = 0; start < strip.length; start += line)
      for (let x = channels; x < line; x++) strip[start + x]! += strip[start + x - channels]!;
    out.set(strip, i * ROWS * line);
  }
  return out;
}
