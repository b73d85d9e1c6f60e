import { contentsOf } from './filters';
import { latin } from './latin';
import type { PdfFile } from './pdf-file';
import { type Place, type Places, placesFound, placesOf, type RawReader } from './places';
import {
  type Dict,
  Encrypted,
  Name,
  Operator,
  placeOfWord,
  Reader,
  Ref,
  STREAM_END,
  Stream,
  SyntaxFault,
  type Value,
} from './syntax';

function expectWord(reader: Reader, word: string): void {
  const value = reader.value();
  if (!(value instanceof Operator) || value.word !== word)
    throw new SyntaxFault(`“${word}” was expected before byte ${reader.at}`);
}

const LINE = { feed: 10, return: 13 };

/** Where the bytes of a stream end that does not say it rightly. */
function endOfStream(bytes: Uint8Array, from: number): number {
  const at = placeOfWord(bytes, STREAM_END, from);
  if (at < 0) return -1;
  const before =
    bytes[at - 1] === LINE.feed ? (bytes[at - 2] === LINE.return ? 2 : 1) : bytes[at - 1] === LINE.return ? 1 : 0;
  return Math.max(from, at - before);
}

/** How one object is read: strictly, or with what is wrong put right where that can be done. */
interface Reading {
  bytes: Uint8Array;
  repairs: boolean;
  lengthOf(value: Value | undefined): number | undefined;
  /** Something was put right. */
  tell?(what: string): void;
}

/** The object at a byte, whatever its number. */
function objectAt({ bytes, repairs, lengthOf, tell }: Reading, at: number, number?: number): Value {
  const reader = new Reader(bytes, at, repairs);
  const [written] = [reader.value(), reader.value()];
  if (typeof written !== 'number' || (number !== undefined && written !== number))
    throw new SyntaxFault(`Object ${number ?? ''} is not where the table says`);
  expectWord(reader, 'obj');
  let value = reader.value();
  if (reader.repaired) tell?.(`object ${written} holds what has no place there`);
  if (value instanceof Operator && value.word === 'endobj') return null;
  const after = reader.skip() ? reader.value() : null;
  if (typeof value === 'number' && typeof after === 'number') {
    value = new Ref(value, after);
    expectWord(reader, 'R');
  } else if (value instanceof Map && after instanceof Operator && after.word === 'stream') {
    if (bytes[reader.at] === LINE.return) reader.at++;
    if (bytes[reader.at] === LINE.feed) reader.at++;
    else if (!repairs) throw new SyntaxFault(`The stream of object ${written} does not begin on a new line`);
    const from = reader.at;
    const length = lengthOf(value.get('Length'));
    const ends = (end: number): boolean => {
      try {
        expectWord(new Reader(bytes, end), STREAM_END);
        return true;
      } catch {
        return false;
      }
    };
    if (length !== undefined && length >= 0 && ends(from + length))
      return new Stream(value, bytes.subarray(from, from + length));
    if (!repairs)
      throw new SyntaxFault(
        length === undefined
          ? `The stream of object ${written} has no length`
          : `“endstream” was expected before byte ${from + length}`,
      );
    const end = endOfStream(bytes, from);
    return new Stream(value, bytes.subarray(from, end < 0 ? bytes.length : end));
  }
  return value;
}

/** The objects that a stream holds, by their place in it (7.5.7). */
function objectsIn(stream: Stream, file: Pick<PdfFile, 'get'>): Value[] {
  const count = Number(file.get(stream.dict.get('N')) ?? 0);
  const first = Number(file.get(stream.dict.get('First')) ?? 0);
  const bytes = contentsOf(stream, file);
  const head = new Reader(bytes);
  const offsets: number[] = [];
  for (let i = 0; i < count && head.skip(); i++) {
    head.value();
    offsets.push(Number(head.value()));
  }
  return offsets.map((offset) => new Reader(bytes, first + offset).value());
}

const isPack = (value: Value): boolean => {
  const type = value instanceof Stream ? value.dict.get('Type') : undefined;
  return type instanceof Name && (type.name === 'ObjStm' || type.name === 'XRef');
};

/** References that lead to one another, and no further. */
const MOST_STEPS = 32;

/** Reads a file by places that are known. */
function fileBy(bytes: Uint8Array, version: string, { places, trailer, packed }: Places, repairs: boolean): PdfFile {
  const objects = new Map<number, Value>();
  const held = new Map<number, Value[]>();
  const going = new Set<number>();
  const lost: string[] = [];
  const get = (value: Value | undefined): Value | undefined => {
    let found = value;
    for (let i = 0; found instanceof Ref && i < MOST_STEPS; i++) found = objectOf(found.number);
    return found instanceof Ref ? null : found;
  };
  const reading: Reading = {
    bytes,
    repairs,
    tell: (what) => lost.push(what),
    lengthOf: (value) => {
      const found = get(value);
      return typeof found === 'number' ? found : undefined;
    },
  };
  const valueAt = (place: Place, number: number): Value => {
    if ('at' in place) return objectAt(reading, place.at, number);
    const stream = objectOf(place.in);
    if (!(stream instanceof Stream)) return null;
    const all = held.get(place.in) ?? objectsIn(stream, { get });
    held.set(place.in, all);
    return all[place.index] ?? null;
  };
  const objectOf = (number: number): Value => {
    const found = objects.get(number);
    if (found !== undefined) return found;
    const place = places.get(number);
    if (place === undefined || going.has(number)) return null;
    going.add(number);
    let value: Value = null;
    try {
      value = valueAt(place, number);
    } catch (error) {
      if (!repairs || !(error instanceof SyntaxFault)) throw error;
      lost.push(`object ${number} is lost`);
    }
    objects.set(number, value);
    return value;
  };
  for (const number of places.keys()) objectOf(number);
  return {
    version,
    trailer,
    objects,
    packsObjects: packed || [...objects.values()].some(isPack),
    repaired: lost.slice(0, 20),
    get,
  };
}

