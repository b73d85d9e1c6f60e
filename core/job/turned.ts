import type { Matrix } from '../geometry/matrix';
import type { Face, Piece } from './schema';

const kept = new WeakMap<Piece, Piece>();

/** A piece with the sides that one of its faces has: a face that is turned on the sheet is as wide as the sheet is high. */
export function asFace(piece: Piece, { turned }: Pick<Face, 'turned'>): Piece {
  if (!turned) return piece;
  const found = kept.get(piece) ?? { ...piece, width: piece.height, height: piece.width };
  kept.set(piece, found);
  return found;
}

/**
 * What lays a face on its sheet, as a printer gets it: turned faces on their side, and a back that is reached by turning
 * the piece top to bottom upside down, as sheets are turned left to right.
 */
export function ontoSheet(
  piece: Piece,
  face: Pick<Face, 'id' | 'turned'>,
): { matrix: Matrix; angle: number } | undefined {
  const { width, height } = piece;
  const isBack = piece.faces.findIndex(({ id }) => id === face.id) % 2 === 1;
  const over = isBack && piece.turns === 'top–bottom';
  const angle = ((face.turned === 'clockwise' ? 90 : face.turned ? 270 : 0) + (over ? 180 : 0)) % 360;
  switch (angle) {
    case 90:
      return { angle, matrix: [0, 1, -1, 0, width, 0] };
    case 180:
      return { angle, matrix: [-1, 0, 0, -1, width, height] };
    case 270:
      return { angle, matrix: [0, -1, 1, 0, 0, height] };
    default:
      return undefined;
  }
}
