import type { Job } from './schema';

/** One thing a person did, by name, and the job as it was before. */
export interface Step {
  /** It keeps this through undo and redo. */
  id: string;
  name: string;
  before: Job;
}

/**
 * What was done and what was undone. Whole earlier jobs are kept, not patches: edits share every part they
 * leave alone, so a kept job costs what its patch would, and undoing cannot drift from doing.
 */
export interface History {
  job: Job;
  /** How many steps were ever done before this state: the number of the last of `past`. */
  at: number;
  past: readonly Step[];
  /** Undone steps, the next to redo last; `before` is here the job after the step. */
  future: readonly Step[];
}

export const MOST_STEPS = 300;

export const startHistory = (job: Job): History => ({ job, at: 0, past: [], future: [] });

/** The history after a step; an edit that changed nothing is no step. */
export const step = (history: History, name: string, job: Job, id: string): History =>
  job === history.job
    ? history
    : {
        job,
        at: history.at + 1,
        past: [...history.past, { id, name, before: history.job }].slice(-MOST_STEPS),
        future: [],
      };

export function undo(history: History): History {
  const { job, at, past, future } = history;
  const last = past.at(-1);
  return last
    ? { job: last.before, at: at - 1, past: past.slice(0, -1), future: [...future, { ...last, before: job }] }
    : history;
}

export function redo(history: History): History {
  const { job, at, past, future } = history;
  const next = future.at(-1);
  return next
    ? { job: next.before, at: at + 1, past: [...past, { ...next, before: job }], future: future.slice(0, -1) }
    : history;
}
