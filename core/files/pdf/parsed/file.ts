import { type Dict, Name, Operator, Reader, Ref, Stream, SyntaxFault, type Value } from './syntax';

/** A PDF file with a plain cross-reference table (ISO 32000-1, 7.5.4), read for what it says and nothing else. */
export interface PdfFile {
  version: string;
  trailer: Dict;
  /** All objects by number. */
  objects: ReadonlyMap<number, Value>;
  /** Whether any object lies in an object stream or a cross-reference stream (7.5.7 and 7.5.8). */
  packsObjects: boolean;
  /** What a value is, past any references. */
  get(value: Value | undefined): Value | undefined;
}

const latin = (bytes: Uint8Array): string => {
  let out = '';
  for (let i = 0; i < bytes.length; i += 8192) out += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return out;
};

function expectWord(reader: Reader, word: string): void {
  const value = reader.value();
  if (!(value instanceof Operator) || value.word !== word)
    throw new SyntaxFault(`“${word}” was expected before byte ${reader.at}`);
}

/** The places of objects, and the trailer; of tables that follow one another the newest counts. */
function readTable(bytes: Uint8Array): { places: Map<number, number>; trailer: Dict; packsObjects: boolean } {
  const tail = latin(bytes.subarray(-1100));
  const start = /startxref\s+(\d+)\s+%%EOF\s*$/.exec(tail)?.[1];
  if (start === undefined) throw new SyntaxFault('The end of the file does not say where its table is');
  const places = new Map<number, number>();
  let trailer: Dict | undefined;
  const seen = new Set<number>();
  let packsObjects = false;
  for (let at: number | undefined = Number(start); at !== undefined; ) {
    if (seen.has(at)) throw new SyntaxFault('The tables of the file run in a ring');
    seen.add(at);
    const reader: Reader = new Reader(bytes, at);
    const first = reader.value();
    if (!(first instanceof Operator) || first.word !== 'xref') {
      // Its objects cannot be found without the stream: what is asked of such a file is whether it has one.
      packsObjects = true;
      break;
    }
    for (;;) {
      const from = reader.value();
      if (from instanceof Operator) break;
      const count = reader.value();
      if (typeof from !== 'number' || typeof count !== 'number')
        throw new SyntaxFault('A table of objects that is damaged');
      for (let i = 0; i < count; i++) {
        const [offset, , kind] = [reader.value(), reader.value(), reader.value()];
        const used = kind instanceof Operator && kind.word === 'n';
        if (used && !places.has(from + i)) places.set(from + i, Number(offset));
      }
    }
    const dict: Value = reader.value();
    if (!(dict instanceof Map)) throw new SyntaxFault('The file has no trailer');
    trailer ??= dict;
    packsObjects ||= dict.has('XRefStm');
    const previous: Value | undefined = dict.get('Prev');
    at = typeof previous === 'number' ? previous : undefined;
  }
  return { places, trailer: trailer ?? new Map(), packsObjects };
}

const END = [10, 13];

/** Reads a file. Throws SyntaxFault where it is not a PDF or is damaged. */
export function parsePdf(bytes: Uint8Array): PdfFile {
  const version = /^%PDF-(\d\.\d)/.exec(latin(bytes.subarray(0, 16)))?.[1];
  if (!version) throw new SyntaxFault('The file does not begin as a PDF does');
  const { places, trailer, packsObjects } = readTable(bytes);
  const objects = new Map<number, Value>();
  const going = new Set<number>();
  const get = (value: Value | undefined): Value | undefined =>
    value instanceof Ref ? get(objectOf(value.number)) : value;
  const objectOf = (number: number): Value => {
    const found = objects.get(number);
    if (found !== undefined) return found;
    const place = places.get(number);
    if (place === undefined || going.has(number)) return null;
    going.add(number);
    const reader = new Reader(bytes, place);
    const [written] = [reader.value(), reader.value()];
    if (written !== number) throw new SyntaxFault(`Object ${number} is not where the table says`);
    expectWord(reader, 'obj');
    let value = reader.value();
    const after = reader.value();
    if (typeof value === 'number' && typeof after === 'number') {
      value = new Ref(value, after);
      expectWord(reader, 'R');
    } else if (value instanceof Map && after instanceof Operator && after.word === 'stream') {
      if (bytes[reader.at] === END[1]) reader.at++;
      if (bytes[reader.at] !== END[0])
        throw new SyntaxFault(`The stream of object ${number} does not begin on a new line`);
      const length = get(value.get('Length'));
      if (typeof length !== 'number') throw new SyntaxFault(`The stream of object ${number} has no length`);
      const from = reader.at + 1;
      value = new Stream(value, bytes.subarray(from, from + length));
      expectWord(new Reader(bytes, from + length), 'endstream');
    }
    objects.set(number, value);
    return value;
  };
  for (const number of places.keys()) objectOf(number);
  return { version, trailer, objects, packsObjects: packsObjects || [...objects.values()].some(isPack), get };
}

const isPack = (value: Value): boolean => {
  const type = value instanceof Stream ? value.dict.get('Type') : undefined;
  return type instanceof Name && (type.name === 'ObjStm' || type.name === 'XRef');
};

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
