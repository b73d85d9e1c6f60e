import { type FaceFold, facesFolds } from '../job/areas';
import { type CheckContext, laidOut } from './check';

/** The folds of a folded piece on the face that is looked at; those of a letter are no fault of what stands there. */
export function foldsOn(context: CheckContext): FaceFold[] {
  const sheet = laidOut(context);
  return sheet.fold ? facesFolds(sheet, context.face) : [];
}
