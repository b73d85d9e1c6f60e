import type { WritePlan } from './plan-write';
import { db } from './shelf';

/** Writes of a job to the shelf, each a transaction: on the page's thread or on one of its own. */

export const TABLES = () => [db.jobs, db.heads, db.steps];

export type Rows = Omit<WritePlan, 'written'>;

/** What became of a write: nothing is written where somebody else has written the job since, or deleted it. */
export type Outcome = 'written' | 'newer' | 'gone';

/**
 * Puts the rows of a write there, within a transaction. All are asked for at once: each answer that is waited for is time in
 * which the browser can be killed.
 */
export async function writePlan({ head, put, remove, row }: Rows): Promise<void> {
  await Promise.all([
    remove.length > 0 && db.steps.bulkDelete(remove.map((number): [string, number] => [head.id, number])),
    put.length > 0 && db.steps.bulkPut(put),
    row && db.jobs.put(row),
    db.heads.put(head),
  ]);
}

/** What is to become of a write that was planned from a revision; asked before its rows are put there. */
async function outcomeOf(id: string, revision: number): Promise<Outcome> {
  const before = await db.heads.get(id);
  if (!before && (await db.jobs.where('id').equals(id).count()) === 0) return 'gone';
  return (before?.revision ?? 0) === revision ? 'written' : 'newer';
}

/** Carries out a write that was planned from a revision of the job. */
export async function writeJob(rows: Rows, revision: number): Promise<Outcome> {
  let outcome: Outcome = 'written';
  try {
    await db.transaction('rw', TABLES(), async (transaction) => {
      // Neither waits for the other: where it turns out that nothing is to be written, all of it is taken back.
      [outcome] = await Promise.all([outcomeOf(rows.head.id, revision), writePlan(rows)]);
      if (outcome !== 'written') transaction.abort();
    });
  } catch (error) {
    if (outcome === 'written') throw error;
  }
  return outcome;
}
