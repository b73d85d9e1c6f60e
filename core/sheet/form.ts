import type { Box } from '../geometry/box';
import type { Piece } from '../job/schema';

/** What shares the sheet: a piece, for a person where it is for one, and how many. */
export interface SheetItem {
  piece: Piece;
  person?: string | undefined;
  quantity: number;
  /** The numbers of the faces on its front and its back; one where its back is white. */
  faces: readonly number[];
}

/** One of an item on a side of the sheet. */
export interface Placed {
  item: number;
  /** 0 the front, 1 the back: which of the item's faces. */
  face: 0 | 1;
  trim: Box;
  /** Degrees clockwise. */
  angle: number;
}

/** A form: what is printed on its first side, and on its second where that needs plates of its own. */
export interface SheetForm {
  first: Placed[];
  second: Placed[];
  /** Sheets that are needed. */
  run: number;
  /** Sheets that are printed, those that are spoilt among them. */
  sheets: number;
  /** How many of each item a sheet gives. */
  each: number[];
}