/** What reads objects while their places are not known: lengths have to stand by themselves. */
function rawReader(bytes: Uint8Array, repairs: boolean): RawReader {
  const lengthOf = (value: Value | undefined): number | undefined => (typeof value === 'number' ? value : undefined);
  const get = (value: Value | undefined): Value | undefined => (value instanceof Ref ? null : value);
  return {
    objectAt: (at) => objectAt({ bytes, repairs, lengthOf }, at),
    contentsOf: (stream) => contentsOf(stream, { get }),
  };
}

/** Before the head of a file some programs put other bytes; its places are counted from the head. */
const MOST_BEFORE = 1024;

/** Where a file begins, and its version. */
function headOf(bytes: Uint8Array): { from: number; version: string } {
  const text = latin(bytes.subarray(0, MOST_BEFORE + 16));
  const found = /%PDF-(\d\.\d)/.exec(text);
  if (!found) throw new SyntaxFault('The file does not begin as a PDF does');
  return { from: found.index, version: found[1]! };
}

/** Reads a file strictly, as a shop's machine may. Throws SyntaxFault where it is not a PDF or is damaged. */
export function parsePdf(bytes: Uint8Array): PdfFile {
  const { from, version } = headOf(bytes);
  if (from > 0) throw new SyntaxFault('The file does not begin as a PDF does');
  return fileBy(bytes, version, placesOf(bytes, rawReader(bytes, false)), false);
}

/**
 * Reads a file of any make, with what is damaged repaired where that can be done; `repaired` says so. Throws SyntaxFault
 * where it is no PDF, or nothing of it can be read.
 */
export function parseAnyPdf(given: Uint8Array): PdfFile {
  const { from, version } = headOf(given);
  const bytes = given.subarray(from);
  const before = from > 0 ? ['bytes before its head'] : [];
  const isWhole = ({ get, trailer }: PdfFile): boolean => {
    const root = get(trailer.get('Root'));
    return root instanceof Map && get(root.get('Pages')) instanceof Map;
  };
  try {
    const file = fileBy(bytes, version, placesOf(bytes, rawReader(bytes, true)), true);
    if (isWhole(file)) return { ...file, repaired: [...before, ...file.repaired] };
  } catch (error) {
    if (!(error instanceof SyntaxFault)) throw error;
  }
  const found = fileBy(bytes, version, placesFound(bytes, rawReader(bytes, true)), true);
  return { ...found, repaired: [...before, 'its table of objects', ...found.repaired] };
}

/** Throws SyntaxFault, with what to do, for a file whose contents are encrypted. */
export function refuseEncrypted({ trailer }: PdfFile): void {
  if (trailer.has('Encrypt'))
    throw new Encrypted(
      'The file is encrypted. Save it without a password and without limits on its use, then open it again',
    );
}

/** An operator of a content, and what stands before it. */
export interface Operation {
  word: string;
  given: readonly Value[];
}

/** What the short names in the dictionary of a picture in a content stand for (tables 93 and 94). */
const IN_FULL: Readonly<Record<string, string>> = {
  BPC: 'BitsPerComponent',
  CS: 'ColorSpace',
  D: 'Decode',
  DP: 'DecodeParms',
  F: 'Filter',
  H: 'Height',
  IM: 'ImageMask',
  I: 'Interpolate',
  W: 'Width',
};
const SPACES_IN_FULL: Readonly<Record<string, string>> = {
  G: 'DeviceGray',
  RGB: 'DeviceRGB',
  CMYK: 'DeviceCMYK',
  I: 'Indexed',
};

function pictureDict(given: readonly Value[]): Dict {
  const dict: Dict = new Map([['Subtype', new Name('Image')]]);
  for (let i = 0; i + 1 < given.length; i += 2) {
    const key = given[i];
    if (!(key instanceof Name)) continue;
    const full = IN_FULL[key.name] ?? key.name;
    const inFull = (value: Value): Value =>
      value instanceof Name ? new Name(SPACES_IN_FULL[value.name] ?? value.name) : value;
    const value = given[i + 1]!;
    dict.set(full, full !== 'ColorSpace' ? value : Array.isArray(value) ? value.map(inFull) : inFull(value));
  }
  return dict;
}

/** The operations of a content (7.8.2); a picture in it is the stream that `ID` is given. */
export function operationsOf(content: Uint8Array): Operation[] {
  const reader = new Reader(content);
  const operations: Operation[] = [];
  let given: Value[] = [];
  while (reader.skip()) {
    const value = reader.value();
    if (!(value instanceof Operator)) given.push(value);
    else {
      if (value.word === 'ID') {
        const from = reader.at + 1;
        reader.at = endOfPicture(content, reader.at);
        given = [new Stream(pictureDict(given), content.subarray(from, reader.at))];
      }
      operations.push({ word: value.word, given });
      given = [];
    }
  }
  return operations;
}

function endOfPicture(content: Uint8Array, from: number): number {
  const found = latin(content.subarray(from)).search(/\sEI(?=\s|$)/);
  return found < 0 ? content.length : from + found;
}
