import { TooMuchPacked, unpackWithin } from '../../../packed/inflate';
import { unpackLzw } from '../../../packed/lzw';
import { unpackRuns } from '../../../packed/run-length';
import type { PdfFile } from './pdf-file';
import { type Dict, Name, type Stream, SyntaxFault, type Value } from './syntax';

/** How streams are packed (ISO 32000-1, 7.4): each filter's bytes unpacked, within bounds. */

type Get = Pick<PdfFile, 'get'>;

/** The most that one stream may hold: more is a bomb. */
export const MOST_UNPACKED = 400_000_000;

/** Filters that are a picture's own: its samples are decoded by whoever reads the picture. */
export const PICTURE_FILTERS = ['DCTDecode', 'DCT', 'JPXDecode', 'JBIG2Decode', 'CCITTFaxDecode', 'CCF'];

const SHORT: Readonly<Record<string, string>> = {
  A85: 'ASCII85Decode',
  AHx: 'ASCIIHexDecode',
  Fl: 'FlateDecode',
  LZW: 'LZWDecode',
  RL: 'RunLengthDecode',
  DCT: 'DCTDecode',
  CCF: 'CCITTFaxDecode',
};

const valuesOf = (value: Value | undefined, { get }: Get): readonly (Value | undefined)[] => {
  const found = get(value);
  return Array.isArray(found) ? found.map(get) : [found];
};

/** The names of a stream's filters, in their order, in full. */
export const filtersOf = (stream: Stream, file: Get): string[] =>
  valuesOf(stream.dict.get('Filter') ?? stream.dict.get('F'), file).flatMap((each) =>
    each instanceof Name ? [SHORT[each.name] ?? each.name] : [],
  );

function ascii85(packed: Uint8Array): Uint8Array {
  const out: number[] = [];
  let group: number[] = [];
  const flush = (count: number): void => {
    while (group.length < 5) group.push(84);
    let n = 0;
    for (const digit of group) n = n * 85 + digit;
    for (let i = 0; i < count; i++) out.push(Math.floor(n / 256 ** (3 - i)) & 255);
    group = [];
  };
  for (const byte of packed) {
    if (byte === 0x7e) break;
    if (byte === 0x7a && group.length === 0) out.push(0, 0, 0, 0);
    else if (byte >= 33 && byte <= 117) {
      group.push(byte - 33);
      if (group.length === 5) flush(4);
    }
  }
  if (group.length > 1) flush(group.length - 1);
  return Uint8Array.from(out);
}

function asciiHex(packed: Uint8Array): Uint8Array {
  let text = '';
  for (const byte of packed) {
    if (byte === 0x3e) break;
    text += String.fromCharCode(byte);
  }
  const digits = text.replace(/[^0-9a-f]/gi, '');
  return Uint8Array.from({ length: Math.ceil(digits.length / 2) }, (_, i) =>
    Number.parseInt(digits.slice(2 * i, 2 * i + 2).padEnd(2, '0'), 16),
  );
}

/** Rows without their predictor (7.4.4.4): TIFF's 2, or PNG's, whose rows each say theirs. */
function withoutPredictor(bytes: Uint8Array, parms: Dict | undefined, { get }: Get): Uint8Array {
  const number = (key: string, usual: number): number => {
    const found = get(parms?.get(key));
    return typeof found === 'number' ? found : usual;
  };
  const predictor = number('Predictor', 1);
  if (predictor < 2) return bytes;
  const [colours, depth, columns] = [number('Colors', 1), number('BitsPerComponent', 8), number('Columns', 1)];
  const step = Math.max(1, (colours * depth) >> 3);
  const row = Math.ceil((colours * depth * columns) / 8);
  if (!(row > 0 && row < 1e8)) throw new SyntaxFault('A stream says that its rows have no length');
  if (predictor === 2) {
    if (depth !== 8) return bytes;
    const out = bytes.slice();
    for (let i = 0; i < out.length; i++) if (i % row >= step) out[i] = (out[i]! + out[i - step]!) & 255;
    return out;
  }
  const rows = Math.ceil(bytes.length / (row + 1));
  const out = new Uint8Array(rows * row);
  for (let y = 0; y < rows; y++) {
    const from = y * (row + 1);
    out.set(bytes.subarray(from + 1, from + 1 + row), y * row);
    ADD_GUESS[bytes[from]!]?.(out, y * row, row, step);
  }
  return out;
}

