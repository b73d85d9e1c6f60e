import { filesOf } from '../../core/files/job-file';
import type { Job } from '../../core/job/schema';
import { db } from './shelf';

/** Files by the hash of their bytes: pictures, fonts and profiles. */

export const bytesOf = async (hash: string): Promise<Uint8Array | undefined> => (await db.assets.get(hash))?.bytes;

export const keepAsset = (hash: string, bytes: Uint8Array): Promise<unknown> =>
  db.assets.put({ hash, bytes, put: Date.now() });

/** The bytes of a job's files; those that are not there are left out. */
export async function loadAssets(job: Job): Promise<Record<string, Uint8Array>> {
  const rows = await db.assets.bulkGet(filesOf(job));
  return Object.fromEntries(rows.flatMap((row) => (row ? [[row.hash, row.bytes] as const] : [])));
}

const HASH = /\b[0-9a-f]{64}\b/g;
/** What has just been put there may be named by an edit that is still to be written, in this tab or another. */
const YOUNG = 24 * 3600 * 1000;

/**
 * Deletes the files that nothing names any more: no job, none of its steps, no version, nothing in the bin. Answers how
 * many went.
 */
export const clearUnused = (now = Date.now()): Promise<number> =>
  db.transaction('rw', [db.jobs, db.heads, db.steps, db.versions, db.bin, db.assets], async () => {
    const named = new Set<string>();
    for (const table of [db.jobs, db.heads, db.steps, db.versions, db.bin])
      await table.each((row) => {
        for (const hash of JSON.stringify(row, (_, value) => (value instanceof Uint8Array ? undefined : value)).match(
          HASH,
        ) ?? [])
          named.add(hash);
      });
    const unused: string[] = [];
    await db.assets.each(({ hash, put }) => {
      if (!named.has(hash) && now - (put ?? 0) > YOUNG) unused.push(hash);
    });
    await db.assets.bulkDelete(unused);
    return unused.length;
  });
