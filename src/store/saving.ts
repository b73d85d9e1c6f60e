import { nanoid } from 'nanoid';
import { create } from 'zustand';
import { step } from '../../core/job/history';
import { announce, hear } from './channel';
import { commitField } from './commit-field';
import { openJob, writeLost } from './kept-jobs';
import { isLeftBehind, leaveBehind, PAGE, takeLeft } from './left-behind';
import { planWrite, type WritePlan, type Written } from './plan-write';
import { EMPTY_SESSION, type Session, takeUp, useSession } from './session';
import { db } from './shelf';
import { versionHourly } from './versions';
import type { Outcome } from './write-job';
import { createWriter } from './writer';

/** Keeps the session on the shelf: always its newest state, one write at a time, tried again until it is there. */

export interface Saving {
  state: 'saved' | 'saving' | 'failed';
  /** Why the last write failed, in words. */
  why?: string | undefined;
  /** The job was deleted somewhere else while it is open here. */
  gone: boolean;
  /** What is left of the browser's storage where it is short, in bytes. */
  room?: number | undefined;
}
export const useSaving = create<Saving>(() => ({ state: 'saved', gone: false }));

/** In the middle of a gesture of the hand the job is written this often at most, in milliseconds. */
const LIVE_EVERY = 80;
/** How long to wait before a failed write is tried again, in milliseconds, the first time and at most. */
const RETRY = { first: 500, most: 15_000 };
/** Less storage than this is short, in bytes. */
const SHORT = 200_000_000;

type State = Pick<Session, 'history' | 'live'>;

const writer = createWriter(() => new Worker(new URL('./writer.worker.ts', import.meta.url), { type: 'module' }));

let known: Written = { revision: 0, whole: 0, steps: new Map() };
/** The state that the shelf holds. */
let kept: State = { history: undefined, live: undefined };
let running: Promise<void> | undefined;
/** When the last write began, by the page's clock. */
let begun = Number.NEGATIVE_INFINITY;
let timer: ReturnType<typeof setTimeout> | undefined;
let pause = RETRY.first;
let hasAsked = false;

const isKept = ({ history, live }: State): boolean =>
  history === undefined ||
  (history === kept.history && (live?.job ?? history.job) === (kept.live?.job ?? kept.history?.job));

function later(wait: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void write(), wait);
}

/** How long a gesture that goes on has to wait for its next write, in milliseconds: keys come slowly enough to wait for nothing. */
const liveWait = (live: Session['live']): number =>
  live?.kind === 'hand' ? Math.max(0, begun + LIVE_EVERY - performance.now()) : 0;

/** What a failed write is called. */
function failureWords(error: unknown): string {
  const { name, inner, message } = error as Error & { inner?: Error };
  return [name, inner?.name].includes('QuotaExceededError')
    ? 'This browser’s storage is full. Delete jobs that are not needed, or free some disk space.'
    : message;
}

/** The write that brings the shelf to where the session is. */
function planned(): WritePlan | undefined {
  const { history, live } = useSession.getState();
  if (!history) return undefined;
  const plan = planWrite(history, live, known);
  return { ...plan, head: { ...plan.head, by: PAGE } };
}

async function writeOnce(): Promise<Outcome> {
  const { history, live, unwritten } = useSession.getState();
  const plan = planned();
  if (!plan) return 'written';
  const { written, ...rows } = plan;
  begun = performance.now();
  const outcome = await writer.write(rows, known.revision);
  if (outcome !== 'written') return outcome;
  announce({ job: rows.head.id, revision: written.revision });
  known = written;
  kept = { history, live };
  const done = new Set(unwritten.map(({ id }) => id));
  useSession.setState(({ unwritten: all }) => ({ unwritten: all.filter(({ id }) => !done.has(id)) }));
  return outcome;
}

async function writeAll(): Promise<void> {
  while (!isKept(useSession.getState()) && !useSaving.getState().gone) {
    const liveOnly = useSession.getState().history === kept.history;
    try {
      const outcome = await writeOnce();
      if (outcome === 'newer') await catchUp();
      if (outcome === 'gone') useSaving.setState({ gone: true });
      pause = RETRY.first;
      if (useSaving.getState().state === 'failed') useSaving.setState({ state: 'saving', why: undefined });
    } catch (error) {
      useSaving.setState({ state: 'failed', why: failureWords(error) });
      later(pause);
      pause = Math.min(RETRY.most, pause * 2);
      return;
    }
    // What was let go of meanwhile is a step, and waits for nothing.
    const now = useSession.getState();
    if (liveOnly && now.history === kept.history && !isKept(now) && liveWait(now.live) > 0) {
      later(liveWait(now.live));
      return;
    }
  }
  useSaving.setState({ state: 'saved', why: undefined });
  afterSteps();
}

/** Starts the thread that writes; one that does not come is done without until another job is opened. */
function startWriter(): void {
  if (typeof Worker === 'undefined') return;
  void writer.ready().catch(() => undefined);
}

/** Writes what is not on the shelf yet. */
function write(): Promise<void> {
  clearTimeout(timer);
  timer = undefined;
  running ??= writeAll().finally(() => {
    running = undefined;
    // What came in the last moment.
    if (!isKept(useSession.getState()) && useSaving.getState().state === 'saved') changed(useSession.getState());
  });
  return running;
}

