import type { Dict, Value } from './syntax';

/** A PDF file (ISO 32000-1, 7.5), read for what it says and nothing else. */
export interface PdfFile {
  version: string;
  trailer: Dict;
  /** All objects by number. */
  objects: ReadonlyMap<number, Value>;
  /** Whether any object lies in an object stream, or is found by a stream of places (7.5.7 and 7.5.8). */
  packsObjects: boolean;
  /** What had to be repaired to read it at all; nothing for a sound file. */
  repaired: readonly string[];
  /** What a value is, past any references. */
  get(value: Value | undefined): Value | undefined;
}
