import { create } from 'zustand';
import { type History, redo, startHistory, step, undo } from '../../core/job/history';
import type { Job } from '../../core/job/schema';
import { db, loadJob } from './db';

/** The job being worked on. What can be derived from it is derived where it is shown. */
interface Session {
  history: History | undefined;
  /** The job in the middle of a gesture, before it becomes a step of that name. */
  live: { name: string; job: Job } | undefined;
  /** The ids of what is selected, in the order it was. */
  selected: readonly string[];
  /** The group that is worked inside of, if any. */
  within: string | undefined;
}

export const useSession = create<Session>(() => ({
  history: undefined,
  live: undefined,
  selected: [],
  within: undefined,
}));

const jobIn = ({ history, live }: Session): Job | undefined => live?.job ?? history?.job;
export const useJob = (): Job | undefined => useSession(jobIn);

// One write at a time and always the newest job next: nothing queues up during a drag, and the last state is never lost.
let waiting: Job | undefined;
let writing = false;
async function save(job: Job): Promise<void> {
  waiting = job;
  if (writing) return;
  writing = true;
  try {
    while (waiting) {
      const next: Job = waiting;
      waiting = undefined;
      await db.jobs.put(next);
    }
  } finally {
    writing = false;
  }
}

/** In the middle of a gesture the job is written this often at most, in milliseconds: a write takes as long as a frame. */
const WRITE_EVERY = 200;
let writeSoon: ReturnType<typeof setTimeout> | undefined;
function write(): void {
  clearTimeout(writeSoon);
  writeSoon = undefined;
  const job = jobIn(useSession.getState());
  if (job) void save(job);
}

// A tab that is left in the middle of a gesture writes what it had come to.
if (typeof document !== 'undefined')
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden' && writeSoon) write();
  });

function become(next: Partial<Session>): void {
  useSession.setState(next);
  if (useSession.getState().live) writeSoon ??= setTimeout(write, WRITE_EVERY);
  else write();
}

type Edit = (job: Job) => Job;
const stamped = (before: Job, edit: Edit): Job => {
  const after = edit(before);
  return after === before ? before : { ...after, changed: new Date().toISOString() };
};

export async function openSession(jobId: string): Promise<boolean> {
  const job = await loadJob(jobId);
  useSession.setState({ history: job && startHistory(job), live: undefined, selected: [], within: undefined });
  return job !== undefined;
}

/** Does one edit: one step to undo. */
export function act(name: string, edit: Edit): void {
  settle();
  const { history } = useSession.getState();
  if (history) become({ history: step(history, name, stamped(history.job, edit)) });
}

/** Shows an edit while a gesture goes on; each call starts again from the job before it. Another gesture is settled first. */
export function sketch(name: string, edit: Edit): void {
  if (useSession.getState().live?.name !== name) settle();
  const { history } = useSession.getState();
  if (history) become({ live: { name, job: stamped(history.job, edit) } });
}

/** Ends the gesture that goes on, if any: what it came to is one step. */
export function settle(): void {
  const { history, live } = useSession.getState();
  if (history && live) become({ history: step(history, live.name, live.job), live: undefined });
}

/** Drops a gesture as if it had not begun. */
export function dropSketch(name: string): void {
  if (useSession.getState().live?.name === name) become({ live: undefined });
}

function travel(by: (history: History) => History): void {
  settle();
  const { history } = useSession.getState();
  if (history) become({ history: by(history) });
}
export const undoStep = (): void => travel(undo);
export const redoStep = (): void => travel(redo);

export const select = (...ids: readonly string[]): void => useSession.setState({ selected: ids });

/** Adds to the selection, or takes them out where all are in it. */
export function toggleSelected(...ids: readonly string[]): void {
  const { selected } = useSession.getState();
  const without = selected.filter((each) => !ids.includes(each));
  select(...(ids.every((id) => selected.includes(id)) ? without : [...without, ...ids]));
}

/** Goes inside a group, or out of all groups. */
export const goWithin = (within: string | undefined): void => useSession.setState({ within });
