import { nanoid } from 'nanoid';
import { create } from 'zustand';
import { faultWords } from '../../core/job/fault-words';
import { type History, redo, step, undo } from '../../core/job/history';
import type { Job } from '../../core/job/schema';
import { type JobFault, jobFault, partFault } from '../../core/job/whole';

export type Edit = (job: Job) => Job;

/** A gesture that goes on: typing, or something of the hand. */
export interface Live {
  id: string;
  name: string;
  kind: 'hand' | 'typing';
  /** What it has come to. */
  job: Job;
  edit: Edit;
}

/** The job being worked on. What can be derived from it is derived where it is shown. */
export interface Session {
  /** The id of the job that was asked for. */
  jobId: string | undefined;
  history: History | undefined;
  live: Live | undefined;
  /** Something that is only shown: never kept, never a step. */
  preview: { id: string; job: Job } | undefined;
  /** Why the last edit was not made, in words. */
  refused: string | undefined;
  /** Edits that are steps already and not yet on the shelf, for when somebody else has written there. */
  unwritten: readonly { id: string; name: string; edit: Edit }[];
  /** Counts the times that the history was replaced from the shelf. */
  taken: number;
  /** The ids of what is selected, in the order it was. */
  selected: readonly string[];
  /** The group that is worked inside of, if any. */
  within: string | undefined;
}

export const EMPTY_SESSION: Session = {
  jobId: undefined,
  history: undefined,
  live: undefined,
  preview: undefined,
  refused: undefined,
  unwritten: [],
  taken: 0,
  selected: [],
  within: undefined,
};

export const useSession = create<Session>(() => EMPTY_SESSION);
const { getState: now, setState } = useSession;

/** The job as it is, with the gesture that goes on and without what is only shown. */
export const jobIn = ({ history, live }: Session): Job | undefined => live?.job ?? history?.job;
/** The job as it is shown. */
export const shownJob = (session: Session): Job | undefined => session.preview?.job ?? jobIn(session);
export const useJob = (): Job | undefined => useSession(shownJob);

const stamped = (before: Job, edit: Edit): Job => {
  const after = edit(before);
  return after === before ? before : { ...after, changed: new Date().toISOString() };
};

/** What an edit comes to; or undefined where that could not be opened again, and then it is said why. */
function tried(before: Job, edit: Edit, faultOf: (job: Job) => JobFault | undefined): Job | undefined {
  const after = stamped(before, edit);
  const fault = after === before ? undefined : faultOf(after);
  setState({ refused: fault && `Not done: ${faultWords(after, fault)}` });
  return fault ? undefined : after;
}

/** Does one edit: one step to undo. What would break the limits of a job is refused, in words, and changes nothing. */
export function act(name: string, edit: Edit): void {
  settle();
  const { history, unwritten } = now();
  const job = history && tried(history.job, edit, jobFault);
  if (!history || !job) return;
  const id = nanoid(10);
  if (job !== history.job)
    setState({
      history: step(history, name, job, id),
      preview: undefined,
      unwritten: [...unwritten, { id, name, edit }],
    });
}

export const dismissRefusal = (): void => setState({ refused: undefined });
/** Tells beside the work why something was not done. */
export const refuse = (why: string): void => setState({ refused: why });

/** A gesture, from its beginning to where it is settled or dropped, by itself or because something else is done. */
export interface Gesture {
  /** Shows an edit; each call starts again from the job as it was at the beginning. Whether it could be. */
  sketch(edit: Edit): boolean;
  /** What it came to is one step. */
  settle(): void;
  /** As if it had not begun. */
  drop(): void;
  /** Whether it goes on. */
  isOpen(): boolean;
}

/** Begins a gesture; another that goes on is settled first. */
export function begin(name: string, kind: Live['kind'] = 'hand'): Gesture {
  const id = nanoid(10);
  settle();
  let isOver = false;
  let hasBegun = false;
  const isOpen = (): boolean => !isOver && (!hasBegun || now().live?.id === id);
  return {
    isOpen,
    sketch(edit) {
      if (!isOpen()) return false;
      if (now().live && now().live?.id !== id) settle();
      const { history } = now();
      const job = history && tried(history.job, edit, partFault);
      if (!job) return false;
      hasBegun = true;
      setState({ live: { id, name, kind, job, edit }, preview: undefined });
      return true;
    },
    settle() {
      if (now().live?.id === id) settle();
      isOver = true;
    },
    drop() {
      if (now().live?.id === id) setState({ live: undefined });
      isOver = true;
    },
  };
}

/** Shows what an edit would come to, until it is taken back or anything is done. */
export function showPreview(edit: Edit): () => void {
  const id = nanoid(10);
  const base = jobIn(now());
  const job = base && edit(base);
  if (job && job !== base && !partFault(job)) setState({ preview: { id, job } });
  return () => {
    if (now().preview?.id === id) setState({ preview: undefined });
  };
}
export const dropPreview = (): void => setState({ preview: undefined });

/** Ends the gesture that goes on, if any: what it came to is one step. */
export function settle(): void {
  const { history, live, unwritten } = now();
  if (!history || !live) return;
  const fault = live.job === history.job ? undefined : jobFault(live.job);
  if (fault || live.job === history.job) {
    setState({ live: undefined, ...(fault ? { refused: `Not done: ${faultWords(live.job, fault)}` } : {}) });
    return;
  }
  setState({
    history: step(history, live.name, live.job, live.id),
    live: undefined,
    unwritten: [...unwritten, { id: live.id, name: live.name, edit: live.edit }],
  });
}

function travel(by: (history: History) => History): void {
  settle();
  const { history } = now();
  // What was undone is not to be done again when the shelf turns out to hold more.
  if (history) setState({ history: by(history), preview: undefined, refused: undefined, unwritten: [] });
}
export const undoStep = (): void => travel(undo);
export const redoStep = (): void => travel(redo);

/** The state after somebody else wrote: theirs, with what was done here and is not written yet done again on top. */
export function rebased(history: History, unwritten: Session['unwritten']): History {
  return unwritten.reduce((on, { id, name, edit }) => {
    if (on.past.some((done) => done.id === id)) return on;
    const job = stamped(on.job, edit);
    return job !== on.job && jobFault(job) ? on : step(on, name, job, id);
  }, history);
}

/** Takes up what the shelf holds; a gesture that goes on goes on from there. */
export function takeUp(history: History): void {
  const { live, unwritten, taken } = now();
  const next = rebased(history, unwritten);
  const job = live && tried(next.job, live.edit, partFault);
  setState({ history: next, live: live && job && { ...live, job }, preview: undefined, taken: taken + 1 });
}

export const select = (...ids: readonly string[]): void => setState({ selected: ids });

/** Adds to the selection, or takes them out where all are in it. */
export function toggleSelected(...ids: readonly string[]): void {
  const { selected } = now();
  const without = selected.filter((each) => !ids.includes(each));
  select(...(ids.every((id) => selected.includes(id)) ? without : [...without, ...ids]));
}

/** Goes inside a group, or out of all groups. */
export const goWithin = (within: string | undefined): void => setState({ within });
