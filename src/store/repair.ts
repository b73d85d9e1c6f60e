import type { Zippable } from 'fflate';
import { assetPath, fontPath, profilePath, tablePath } from '../../core/files/job-parts';
import { JobFileError, readJob } from '../../core/files/read-job';
import { salvage } from '../../core/job/salvage';
import type { Job } from '../../core/job/schema';
import { keepBundle } from './kept-jobs';
import { db } from './shelf';
import { keepVersion } from './versions';

/** Jobs that cannot be opened as they are kept. */

const HASH = /\b[0-9a-f]{64}\b/g;

/** All that is kept of a job, as entries of a zip: its state as it is, its steps, and every file that it names. */
export async function rawFile(id: string): Promise<Zippable> {
  const row = await db.jobs.get(id);
  if (!row) throw new JobFileError('This job is not in this browser any more.');
  const text = JSON.stringify(row.job, null, 1);
  const rest = { head: await db.heads.get(id), steps: await db.steps.where('job').equals(id).toArray() };
  const entries: Zippable = {
    'job.json': new TextEncoder().encode(text),
    'steps.json': new TextEncoder().encode(JSON.stringify(rest, null, 1)),
  };
  const {
    assets = {},
    fonts = {},
    conditions = {},
  } = row.job as {
    assets?: Partial<Job['assets']>;
    fonts?: object;
    conditions?: object;
  };
  for (const hash of new Set(text.match(HASH) ?? [])) {
    const bytes = (await db.assets.get(hash))?.bytes;
    const asset = assets[hash];
    const path = asset
      ? assetPath(hash, asset)
      : hash in fonts
        ? fontPath(hash)
        : hash in conditions
          ? profilePath(hash)
          : tablePath(hash);
    if (bytes) entries[path] = [bytes, { level: 0 }];
  }
  return entries;
}

/**
 * Makes of a job what can be opened of it; what it was stays as a version. Answers what was set aside, in words. Throws
 * where nothing can be opened.
 */
export async function repairJob(id: string): Promise<{ job: Job; aside: string[] }> {
  const row = await db.jobs.get(id);
  if (!row) throw new JobFileError('This job is not in this browser any more.');
  const found = salvage(row.job);
  if (!found)
    throw new JobFileError('Nothing of this job can be opened. Export the raw file and ask for help with it.');
  const job = readJob({ ...found.job, id });
  await keepVersion({ ...(row.job as Job), id }, 'before a repair', 'Before the repair');
  await keepBundle({ job, assets: {} });
  return { job, aside: found.aside };
}
