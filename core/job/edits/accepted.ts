import type { Accepted } from '../accepted';
import type { Job } from '../schema';

/** Edits of findings that are let stand. */

const isSame = (a: Omit<Accepted, 'reason' | 'at'>, b: Omit<Accepted, 'reason' | 'at'>): boolean =>
  a.piece === b.piece && a.check === b.check && a.element === b.element && a.of === b.of;

/** Lets a finding stand, with a reason; a second time with another reason. */
export const accept = (job: Job, accepted: Accepted): Job => ({
  ...job,
  accepted: [...job.accepted.filter((each) => !isSame(each, accepted)), accepted],
});

/** Looks for it again. */
export const openAgain = (job: Job, accepted: Accepted): Job => ({
  ...job,
  accepted: job.accepted.filter((each) => !isSame(each, accepted)),
});
