import { expose } from 'comlink';
import { pieceOf } from '../core/job/find';
import type { Job } from '../core/job/schema';
import type { SheetMade } from '../core/job/sheet';
import { itemsOf, type SheetPlan, sheetPlans } from '../core/sheet/plan';

/** The search for layouts, off the page's thread: whoever tires of it dismisses the worker. */
const api = {
  ready: async (): Promise<void> => undefined,
  plans(job: Job, pieceId: string, made: SheetMade): SheetPlan[] {
    const piece = pieceOf(job, pieceId);
    return piece ? sheetPlans(job, itemsOf(job, piece, made), made) : [];
  },
};
export type SheetRoomWork = typeof api;
expose(api);
