import { latin } from './latin';
import { type Dict, Name, Operator, Reader, Ref, Stream, SyntaxFault, type Value } from './syntax';

/** Where the objects of a file lie: by its tables or streams of places (ISO 32000-1, 7.5.4 and 7.5.8), or as they are found. */

/** An object's place: a byte of the file, or its number in an object stream. */
export type Place = { at: number } | { in: number; index: number };

export interface Places {
  places: Map<number, Place>;
  trailer: Dict;
  /** Whether places or objects are packed in streams. */
  packed: boolean;
}

/** What reads an object at a byte, and what a stream holds: its own places are not known yet. */
export interface RawReader {
  objectAt(at: number): Value;
  contentsOf(stream: Stream): Uint8Array;
}

const numberOf = (value: Value | undefined): number | undefined => (typeof value === 'number' ? value : undefined);

/** Where the newest table is: said near the end of the file, whatever follows it. */
const TAIL = 65_536;
function startOf(bytes: Uint8Array): number {
  const from = Math.max(0, bytes.length - TAIL);
  const found = [...latin(bytes.subarray(from)).matchAll(/startxref\s+(\d+)/g)].at(-1)?.[1];
  if (found === undefined) throw new SyntaxFault('The end of the file does not say where its table is');
  return Number(found);
}

/** More sections or objects than this no file has. */
const MOST_SECTIONS = 2000;
const MOST_OBJECTS = 8_000_000;

function readTable(reader: Reader, places: Places['places']): Dict {
  for (;;) {
    const from = reader.value();
    if (from instanceof Operator) break;
    const count = reader.value();
    if (typeof from !== 'number' || typeof count !== 'number' || count > MOST_OBJECTS)
      throw new SyntaxFault('A table of objects that is damaged');
    for (let i = 0; i < count; i++) {
      const [offset, , kind] = [reader.value(), reader.value(), reader.value()];
      const used = kind instanceof Operator && kind.word === 'n';
      if (used && !places.has(from + i)) places.set(from + i, { at: Number(offset) });
    }
  }
  const dict = reader.value();
  if (!(dict instanceof Map)) throw new SyntaxFault('The file has no trailer');
  return dict;
}

/** The places that a stream of them has: rows of numbers of so many bytes each (table 17). */
function readStream(stream: Stream, raw: RawReader, places: Places['places']): Dict {
  const { dict } = stream;
  const widths = dict.get('W');
  const size = numberOf(dict.get('Size')) ?? 0;
  if (!Array.isArray(widths) || widths.length < 3) throw new SyntaxFault('A stream of places that is damaged');
  const [kindWide = 0, firstWide = 0, secondWide = 0] = widths.map(Number);
  const given = dict.get('Index');
  const index = Array.isArray(given) ? given.map(Number) : [0, size];
  const bytes = raw.contentsOf(stream);
  const read = (from: number, wide: number): number => {
    let n = 0;
    for (let i = 0; i < wide; i++) n = n * 256 + (bytes[from + i] ?? 0);
    return n;
  };
  const row = kindWide + firstWide + secondWide;
  let at = 0;
  for (let i = 0; i + 1 < index.length; i += 2)
    for (let k = 0; k < index[i + 1]! && at + row <= bytes.length && row > 0; k++, at += row) {
      const kind = kindWide === 0 ? 1 : read(at, kindWide);
      const [first, second] = [read(at + kindWide, firstWide), read(at + kindWide + firstWide, secondWide)];
      const number = index[i]! + k;
      if (places.has(number)) continue;
      if (kind === 1) places.set(number, { at: first });
      if (kind === 2) places.set(number, { in: first, index: second });
    }
  return dict;
}

/** The places of objects, and the trailer; of sections that follow one another the newest counts. Throws SyntaxFault. */
export function placesOf(bytes: Uint8Array, raw: RawReader): Places {
  const places: Places['places'] = new Map();
  let trailer: Dict | undefined;
  let packed = false;
  const seen = new Set<number>();
  const rest: number[] = [startOf(bytes)];
  while (rest.length > 0) {
    const at = rest.shift()!;
    if (seen.has(at)) throw new SyntaxFault('The tables of the file run in a ring');
    if (seen.size > MOST_SECTIONS) throw new SyntaxFault('The file has more tables than any file needs');
    seen.add(at);
    const reader = new Reader(bytes, at);
    const first = reader.value();
    let dict: Dict;
    if (first instanceof Operator && first.word === 'xref') dict = readTable(reader, places);
    else {
      const stream = raw.objectAt(at);
      if (!(stream instanceof Stream)) throw new SyntaxFault('There is no table where the file says');
      dict = readStream(stream, raw, places);
      packed = true;
    }
    trailer ??= dict;
    const beside = numberOf(dict.get('XRefStm'));
    packed ||= beside !== undefined;
    if (beside !== undefined && !seen.has(beside)) {
      const stream = raw.objectAt(beside);
      if (stream instanceof Stream) readStream(stream, raw, places);
      seen.add(beside);
    }
    const before = numberOf(dict.get('Prev'));
    if (before !== undefined) rest.push(before);
  }
  return { places, trailer: trailer ?? new Map(), packed };
}

/** The places of objects as they are found in the bytes, the last of each number; for a file whose tables are damaged. */
export function placesFound(bytes: Uint8Array, raw: RawReader): Places {
  const places: Places['places'] = new Map();
  let trailer: Dict = new Map();
  const text = latin(bytes);
  for (const found of text.matchAll(/(?:^|[\s>])(\d{1,10})\s+(\d{1,5})\s+obj\b/g)) {
    const at = found.index + found[0].search(/\d/);
    places.set(Number(found[1]), { at });
  }
  for (const found of text.matchAll(/\btrailer\b/g)) {
    try {
      const dict = new Reader(bytes, found.index + 7).value();
      if (dict instanceof Map && (dict.has('Root') || trailer.size === 0)) trailer = new Map([...trailer, ...dict]);
    } catch {
      // A trailer that cannot be read is none.
    }
  }
  let packed = false;
  for (const [number, place] of [...places]) {
    if (!('at' in place)) continue;
    let value: Value;
    try {
      value = raw.objectAt(place.at);
    } catch {
      places.delete(number);
      continue;
    }
    const dict = value instanceof Stream ? value.dict : value instanceof Map ? value : undefined;
    const type = dict?.get('Type');
    const kind = type instanceof Name ? type.name : undefined;
    if (kind === 'Catalog' && !trailer.has('Root')) trailer.set('Root', new Ref(number, 0));
    if (kind === 'XRef' && dict && !trailer.has('Root')) for (const [key, each] of dict) trailer.set(key, each);
    if (kind !== 'ObjStm' || !(value instanceof Stream)) continue;
    packed = true;
    const count = Math.min(numberOf(value.dict.get('N')) ?? 0, MOST_OBJECTS);
    try {
      const reader = new Reader(raw.contentsOf(value));
      for (let i = 0; i < count; i++) {
        const inside = reader.value();
        reader.value();
        if (typeof inside === 'number' && !places.has(inside)) places.set(inside, { in: number, index: i });
      }
    } catch {
      // What a damaged stream held is lost.
    }
  }
  if (places.size === 0) throw new SyntaxFault('The file has no objects');
  return { places, trailer, packed };
}
