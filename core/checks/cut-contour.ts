import { type ContourPoint, contourOf } from '../geometry/contour';
import { boxPath } from '../geometry/path';
import { cutOutline } from '../scene/finishing';
import { type CheckContext, laidOut } from './check';

/** Edges by their outline: every edit makes another piece, and hardly any another edge. */
const kept = new Map<string, readonly ContourPoint[]>();
const MOST_KEPT = 40;

/** The edge of the finished piece on a side: its die line, its rounded trim, or its trim. Points from the trim's corner. */
export function cutContour(context: Pick<CheckContext, 'piece' | 'face'>): readonly ContourPoint[] {
  const { piece, face } = context;
  const { width, height } = piece;
  const outline = cutOutline(laidOut(context), face) ?? boxPath({ x: 0, y: 0, width, height });
  const key = JSON.stringify(outline);
  const contour = kept.get(key) ?? contourOf(outline);
  kept.delete(key);
  kept.set(key, contour);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return contour;
}
