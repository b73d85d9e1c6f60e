import { STANDARD_NAMES } from './letter-names';

/** What a bare CFF says of its glyphs (Adobe Technical Note 5176): how many, their names, and their codes. */
export interface CffFacts {
  count: number;
  /** The numbers of glyphs by their names; none where they are known by numbers alone. */
  names: ReadonlyMap<string, number>;
  /** The numbers of glyphs by their CIDs, where those are what they are known by. */
  cids: ReadonlyMap<number, number> | undefined;
  /** The numbers of glyphs by the codes that the font itself gives them. */
  codes: ReadonlyMap<number, number>;
}

const OPERATOR = { charset: 15, encoding: 16, charStrings: 17 };
const STANDARD_STRINGS = 391;
/** The second byte of the operator that says in which registry CIDs are. */
const ROS = 30;

export function cffFacts(cff: Uint8Array): CffFacts {
  const at = (from: number, size: number): number => {
    let n = 0;
    for (let i = 0; i < size; i++) n = n * 256 + (cff[from + i] ?? 0);
    return n;
  };
  /** Where each item of an index lies, and where the index ends. */
  const indexAt = (from: number): { items: [start: number, end: number][]; end: number } => {
    const count = at(from, 2);
    if (count === 0) return { items: [], end: from + 2 };
    const size = at(from + 2, 1);
    const base = from + 3 + (count + 1) * size - 1;
    const offset = (i: number): number => base + at(from + 3 + i * size, size);
    return {
      items: Array.from({ length: count }, (_, i) => [offset(i), offset(i + 1)] as [number, number]),
      end: offset(count),
    };
  };
  const names = indexAt(cff[2] ?? 4);
  const tops = indexAt(names.end);
  const strings = indexAt(tops.end).items;
  const top = new Map<number, number>();
  let isCid = false;
  const operands: number[] = [];
  const [from, to] = tops.items[0] ?? [0, 0];
  for (let i = from; i < to; ) {
    const byte = cff[i]!;
    if (byte === 28) {
      operands.push(at(i + 1, 2));
      i += 3;
    } else if (byte === 29) {
      operands.push(at(i + 1, 4));
      i += 5;
    } else if (byte === 30) {
      i++;
      while (i < to && (cff[i]! & 15) !== 15 && cff[i]! >> 4 !== 15) i++;
      i++;
      operands.push(0);
    } else if (byte >= 32 && byte <= 246) {
      operands.push(byte - 139);
      i++;
    } else if (byte >= 247) {
      operands.push(byte <= 250 ? (byte - 247) * 256 + cff[i + 1]! + 108 : -(byte - 251) * 256 - cff[i + 1]! - 108);
      i += 2;
    } else {
      if (byte !== 12) top.set(byte, operands.at(-1) ?? 0);
      else isCid ||= cff[i + 1] === ROS;
      operands.length = 0;
      i += byte === 12 ? 2 : 1;
    }
  }
  const charStrings = top.get(OPERATOR.charStrings);
  const count = charStrings ? at(charStrings, 2) : 0;
  const sids = charset(at, top.get(OPERATOR.charset) ?? 0, count);
  const nameOf = (sid: number): string | undefined => {
    const [start, end] = sid >= STANDARD_STRINGS ? (strings[sid - STANDARD_STRINGS] ?? [0, 0]) : [0, 0];
    return sid < STANDARD_STRINGS ? STANDARD_NAMES[sid] : String.fromCharCode(...cff.subarray(start, end));
  };
  return {
    count,
    cids: isCid ? new Map(sids.map((cid, glyph) => [cid, glyph])) : undefined,
    names: new Map(
      isCid
        ? []
        : sids.flatMap((sid, glyph) => {
            const name = nameOf(sid);
            return name ? [[name, glyph] as const] : [];
          }),
    ),
    codes: encoding(at, top.get(OPERATOR.encoding) ?? 0),
  };
}

type At = (from: number, size: number) => number;

/** The strings that name the glyphs, by their numbers. */
function charset(at: At, offset: number, count: number): number[] {
  // The charsets that ship with the standard: of the first, a glyph's number is its string's.
  if (offset <= 2) return Array.from({ length: count }, (_, i) => i);
  const sids = [0];
  const format = at(offset, 1);
  for (let i = offset + 1; sids.length < count; ) {
    const first = at(i, 2);
    if (format === 0) {
      sids.push(first);
      i += 2;
      continue;
    }
    const left = at(i + 2, format === 1 ? 1 : 2);
    for (let k = 0; k <= left && sids.length < count; k++) sids.push(first + k);
    i += format === 1 ? 3 : 4;
  }
  return sids;
}

function encoding(at: At, offset: number): Map<number, number> {
  const codes = new Map<number, number>();
  if (offset <= 1) return codes;
  const format = at(offset, 1) & 127;
  const count = at(offset + 1, 1);
  let glyph = 1;
  for (let i = 0; i < count; i++) {
    if (format === 0) {
      codes.set(at(offset + 2 + i, 1), glyph++);
      continue;
    }
    const first = at(offset + 2 + 2 * i, 1);
    for (let k = 0; k <= at(offset + 3 + 2 * i, 1); k++) codes.set(first + k, glyph++);
  }
  return codes;
}
