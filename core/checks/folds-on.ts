import type { Box } from '../geometry/box';
import { facesFolds } from '../job/folds-of';
import type { FoldLine } from '../trade/folds';
import { type CheckContext, laidOut } from './check';

/** The folds of a folded piece on the face that is looked at; those of a letter are no fault of what stands there. */
export function foldsOn(context: CheckContext): FoldLine[] {
  const sheet = laidOut(context);
  return sheet.fold ? facesFolds(sheet, context.face) : [];
}

/** A strip beside a fold or over it, all along it: it begins at `from` and is so wide. */
export const stripOf = ({ axis }: Pick<FoldLine, 'axis'>, from: number, wide: number, { piece }: CheckContext): Box =>
  axis === 'x'
    ? { x: from, y: 0, width: wide, height: piece.height }
    : { x: 0, y: from, width: piece.width, height: wide };
