import { pieceOf } from '../core/job/find';
import type { Job } from '../core/job/schema';
import type { SheetMade } from '../core/job/sheet';
import { itemsOf, type SheetPlan, sheetPlans } from '../core/sheet/plan';

/** The search for layouts, off the page's thread: whoever tires of it dismisses the worker. */
export function plans(job: Job, pieceId: string, made: SheetMade): SheetPlan[] {
  const piece = pieceOf(job, pieceId);
  return piece ? sheetPlans(job, itemsOf(job, piece, made), made) : [];
}
