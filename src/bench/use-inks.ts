import { useEffect, useRef, useState } from 'react';
import type { Job } from '../../core/job/schema';
import type { InkReading } from '../../workers/ink-work';
import { plateRoom } from './kit';

/** What could not be answered is asked again after this, in milliseconds, so many times. */
const AGAIN = 2000;
const MOST_TRIES = 4;

/** One question at a time, and always the newest next. */
export function newestOnly<A, R>(
  ask: (asked: A) => Promise<R>,
  take: (answer: R) => void,
  fail: (why: string) => void = () => {},
): (asked: A) => void {
  let next: { asked: A } | undefined;
  let busy = false;
  let tries = 0;
  return (asked) => {
    next = { asked };
    if (busy) return;
    busy = true;
    void (async () => {
      while (next) {
        const now: A = next.asked;
        next = undefined;
        try {
          take(await ask(now));
          tries = 0;
        } catch (error) {
          console.warn(`The plates could not be read: ${(error as Error).message}`);
          // A worker that was lost is another one the next time; what fails each time is not asked for ever.
          if (++tries < MOST_TRIES) {
            next ??= { asked: now };
            await new Promise((resolve) => setTimeout(resolve, AGAIN));
          } else fail((error as Error).message);
        }
      }
      busy = false;
    })();
  };
}

/** In the middle of a gesture plates are laid only when it pauses, in milliseconds: the gesture has the machine first. */
const PAUSE = 400;

/** What the plates of a piece say, and why they could not be read in the end. */
export interface OnPress {
  reading: InkReading | undefined;
  failure: string | undefined;
}

/** What the plates of a piece say; the last answer stays until there is another. */
export function useInks(job: Job | undefined, pieceId: string, live: boolean): OnPress {
  const [onPress, setOnPress] = useState<OnPress>({ reading: undefined, failure: undefined });
  const [ask] = useState(() =>
    newestOnly(
      (asked: { job: Job; pieceId: string }) => plateRoom().readInks(asked),
      // Most edits change nothing of it: what reads it is then not worked out again.
      (reading) => {
        const now = { reading, failure: undefined };
        setOnPress((was) => (JSON.stringify(was) === JSON.stringify(now) ? was : now));
      },
      (failure) => setOnPress({ reading: undefined, failure }),
    ),
  );
  // A gesture that begins asks for nothing new.
  const asked = useRef<Job>(undefined);
  useEffect(() => {
    if (!job || asked.current === job) return;
    const wait = setTimeout(
      () => {
        asked.current = job;
        ask({ job, pieceId });
      },
      live ? PAUSE : 0,
    );
    return () => clearTimeout(wait);
  }, [job, pieceId, live, ask]);
  return onPress;
}
