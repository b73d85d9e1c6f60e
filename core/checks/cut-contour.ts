import { type ContourPoint, contourOf } from '../geometry/contour';
import { corneredBoxPath } from '../geometry/forms';
import { boxPath } from '../geometry/path';
import type { Piece } from '../job/schema';
import { dieOf } from '../scene/finishing';
import { type CheckContext, laidOut } from './check';

const kept = new WeakMap<Piece, Map<string, readonly ContourPoint[]>>();

/** The edge of the finished piece on a side: its die line, its rounded trim, or its trim. Points from the trim's corner. */
export function cutContour(context: Pick<CheckContext, 'piece' | 'face'>): readonly ContourPoint[] {
  const { piece, face } = context;
  const here = kept.get(piece) ?? new Map<string, readonly ContourPoint[]>();
  kept.set(piece, here);
  const found = here.get(face.id);
  if (found) return found;
  const { width, height, corner = 0 } = piece;
  const box = { x: 0, y: 0, width, height };
  const round = { radius: corner, form: 'round' } as const;
  const path =
    dieOf(laidOut(context), face) ?? (corner > 0 ? corneredBoxPath(box, [round, round, round, round]) : boxPath(box));
  const contour = contourOf(path);
  here.set(face.id, contour);
  return contour;
}
