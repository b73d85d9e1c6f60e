import { setSpread } from '../job/edits/pieces';
import { pieceOf } from '../job/find';
import type { Job } from '../job/schema';
import { printedFaces } from '../scene/shown-faces';
import { sourcesOf } from '../scene/sources';
import { meetingsOn, USUAL_SPREAD } from '../scene/traps';
import type { FontBook } from '../type/font';

/** Spreads the inks of a piece where they meet without a plate in common. */
export function spreadInks(job: Job, pieceId: string, fonts: FontBook): Job {
  const sources = sourcesOf(job, fonts);
  const meets = printedFaces(pieceOf(job, pieceId)!, sources).some(
    (face) => meetingsOn(face, USUAL_SPREAD, sources).length > 0,
  );
  return meets ? setSpread(job, pieceId, USUAL_SPREAD) : job;
}