/** By the kind of a row, adds to each of its bytes what was guessed from those before it. A byte wraps by itself. */
const ADD_GUESS: Record<number, (out: Uint8Array, start: number, row: number, step: number) => void> = {
  1: (out, start, row, step) => {
    for (let i = start + step; i < start + row; i++) out[i]! += out[i - step]!;
  },
  2: (out, start, row) => {
    if (start > 0) for (let i = start; i < start + row; i++) out[i]! += out[i - row]!;
  },
  3: (out, start, row, step) => {
    for (let i = start; i < start + row; i++) {
      const left = i >= start + step ? out[i - step]! : 0;
      out[i]! += (left + (start > 0 ? out[i - row]! : 0)) >> 1;
    }
  },
  4: (out, start, row, step) => {
    for (let i = start; i < start + row; i++) {
      const [left, up] = [i >= start + step ? out[i - step]! : 0, start > 0 ? out[i - row]! : 0];
      out[i]! += paeth(left, up, i >= start + step && start > 0 ? out[i - row - step]! : 0);
    }
  },
};

function paeth(a: number, b: number, c: number): number {
  const p = a + b - c;
  const [pa, pb, pc] = [Math.abs(p - a), Math.abs(p - b), Math.abs(p - c)];
  return pa <= pb && pa <= pc ? a : pb <= pc ? b : c;
}

/**
 * What a stream holds once its filters are undone, as far as a picture's own filter: that one is named in `left`.
 * Throws SyntaxFault where it is damaged or holds too much.
 */
export function unpacked(
  stream: Stream,
  file: Get,
): { bytes: Uint8Array; left: string | undefined; parms: Dict | undefined } {
  const filters = filtersOf(stream, file);
  const parms = valuesOf(stream.dict.get('DecodeParms') ?? stream.dict.get('DP'), file);
  let bytes = stream.raw;
  for (const [i, filter] of filters.entries()) {
    const given = parms[i];
    const own = given instanceof Map ? given : undefined;
    if (PICTURE_FILTERS.includes(filter)) return { bytes, left: filter, parms: own };
    try {
      if (filter === 'FlateDecode') bytes = withoutPredictor(inflated(bytes), own, file);
      else if (filter === 'LZWDecode') {
        const early = file.get(own?.get('EarlyChange'));
        bytes = withoutPredictor(unpackLzw(bytes, MOST_UNPACKED, early === 0 ? 0 : 1), own, file);
      } else if (filter === 'RunLengthDecode') bytes = unpackRuns(bytes, MOST_UNPACKED, 'PDF');
      else if (filter === 'ASCII85Decode') bytes = ascii85(bytes);
      else if (filter === 'ASCIIHexDecode') bytes = asciiHex(bytes);
      else if (filter !== 'Crypt') throw new SyntaxFault(`A stream is packed by ${filter}, which nobody knows`);
    } catch (error) {
      if (error instanceof SyntaxFault) throw error;
      if (error instanceof TooMuchPacked) throw new SyntaxFault('A stream holds more than any page needs');
      throw new SyntaxFault('A stream is damaged and cannot be unpacked');
    }
  }
  return { bytes, left: undefined, parms: undefined };
}

function inflated(packed: Uint8Array): Uint8Array {
  return packed.length === 0 ? packed : unpackWithin(packed, 'zlib', MOST_UNPACKED);
}

/** What a stream holds. Throws SyntaxFault where it is damaged, or is a picture's. */
export function contentsOf(stream: Stream, file: Get): Uint8Array {
  const { bytes, left } = unpacked(stream, file);
  if (left) throw new SyntaxFault(`A content is packed by ${left}`);
  return bytes;
}
