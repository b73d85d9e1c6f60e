import type { History, Step } from '../../core/job/history';
import { patchBetween } from '../../core/job/patch';
import type { Job } from '../../core/job/schema';
import type { Head, JobRow, StepRow } from './shelf';

/** What the shelf is known to hold of a job. */
export interface Written {
  revision: number;
  /** The step that its whole state was written after. */
  whole: number;
  /** The ids of its steps by number. */
  steps: ReadonlyMap<number, string>;
}

/** What has to be written so that the shelf holds a state. */
export interface WritePlan {
  put: StepRow[];
  /** Numbers of steps that are no more. */
  remove: number[];
  head: Head;
  /** The whole job, now and then, so that few steps have to be gone through when it is opened. */
  row: JobRow | undefined;
  written: Written;
}

/** After so many steps the whole job is written again. */
const WHOLE_EVERY = 20;

interface Numbered {
  number: number;
  step: Step;
  from: Job;
  to: Job;
}

/** All steps of a history with the states on either side. */
function numbered({ job, at, past, future }: History): Numbered[] {
  const first = at - past.length + 1;
  const done = past.map((step, i) => ({
    number: first + i,
    step,
    from: step.before,
    to: past[i + 1]?.before ?? job,
  }));
  const undone = future.map((step, i) => ({
    number: at + future.length - i,
    step,
    from: future[i + 1]?.before ?? job,
    to: step.before,
  }));
  return [...done, ...undone.reverse()];
}

/** The smallest write that brings the shelf from what it holds to a history and the gesture that goes on in it. */
export function planWrite(history: History, live: { name: string; job: Job } | undefined, known: Written): WritePlan {
  const { job, at, future } = history;
  const now = numbered(history);
  const steps = new Map(now.map(({ number, step }) => [number, step.id]));
  const put = now
    .filter(({ number, step }) => known.steps.get(number) !== step.id)
    .map(
      ({ number, step, from, to }): StepRow => ({
        job: job.id,
        number,
        id: step.id,
        name: step.name,
        forth: patchBetween(from, to),
        back: patchBetween(to, from),
      }),
    );
  const remove = [...known.steps.keys()].filter((number) => !steps.has(number));
  // The state that was written whole must stay in reach of the steps there are.
  const lowest = now[0]?.number ?? at + 1;
  const stranded = known.whole < lowest - 1 || [...remove, ...put.map((s) => s.number)].some((n) => n <= known.whole);
  const isWhole = stranded || Math.abs(at - known.whole) >= WHOLE_EVERY || known.revision === 0;
  const shown = live?.job ?? job;
  return {
    put,
    remove,
    head: {
      id: job.id,
      revision: known.revision + 1,
      changed: shown.changed,
      at,
      top: at + future.length,
      ...(live && live.job !== job ? { live: { name: live.name, patch: patchBetween(job, live.job) } } : {}),
    },
    row: isWhole ? { id: job.id, changed: job.changed, at, job } : undefined,
    written: { revision: known.revision + 1, whole: isWhole ? at : known.whole, steps },
  };
}
