import { officePages } from '../../../../core/devices/office-pages';
import type { Piece } from '../../../../core/job/schema';
import {
  type OfficePage,
  type OfficePrinter,
  rightSettings,
  USUAL_MARGIN,
} from '../../../../core/scene/office-printer';
import type { OfficeSheet } from '../../../../core/scene/office-sheet';
import type { SceneSources } from '../../../../core/scene/sources';

/** An office printer that is tried out: what is sent to it, and its settings. */
export interface OfficeAsked {
  /** The piece on a page of its own size, or in the middle of a sheet. */
  on: OfficeSheet | 'its own';
  printer: OfficePrinter;
}

export const pagesFor = (piece: Piece, sources: SceneSources, on: OfficeAsked['on']): OfficePage[] =>
  officePages(piece, sources, on === 'its own' ? undefined : on);

export const marginOf = (piece: Piece): number => piece.letter?.unprintable ?? USUAL_MARGIN;

/** As one would begin: the page as it is, its size left alone, on the paper that holds it. */
export function firstAsked(piece: Piece, sources: SceneSources): OfficeAsked {
  return { on: 'its own', printer: rightSettings(pagesFor(piece, sources, 'its own'), marginOf(piece)) };
}
