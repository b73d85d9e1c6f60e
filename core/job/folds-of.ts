import { type Box, upsideDown } from '../geometry/box';
import { type FoldLine, foldedSize, foldLines, type Panel, panelsOf, type Side } from '../trade/folds';
import { letterLayoutOf } from '../trade/letter-layouts';
import type { Face, Piece } from './schema';
import { ontoSheet } from './turned';

/** Where a piece is folded, on its sheet and on each of its faces. Lengths in points. */

/** The side of a folded sheet that a face is; the first is the outside. */
const sideOf = (piece: Piece, face: Pick<Face, 'id'>): Side =>
  piece.faces.findIndex(({ id }) => id === face.id) % 2 === 1 ? 'inside' : 'outside';

/** The panels of a folded sheet as the printer gets one side of it; none of a flat piece. */
export const sheetPanels = (piece: Piece, face: Pick<Face, 'id'>): Panel[] =>
  piece.fold ? panelsOf(piece.fold, piece, sideOf(piece, face)) : [];

/** Where the sheet of a piece is folded, as the printer gets one side of it. */
export const sheetFolds = (piece: Piece, face: Pick<Face, 'id'>): FoldLine[] =>
  piece.fold ? foldLines(piece.fold, piece, sideOf(piece, face)) : [];

type Laid = Pick<Face, 'id' | 'turned'>;
const angleOf = (piece: Piece, face: Laid): number => ontoSheet(piece, face)?.angle ?? 0;

/** Row by row, from left to right. */
const asRead = (a: Box, b: Box): number => (Math.abs(a.y - b.y) > 0.01 ? a.y - b.y : a.x - b.x);

/**
 * The panels of a folded face as it is read; none where it lies on its side. A back that is reached by turning the piece top to
 * bottom lies upside down on its sheet: its left is the sheet's right.
 */
export function facePanels(piece: Piece, face: Laid): Panel[] {
  const panels = sheetPanels(piece, face);
  const angle = angleOf(piece, face);
  if (angle !== 0 && angle !== 180) return [];
  const names = panels.toSorted(piece.fold?.level ? () => 0 : asRead).map(({ name }) => name);
  const boxes = panels.map(({ name: _, ...box }) => (angle === 180 ? upsideDown(box, piece) : box)).sort(asRead);
  return boxes.map((box, i) => ({ ...box, name: names[i]! }));
}

/** A fold of the sheet on a face that lies on it at an angle. */
const TURNED: Readonly<Record<number, (fold: FoldLine, sheet: Piece) => FoldLine>> = {
  0: (fold) => fold,
  90: ({ axis, at }, { width }) => (axis === 'x' ? { axis: 'y', at: width - at } : { axis: 'x', at }),
  180: ({ axis, at }, { width, height }) => ({ axis, at: (axis === 'x' ? width : height) - at }),
  270: ({ axis, at }, { height }) => (axis === 'x' ? { axis: 'y', at } : { axis: 'x', at: height - at }),
};

/** Where a face is folded as it is worked on; the folds of letters too. `piece` has the sides of its sheet. */
export function facesFolds(piece: Piece, face: Laid): FoldLine[] {
  if (piece.fold)
    return sheetFolds(piece, face)
      .map((fold) => TURNED[angleOf(piece, face)]!(fold, piece))
      .sort((a, b) => a.at - b.at);
  const { letter } = piece;
  const layout = piece.kind === 'letterhead' && letter?.marks !== 'none' ? letterLayoutOf(letter?.layout) : undefined;
  return (layout?.folds ?? []).filter((at) => at < piece.height).map((at) => ({ axis: 'y', at }));
}

/** The size of a piece as it is handed over, folded where it is. */
export const finishedSize = (piece: Piece): { width: number; height: number } =>
  piece.fold ? foldedSize(piece.fold, piece) : { width: piece.width, height: piece.height };
