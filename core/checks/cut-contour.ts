import { type ContourPoint, contourOf } from '../geometry/contour';
import { boxPath } from '../geometry/path';
import type { Piece } from '../job/schema';
import { cutOutline } from '../scene/finishing';
import { type CheckContext, laidOut } from './check';

const kept = new WeakMap<Piece, Map<string, readonly ContourPoint[]>>();

/** The edge of the finished piece on a side: its die line, its rounded trim, or its trim. Points from the trim's corner. */
export function cutContour(context: Pick<CheckContext, 'piece' | 'face'>): readonly ContourPoint[] {
  const { piece, face } = context;
  const here = kept.get(piece) ?? new Map<string, readonly ContourPoint[]>();
  kept.set(piece, here);
  const found = here.get(face.id);
  if (found) return found;
  const { width, height } = piece;
  const contour = contourOf(cutOutline(laidOut(context), face) ?? boxPath({ x: 0, y: 0, width, height }));
  here.set(face.id, contour);
  return contour;
}
