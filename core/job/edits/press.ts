import { produce } from 'immer';
import type { OwnCondition } from '../../trade/schema';
import type { Job } from '../schema';

/** Keeps a press condition made from a loaded profile, under the hash of the profile. */
export const addCondition = (job: Job, hash: string, condition: OwnCondition): Job => ({
  ...job,
  conditions: { ...job.conditions, [hash]: condition },
});

/** Changes how a loaded profile is used: its intent, its black point, its ink limit. */
export const changeCondition = (
  job: Job,
  hash: string,
  change: { [K in keyof OwnCondition]?: OwnCondition[K] | undefined },
): Job =>
  produce(job, (draft) => {
    const found = draft.conditions[hash];
    if (!found) return;
    Object.assign(found, change);
    if ('registered' in change && change.registered === undefined) delete found.registered;
  });

/** Takes a loaded profile away; shops that printed with it go back to the one of their spec. */
export const removeCondition = (job: Job, hash: string): Job =>
  produce(job, (draft) => {
    delete draft.conditions[hash];
    for (const [shop, id] of Object.entries(draft.pressOf)) if (id === hash) delete draft.pressOf[shop];
  });

/** Says what a shop prints this job with; its own spec's where nothing is said. */
export const setPressOf = (job: Job, shop: string, condition: string | undefined): Job =>
  produce(job, (draft) => {
    if (condition === undefined) delete draft.pressOf[shop];
    else draft.pressOf[shop] = condition;
  });

/** Says whether black is looked at without the tinge that profiles measure. */
export const setNeutralBlack = (job: Job, isNeutral: boolean): Job =>
  produce(job, (draft) => {
    if (isNeutral) draft.neutralBlack = true;
    else delete draft.neutralBlack;
  });
