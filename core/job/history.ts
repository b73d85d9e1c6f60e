import type { Job } from './schema';

/** One thing a person did, by name, and the job as it was before. */
export interface Step {
  name: string;
  before: Job;
}

/**
 * What was done and what was undone. Whole earlier jobs are kept, not patches: edits share every part they
 * leave alone, so a kept job costs what its patch would, and undoing cannot drift from doing.
 */
export interface History {
  job: Job;
  past: readonly Step[];
  /** Undone steps, the next to redo last; `before` is here the job after the step. */
  future: readonly Step[];
}

const MOST_STEPS = 500;

export const startHistory = (job: Job): History => ({ job, past: [], future: [] });

/** The history after a step; an edit that changed nothing is no step. */
export const step = (history: History, name: string, job: Job): History =>
  job === history.job
    ? history
    : { job, past: [...history.past, { name, before: history.job }].slice(-MOST_STEPS), future: [] };

export function undo({ job, past, future }: History): History {
  const last = past.at(-1);
  return last
    ? { job: last.before, past: past.slice(0, -1), future: [...future, { name: last.name, before: job }] }
    : { job, past, future };
}

export function redo({ job, past, future }: History): History {
  const next = future.at(-1);
  return next
    ? { job: next.before, past: [...past, { name: next.name, before: job }], future: future.slice(0, -1) }
    : { job, past, future };
}
