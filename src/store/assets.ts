import type { Table } from 'dexie';
import { filesOf } from '../../core/files/job-parts';
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

/** Every hash that the rows of a table name. Row by row: nobody who wants to write waits for all of them. */
async function namedIn(table: Table): Promise<string[]> {
  const named: string[] = [];
  for (const key of await table.toCollection().primaryKeys()) {
    const text = JSON.stringify(await table.get(key), (_, value) => (value instanceof Uint8Array ? undefined : value));
    named.push(...(text?.match(HASH) ?? []));
  }
  return named;
}

/**
 * Deletes the files that nothing names any more: no job, none of its steps, no version, nothing in the bin. Answers how
 * many went.
 */
export async function clearUnused(now = Date.now()): Promise<number> {
  const files = await db.assets.toCollection().primaryKeys();
  const named = new Set<string>();
  // The bin twice: what goes there or comes back meanwhile is seen on one side or the other.
  for (const table of [db.bin, db.jobs, db.heads, db.steps, db.versions, db.bin])
    for (const hash of await namedIn(table)) named.add(hash);
  let gone = 0;
  // What has been put there again meanwhile is young.
  for (const hash of files.filter((each) => !named.has(each)))
    await db.transaction('rw', db.assets, async () => {
      const file = await db.assets.get(hash);
      if (!file || now - (file.put ?? 0) <= YOUNG) return;
      await db.assets.delete(hash);
      gone++;
    });
  return gone;
}
