import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Progress } from '../../core/files/pdf/document';
import { borrowPressRoom, type PressRoom } from '../../workers/press-room';

export interface Writing {
  /** How far it is; nothing is being written where it is left out. */
  progress: Progress | undefined;
  problem: string | undefined;
  stop(): void;
  /** Has a worker of its own do something; undefined where that was stopped or went wrong. */
  run<T>(
    work: (room: PressRoom, tell: (progress: Progress) => void, stopped: AbortSignal) => Promise<T>,
  ): Promise<T | undefined>;
}

/** Writing files off the page's thread: one thing at a time, with its progress, that can be stopped. */
export function useWriting(): Writing {
  const [progress, setProgress] = useState<Progress>();
  const [problem, setProblem] = useState<string>();
  const stopped = useRef<() => void>(undefined);
  useEffect(() => () => stopped.current?.(), []);
  return {
    progress,
    problem,
    stop: () => stopped.current?.(),
    async run(work) {
      stopped.current?.();
      const { room, dismiss, giveBack } = borrowPressRoom();
      let live = true;
      const halt = new AbortController();
      const end = (leave: () => void): void => {
        live = false;
        leave();
        setProgress(undefined);
        stopped.current = undefined;
      };
      setProblem(undefined);
      setProgress({ done: 0, what: 'Starting' });
      // Work that is stopped never answers: whoever waits for it is told here.
      const given = new Promise<undefined>((tell) => {
        stopped.current = () => {
          end(dismiss);
          halt.abort();
          tell(undefined);
        };
      });
      try {
        const hear = proxy((told: Progress) => {
          if (live) setProgress(told);
        });
        const done = await Promise.race([work(room, hear, halt.signal), given]);
        if (live) end(giveBack);
        return done;
      } catch (error) {
        if (live) setProblem((error as Error).message);
        if (live) end(dismiss);
        return undefined;
      }
    },
  };
}
