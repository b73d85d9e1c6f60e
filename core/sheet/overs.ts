import { finishesUsed } from '../job/finishing';
import { NO_ORDER } from '../job/order';
import type { Job } from '../job/schema';
import type { SheetMade } from '../job/sheet';
import { shopIn } from '../job/shops-of';
import type { SheetItem } from './form';

/** Sheets beyond those ordered: what it takes to make a form ready, and what is spoilt on the way. */
export interface Overs {
  /** Sheets for each form, whatever the run. */
  makeReady: number;
  /** The share of the run, 0 to 1. */
  share: number;
}

/** Where neither the sheet nor the shop says anything (common practice). */
const USUAL_SHARE = 0.05;

/** How often a sheet goes through the press. */
const passesOf = ({ turning }: Pick<SheetMade, 'turning'>): number => (turning === 'one side' ? 1 : 2);

/** What is done to a piece after printing: what is ordered, and its fold. */
const stepsOf = ({ piece }: SheetItem): number =>
  (piece.order ?? NO_ORDER).finishing.length + finishesUsed(piece).length + (piece.fold ? 1 : 0);

/** What the sheet asks for by hand, else what the first piece's shop does. */
export function oversOf(job: Job, items: readonly SheetItem[], made: SheetMade): Overs {
  if (made.overs !== undefined) return { makeReady: 0, share: made.overs / 100 };
  const [first] = items;
  const asked = first && shopIn(job, first.piece.shop).overs;
  if (!asked) return { makeReady: 0, share: USUAL_SHARE };
  const steps = Math.max(...items.map(stepsOf));
  return { makeReady: asked.makeReady, share: asked.pass * passesOf(made) + asked.finishing * steps };
}

/** Sheets that are printed for a run; `forms` is how many forms are made ready for it. */
export const sheetsWith = (run: number, forms: number, { makeReady, share }: Overs): number =>
  // Rounded first: 100 × 1.05 is a hair more than 105.
  forms * makeReady + Math.ceil(Math.round(run * (1 + share) * 1e6) / 1e6);
