import { expose } from 'comlink';
import { db } from './shelf';
import { type Outcome, type Rows, writeJob } from './write-job';

const api = {
  /** The shelf is opened before anything is to be written: opening takes longer than the first write may. */
  ready: async (): Promise<void> => void (await db.open()),
  async write(rows: Rows, revision: number): Promise<Outcome> {
    try {
      return await writeJob(rows, revision);
    } catch (error) {
      // What is behind a transaction that failed does not come through to the page by itself.
      const { name, message, inner } = error as Error & { inner?: Error };
      throw Object.assign(new Error(inner?.message ?? message), { name: inner?.name ?? name });
    }
  },
};
export type WriterWork = typeof api;
expose(api);