/** Resolves when everything is on the shelf, or when the last try has failed. */
export async function flush(): Promise<void> {
  while (!isKept(useSession.getState()) && !useSaving.getState().gone) {
    await write();
    if (useSaving.getState().state === 'failed') return;
  }
}

let versioned: unknown;
/** Once something was really done: storage that is not cleared by itself, a version an hour, and a look at the room left. */
function afterSteps(): void {
  const { history } = useSession.getState();
  if (!history || history === versioned || history.past.length === 0) return;
  versioned = history;
  void versionHourly(history.job).catch(() => undefined);
  if (hasAsked || typeof navigator === 'undefined' || !navigator.storage) return;
  hasAsked = true;
  void navigator.storage.persist?.().catch(() => false);
  void lookAtRoom();
}

async function lookAtRoom(): Promise<void> {
  const { quota, usage } = (await navigator.storage?.estimate?.()) ?? {};
  if (quota === undefined || usage === undefined) return;
  const left = quota - usage;
  useSaving.setState({ room: left < SHORT ? left : undefined });
}

function changed(session: Session): void {
  if (isKept(session) || useSaving.getState().gone) return;
  if (useSaving.getState().state === 'failed') return;
  useSaving.setState({ state: 'saving' });
  if (running) return;
  // A pointer that moves keeps timers waiting: what it moves asks by itself whether it is time.
  const wait = session.history === kept.history ? liveWait(session.live) : 0;
  if (wait === 0) void write();
  else timer ??= setTimeout(() => void write(), wait);
}

/** Takes up what somebody else has written. */
async function catchUp(): Promise<void> {
  const { jobId } = useSession.getState();
  const opened = jobId ? await openJob(jobId) : undefined;
  if (!opened) {
    useSaving.setState({ gone: jobId !== undefined });
    return;
  }
  known = opened.written;
  kept = { history: opened.history, live: undefined };
  takeUp(opened.history);
}

/** Follows the shelf, unless something is being written: that finds out by itself. */
async function follow(): Promise<void> {
  const { jobId } = useSession.getState();
  if (!jobId || running) return;
  const head = await db.heads.get(jobId);
  if (!running && jobId === useSession.getState().jobId && head?.revision !== known.revision) await catchUp();
}

/**
 * Opens a job for work; one that is open goes on where it is. False where there is none of that id. Throws JobFileError
 * where it cannot be opened, and an Error with words where the one before cannot be saved.
 */
export async function openSession(jobId: string): Promise<boolean> {
  if (useSession.getState().jobId === jobId && useSession.getState().history && !useSaving.getState().gone) {
    await follow();
    return true;
  }
  await flush();
  const { history: last } = useSession.getState();
  if (useSaving.getState().state === 'failed' && last)
    throw new Error(`${last.job.name} is not saved yet: ${useSaving.getState().why} It is opened again by Back.`);
  closeSession();
  useSession.setState({ jobId });
  // What is done as soon as the piece is there is written on its thread already.
  startWriter();
  await takeLeft();
  const opened = await openJob(jobId);
  // Another job may have been asked for meanwhile.
  if (useSession.getState().jobId !== jobId) return opened !== undefined;
  if (!opened) return false;
  const { history, live, written } = opened;
  known = written;
  kept = { history, live: undefined };
  // A tab that was closed in the middle of a gesture left what it had come to.
  useSession.setState({ history: live ? step(history, live.name, live.job, nanoid(10)) : history });
  return true;
}

/** Closes the session: the next one begins anew. */
export function closeSession(): void {
  clearTimeout(timer);
  timer = undefined;
  known = { revision: 0, whole: 0, steps: new Map() };
  kept = { history: undefined, live: undefined };
  useSession.setState(EMPTY_SESSION);
  useSaving.setState({ state: 'saved', why: undefined, gone: false });
}

/** Puts a job that was deleted elsewhere back, as it is here. */
export async function keepAfterAll(): Promise<void> {
  const { history } = useSession.getState();
  if (!history) return;
  known = await writeLost(history);
  kept = { history, live: undefined };
  useSaving.setState({ gone: false });
}

/** The page goes: what is on its way to the shelf does not get there any more, and is left for whoever opens the job next. */
export function leave(): void {
  const plan = isKept(useSession.getState()) || useSaving.getState().gone ? undefined : planned();
  if (plan) leaveBehind(plan);
}

useSession.subscribe(changed);
hear((news) => {
  if (news.job !== useSession.getState().jobId) return;
  if ('gone' in news) useSaving.setState({ gone: true });
  else if (news.revision !== known.revision) void follow();
});

if (typeof window !== 'undefined') {
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden' && !isKept(useSession.getState())) void write();
  });
  window.addEventListener('pagehide', () => {
    commitField();
    leave();
  });
  window.addEventListener('storage', ({ key, newValue }) => {
    if (newValue !== null && isLeftBehind(key)) void takeLeft().then(follow);
  });
  void takeLeft();
  window.addEventListener('beforeunload', (event) => {
    commitField();
    if (isKept(useSession.getState()) || useSaving.getState().gone) return;
    void write();
    event.preventDefault();
  });
  // A page that comes back from the browser's cache is as old as when it was left: nothing is done in it until it is not.
  window.addEventListener('pageshow', ({ persisted }) => {
    if (!persisted) return;
    document.body.inert = true;
    void takeLeft()
      .then(follow)
      .finally(() => {
        document.body.inert = false;
      });
  });
}
