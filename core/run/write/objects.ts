import { type PDFContext, type PDFObject, PDFRef } from '@cantoo/pdf-lib';

/** PDF objects as bytes, for files that are written as they are made. */

const encoder = new TextEncoder();
export const bytesOf = (text: string): Uint8Array => encoder.encode(text);

/** What stands between `n 0 obj` and `endobj`. */
export function objectBytes(object: PDFObject): Uint8Array {
  const bytes = new Uint8Array(object.sizeInBytes());
  object.copyBytesInto(bytes, 0);
  return bytes;
}

/** Numbers of objects that get their place in a file later: those that only one row has, and pictures that several may share. */
export const LOCAL = 900_000_000;
export const SHARED_PICTURE = 950_000_000;

/** An object of one row: its body, and whether references in it have to be brought to their numbers. */
export interface LocalObject {
  body: Uint8Array;
  refers: boolean;
}

/** A picture that several rows may show: it goes into a file once, by its key. */
export interface RowPicture {
  key: string;
  /** None where whoever made it has handed it out before. */
  objects: LocalObject[];
}

/** A page of a row. A number is an object of the row; a text a resource of all rows by its place. */
export interface RowPage {
  /** Which kind of page: the side, or the side of a sheet. */
  face: number;
  /** The object of its content, among the row's own; -1 for the one that all rows share. */
  content: number;
  /** The object of its resources, among the row's own; -1 for those that all rows share. */
  resources: number;
}

/** All that is in a file for one row, or one sheet: plain data that may cross from a worker. */
export interface Payload {
  /** The row's number in its table, or the number of the sheet. */
  unit: number;
  objects: LocalObject[];
  pictures: RowPicture[];
  pages: RowPage[];
  /** What a document part says of it: a dictionary. */
  metadata?: string;
}

const REF = /\b(9\d{8}) 0 R\b/g;

/** Where the dictionary of an object ends and the bytes of its stream begin. */
function headLength(body: Uint8Array): number {
  // `stream` stands on a line of its own after the dictionary.
  const text = 'stream';
  outer: for (let i = 0; i + text.length < body.length; i++) {
    for (let k = 0; k < text.length; k++) if (body[i + k] !== text.charCodeAt(k)) continue outer;
    return i;
  }
  return body.length;
}

const latin = new TextDecoder('latin1');
const latinBytes = (text: string): Uint8Array => Uint8Array.from(text, (sign) => sign.charCodeAt(0));

/** An object's body with every reference of its own row brought to the number that it has in the file. */
export function placedBody({ body, refers }: LocalObject, numberOf: (local: number) => number): Uint8Array[] {
  if (!refers) return [body];
  const head = headLength(body);
  const said = latin
    .decode(body.subarray(0, head))
    .replace(REF, (_, local: string) => `${numberOf(Number(local))} 0 R`);
  return [latinBytes(said), body.subarray(head)];
}

/** The objects that a context holds from a number on, in order. */
export function objectsFrom(context: PDFContext, first: number): { number: number; object: PDFObject }[] {
  return context
    .enumerateIndirectObjects()
    .map(([ref, object]) => ({ number: ref.objectNumber, object }))
    .filter(({ number }) => number >= first)
    .sort((a, b) => a.number - b.number);
}

export const refTo = (number: number): PDFRef => PDFRef.of(number);
