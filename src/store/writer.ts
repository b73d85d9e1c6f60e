import { hire, type Room, WorkerLost } from '../../workers/hire';
import { db } from './shelf';
import { type Outcome, type Rows, writeJob } from './write-job';
import type { WriterWork } from './writer.worker';

/** Carries out writes, one at a time. */
export interface Writer {
  /** Starts its thread; until that is there, and where it is lost, the page writes by itself. */
  ready(): Promise<void>;
  write(rows: Rows, revision: number): Promise<Outcome>;
}

const TOO_LONG = 15_000;

/**
 * Writes on a thread of their own: on the page's, a write waits for whatever is drawn, and while the pointer moves that
 * is half a second at times.
 */
export function createWriter(make: () => Worker): Writer {
  let room: Room<WriterWork> | undefined;
  let isReady = false;
  return {
    async ready() {
      room ??= hire<WriterWork>(make, {
        limits: { write: { within: TOO_LONG, words: 'Saving takes too long.' } },
      }).room;
      await room.ready();
      isReady = true;
    },
    async write(rows, revision) {
      if (!room || !isReady) return writeJob(rows, revision);
      try {
        return await room.write(rows, revision);
      } catch (error) {
        if (!(error instanceof WorkerLost)) throw error;
        isReady = false;
        // It may have got there all the same.
        const head = await db.heads.get(rows.head.id);
        return head?.by === rows.head.by && head?.revision === rows.head.revision
          ? 'written'
          : writeJob(rows, revision);
      }
    },
  };
}
