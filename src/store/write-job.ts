import type { WritePlan } from './plan-write';
import { db } from './shelf';

/** Writes of a job to the shelf, each a transaction: on the page's thread or on one of its own. */

export const TABLES = () => [db.jobs, db.heads, db.steps];

export type Rows = Omit<WritePlan, 'written'>;

/** What became of a write: nothing is written where somebody else has written the job since, or deleted it. */
export type Outcome = 'written' | 'newer' | 'gone';

/** Puts the rows of a write there, within a transaction. */
export async function writePlan({ head, put, remove, row }: Rows): Promise<void> {
  if (remove.length > 0) await db.steps.bulkDelete(remove.map((number): [string, number] => [head.id, number]));
  if (put.length > 0) await db.steps.bulkPut(put);
  if (row) await db.jobs.put(row);
  await db.heads.put(head);
}

/** Carries out a write that was planned from a revision of the job. */
export const writeJob = (rows: Rows, revision: number): Promise<Outcome> =>
  db.transaction('rw', TABLES(), async () => {
    const { id } = rows.head;
    const before = await db.heads.get(id);
    if (!before && (await db.jobs.where('id').equals(id).count()) === 0) return 'gone';
    if ((before?.revision ?? 0) !== revision) return 'newer';
    await writePlan(rows);
    return 'written';
  });
