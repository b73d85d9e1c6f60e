import { JobFileError, readJob } from '../../core/files/read-job';
import { faultWords } from '../../core/job/fault-words';
import { type History, type Step, startHistory } from '../../core/job/history';
import { patched } from '../../core/job/patch';
import type { Job } from '../../core/job/schema';
import { jobFault } from '../../core/job/whole';
import type { Written } from './plan-write';
import type { Head, JobRow, StepRow } from './shelf';

/** A job as it was kept: where it stands, what can be undone and redone, and the gesture it was left in the middle of. */
export interface Opened {
  history: History;
  live: { name: string; job: Job } | undefined;
  written: Written;
}

/** The states of a job by step number, as far as its steps lead without a gap. */
function statesFrom(base: Job, at: number, steps: ReadonlyMap<number, StepRow>): Map<number, Job> {
  const states = new Map([[at, base]]);
  for (let n = at; steps.has(n); n--) states.set(n - 1, patched(states.get(n)!, steps.get(n)!.back));
  for (let n = at + 1; steps.has(n); n++) states.set(n, patched(states.get(n - 1)!, steps.get(n)!.forth));
  return states;
}

/** Puts a job together from its rows. Throws JobFileError where what they come to is no job. */
export function openKept(row: JobRow, head: Head | undefined, rows: readonly StepRow[]): Opened {
  const base = readJob(row.job);
  const known = { revision: head?.revision ?? 0, whole: row.at };
  // Steps of an older version's job lead to no job of this one.
  const isOlder = (row.job as { version?: unknown }).version !== base.version;
  if (!head || isOlder)
    return { history: { ...startHistory(base), at: row.at }, live: undefined, written: { ...known, steps: new Map() } };
  const steps = new Map(rows.map((step) => [step.number, step]));
  const states = statesFrom(base, row.at, steps);
  const job = states.get(head.at);
  if (!job) throw new JobFileError('The last steps of this job are missing.');
  const fault = jobFault(job);
  if (fault) throw new JobFileError(faultWords(job, fault));
  const past: Step[] = [];
  for (let n = head.at; steps.has(n) && states.has(n - 1); n--)
    past.unshift({ id: steps.get(n)!.id, name: steps.get(n)!.name, before: states.get(n - 1)! });
  const future: Step[] = [];
  for (let n = head.at + 1; n <= head.top && steps.has(n) && states.has(n); n++)
    future.unshift({ id: steps.get(n)!.id, name: steps.get(n)!.name, before: states.get(n)! });
  const live = head.live && { name: head.live.name, job: patched(job, head.live.patch) };
  return {
    history: { job, at: head.at, past, future },
    live: live && !jobFault(live.job) ? live : undefined,
    written: { ...known, steps: new Map(rows.map(({ number, id }) => [number, id])) },
  };
}
