import type { Box } from '../../geometry/box';
import { outset } from '../../geometry/box';
import type { Face, Piece } from '../../job/schema';
import { type FurtherMark, mediaBox } from '../../scene/marks';
import { OFFICE_SHEETS, type OfficeSheet, officeSheet } from '../../scene/office-sheet';
import type { ShopSpec } from '../../trade/schema';
import type { Standard } from './standards';

/** How pictures lie in the file. */
export interface PicturesAsked {
  /** Pictures finer than `above` get as many pixels an inch as `to`; left as they are where it is left out. */
  fewer?: { above: number; to: number };
  /** A JPEG's quality, 1 to 100; without loss where it is left out. */
  quality?: number;
}

export interface PdfAsked {
  pieceId: string;
  shop: ShopSpec;
  /** Faces by number from 0, in the order of their pages; all where it is left out. */
  faces?: readonly number[];
  /** Marks to cut, fold and punch by. */
  marks: boolean;
  /** Marks beyond those. */
  also?: readonly FurtherMark[];
  /** Words as text that can be searched, or as the outlines of their letters. */
  words?: 'text' | 'outlines';
  /** The paper of an office printer that the piece lies on at its size, in the middle; its own sheet where it is left out. */
  office?: OfficeSheet;
  /** The shop's own where it is left out. */
  standard?: Standard;
  pictures?: PicturesAsked;
  /** How finishing comes with it, or one finish alone; as the shop asks where it is left out. */
  finishing?: 'layers' | 'pages' | 'files' | 'none' | { only: string };
}

/** The boxes of a page as asked, in points from the trim's corner, y down. */
export interface PageBoxes {
  trim: Box;
  bleed: Box;
  media: Box;
}

/** What was asked cannot be done; the message is for the user. */
export class ExportError extends Error {}

/** Throws ExportError where the piece is too large for the office printer's sheet. */
export function pageBoxes(
  piece: Piece,
  shop: ShopSpec,
  marks: boolean,
  office?: OfficeSheet,
  also: readonly FurtherMark[] = [],
): PageBoxes {
  const trim: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const bleed = shop.bleed[piece.kind];
  const media = mediaBox(trim, bleed, marks ? shop.marks : undefined, also);
  const sheet = office ? officeSheet(office, trim, media) : media;
  if (!sheet)
    throw new ExportError(
      `${piece.name} with its marks is too large for ${OFFICE_SHEETS[office!].name} at its own size. Leave the marks out, or have the shop print it.`,
    );
  return { trim, bleed: outset(trim, bleed), media: sheet };
}

/** Throws ExportError where a face is asked for that is not there. */
export function facesAsked(all: readonly Face[], numbers: readonly number[] | undefined): Face[] {
  const faces = (numbers ?? all.map((_, i) => i)).map((n) => all[n]);
  if (faces.length === 0 || faces.some((face) => face === undefined))
    throw new ExportError(
      `This piece has ${all.length} face${all.length === 1 ? '' : 's'}; choose from 1 to ${all.length}.`,
    );
  return faces as Face[];
}
