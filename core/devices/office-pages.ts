import { type Box, intersection } from '../geometry/box';
import { boxAround, IDENTITY } from '../geometry/matrix';
import type { Piece } from '../job/schema';
import { ontoSheet } from '../job/turned';
import { drawFace } from '../scene/face';
import type { OfficePage } from '../scene/office-printer';
import { type OfficeSheet, officeSheet } from '../scene/office-sheet';
import { printedFaces } from '../scene/shown-faces';
import type { SceneSources } from '../scene/sources';
import { boundsDevice } from './bounds';

/**
 * The pages of a piece as an office printer gets them: cut to its trim, or in the middle of a sheet of that printer's paper.
 * None where the piece is too large for that sheet.
 */
export function officePages(piece: Piece, sources: SceneSources, on?: OfficeSheet): OfficePage[] {
  const trim: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const media = on ? officeSheet(on, trim, trim) : trim;
  if (!media) return [];
  return printedFaces(piece, sources).map((face): OfficePage => {
    const device = boundsDevice();
    drawFace(face, sources, device);
    const ink = device.bounds();
    const onSheet = ink && boxAround(ink, ontoSheet(piece, face)?.matrix ?? IDENTITY);
    return { media, trim, ink: onSheet && intersection(onSheet, trim) };
  });
}
