import type { JobBundle } from '../../core/files/job-parts';
import { JobFileError } from '../../core/files/read-job';
import type { History } from '../../core/job/history';
import type { Job } from '../../core/job/schema';
import { announce } from './channel';
import { type Opened, openKept } from './open-kept';
import { planWrite, type Written } from './plan-write';
import { type Binned, db } from './shelf';
import { TABLES } from './write-job';

/** Jobs on the shelf: opened, put there whole, put in the bin. */

/** A kept job with its history; undefined where there is none of that id. Throws JobFileError where it cannot be opened. */
export async function openJob(id: string): Promise<Opened | undefined> {
  const [row, head, steps] = await db.transaction('r', TABLES(), () =>
    Promise.all([db.jobs.get(id), db.heads.get(id), db.steps.where('job').equals(id).toArray()]),
  );
  return row && openKept(row, head, steps);
}

/** The job of that id as it is now. */
export async function loadJob(id: string): Promise<Job | undefined> {
  const opened = await openJob(id);
  return opened?.live?.job ?? opened?.history.job;
}

/** Puts a whole job there with its pictures, in place of one of the same id; all of it or nothing. */
export async function keepBundle({ job, assets }: JobBundle): Promise<void> {
  const revision = await db.transaction('rw', [...TABLES(), db.assets], async () => {
    const before = await db.heads.get(job.id);
    const next = (before?.revision ?? 0) + 1;
    const put = Date.now();
    await db.assets.bulkPut(Object.entries(assets).map(([hash, bytes]) => ({ hash, bytes, put })));
    await db.steps.where('job').equals(job.id).delete();
    await db.jobs.put({ id: job.id, changed: job.changed, at: 0, job });
    await db.heads.put({ id: job.id, revision: next, changed: job.changed, at: 0, top: 0 });
    return next;
  });
  announce({ job: job.id, revision });
}

/** What the list of jobs shows of one: the job as it is now, or why it cannot be opened. */
export type Listed = { id: string; changed: string; name: string } & ({ job: Job } | { problem: string });

// A job that is still as it was listed is not put together again.
const listed = new Map<string, { revision: number; found: Listed }>();

/** Every job, the one changed last first. One that cannot be opened is listed with the reason, and hides no other. */
export async function listJobs(): Promise<Listed[]> {
  const heads = new Map((await db.heads.toArray()).map((head) => [head.id, head]));
  const ids = await db.jobs.toCollection().primaryKeys();
  const all = await Promise.all(
    ids.map(async (id): Promise<Listed | undefined> => {
      const head = heads.get(id);
      const known = listed.get(id);
      if (head && known?.revision === head.revision) return known.found;
      try {
        const job = await loadJob(id);
        if (!job) return undefined;
        const found: Listed = { id, changed: job.changed, name: job.name, job };
        if (head) listed.set(id, { revision: head.revision, found });
        return found;
      } catch (error) {
        const row = await db.jobs.get(id);
        const name = (row?.job as { name?: unknown } | undefined)?.name;
        return {
          id,
          changed: String(row?.changed ?? ''),
          name: typeof name === 'string' && name.trim() !== '' ? name : 'A job without a name',
          problem: (error as Error).message,
        };
      }
    }),
  );
  return all.filter((each) => each !== undefined).sort((a, b) => (a.changed < b.changed ? 1 : -1));
}

/** The key of a job in the bin. */
export const binKey = (id: string): string => `job ${id}`;

/** Moves a job to the bin: its steps and versions wait there for it. */
export async function binJob(id: string, name: string): Promise<void> {
  await db.transaction('rw', [...TABLES(), db.bin], async () => {
    const row = await db.jobs.get(id);
    if (!row) return;
    const head = await db.heads.get(id);
    await db.bin.put({ id: binKey(id), kind: 'job', at: new Date().toISOString(), name, row, head });
    await db.jobs.delete(id);
    await db.heads.delete(id);
  });
  announce({ job: id, gone: true });
}

/** Brings a job back from the bin as it was. Throws where another of the same id has come meanwhile. */
export async function unbinJob(binned: Extract<Binned, { kind: 'job' }>): Promise<void> {
  const { row, head } = binned;
  await db.transaction('rw', [...TABLES(), db.bin], async () => {
    if ((await db.jobs.where('id').equals(row.id).count()) > 0)
      throw new JobFileError(`${binned.name} is here already. Delete that one first, or export it to a file.`);
    await db.jobs.put(row);
    if (head) await db.heads.put({ ...head, revision: head.revision + 1 });
    await db.bin.delete(binned.id);
  });
  announce({ job: row.id, revision: (head?.revision ?? 0) + 1 });
}

/** Puts an open job back that is no more on the shelf, with its history. */
export async function writeLost(history: History): Promise<Written> {
  const nothing: Written = { revision: 0, whole: 0, steps: new Map() };
  const plan = planWrite(history, undefined, nothing);
  await db.transaction('rw', [...TABLES(), db.bin], async () => {
    const { id } = history.job;
    const binned = await db.bin.get(binKey(id));
    const revision = ((binned?.kind === 'job' ? binned.head?.revision : undefined) ?? 0) + 1;
    await db.steps.where('job').equals(id).delete();
    await db.steps.bulkPut(plan.put);
    await db.jobs.put({ id, changed: history.job.changed, at: history.at, job: history.job });
    await db.heads.put({ ...plan.head, revision });
    await db.bin.delete(binKey(id));
    plan.written.revision = revision;
  });
  announce({ job: history.job.id, revision: plan.written.revision });
  return plan.written;
}
