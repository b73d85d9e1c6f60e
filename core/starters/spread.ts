import { setSpread } from '../job/edits/pieces';
import { pieceOf } from '../job/find';
import type { Job } from '../job/schema';
import { sourcesOf } from '../scene/sources';
import { meetingsOf, USUAL_SPREAD } from '../scene/traps';
import type { FontBook } from '../type/font';

/** Spreads the inks of a piece where they meet without a plate in common. */
export const spreadInks = (job: Job, pieceId: string, fonts: FontBook): Job =>
  meetingsOf(pieceOf(job, pieceId)!, sourcesOf(job, fonts)).length > 0 ? setSpread(job, pieceId, USUAL_SPREAD) : job;
