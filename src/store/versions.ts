import { nanoid } from 'nanoid';
import type { Job } from '../../core/job/schema';
import { db, type Version } from './shelf';

/** Whole jobs as they were. */

const HOUR = 3600 * 1000;
/** Versions kept by themselves, at most; those with a name, and hand-offs, stay. */
const MOST_HOURLY = 60;

export const keepVersion = (job: Job, why: Version['why'], name: string): Promise<unknown> =>
  db.versions.put({ id: nanoid(10), job: job.id, at: new Date().toISOString(), why, name, state: job });

/** Keeps the job as it was handed off in some of its pieces; once for each state. */
export async function keepHandOff(job: Job, pieces: readonly string[]): Promise<void> {
  const all = await versionsOf(job.id);
  if (all.some(({ why, state }) => why === 'hand-off' && state.changed === job.changed)) return;
  const names = job.pieces.flatMap(({ id, name }) => (pieces.includes(id) ? [name] : []));
  await keepVersion(job, 'hand-off', names.join(', ').slice(0, 120));
}

/** The versions of a job, the newest first. */
export const versionsOf = async (jobId: string): Promise<Version[]> =>
  (await db.versions.where('job').equals(jobId).toArray()).sort((a, b) => (a.at < b.at ? 1 : -1));

const lastAt = new Map<string, number>();

/** Keeps a version where the last one, of whatever kind, is an hour old or there is none. */
export async function versionHourly(job: Job, now = Date.now()): Promise<void> {
  if (now - (lastAt.get(job.id) ?? 0) < HOUR) return;
  lastAt.set(job.id, now);
  await db.transaction('rw', db.versions, async () => {
    const all = await versionsOf(job.id);
    const newest = all[0] ? Date.parse(all[0].at) : 0;
    if (now - newest < HOUR) {
      lastAt.set(job.id, newest);
      return;
    }
    await keepVersion(job, 'hourly', '');
    const hourly = all.filter(({ why }) => why === 'hourly').slice(MOST_HOURLY - 1);
    await db.versions.bulkDelete(hourly.map(({ id }) => id));
  });
}
