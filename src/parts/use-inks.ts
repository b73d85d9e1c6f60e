import { useEffect, useState } from 'react';
import type { Job } from '../../core/job/schema';
import { inkRoom } from '../../workers/ink-room';
import type { InkReading } from '../../workers/ink-work';
import { db } from '../store/db';

export const plateRoom = () => inkRoom(async (hash) => (await db.assets.get(hash))?.bytes);

/** One question at a time, and always the newest next. */
export function newestOnly<A, R>(ask: (asked: A) => Promise<R>, take: (answer: R) => void): (asked: A) => void {
  let next: { asked: A } | undefined;
  let busy = false;
  return (asked) => {
    next = { asked };
    if (busy) return;
    busy = true;
    void (async () => {
      while (next) {
        const now = next.asked;
        next = undefined;
        try {
          take(await ask(now));
        } catch (error) {
          console.warn(`The plates could not be read: ${(error as Error).message}`);
        }
      }
      busy = false;
    })();
  };
}

/** What the plates of a piece say; the last answer stays until there is a newer one. */
export function useInks(job: Job | undefined, pieceId: string): InkReading | undefined {
  const [reading, setReading] = useState<InkReading>();
  const [ask] = useState(() =>
    newestOnly((asked: { job: Job; pieceId: string }) => plateRoom().readInks(asked), setReading),
  );
  useEffect(() => {
    if (job) ask({ job, pieceId });
  }, [job, pieceId, ask]);
  return reading;
}
