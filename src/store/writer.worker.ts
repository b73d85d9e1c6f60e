import { expose } from 'comlink';
import { type Outcome, type Rows, writeJob } from './write-job';

const api = {
  ready: async (): Promise<void> => undefined,
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
