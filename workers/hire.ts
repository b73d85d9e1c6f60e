import { type Remote, wrap } from 'comlink';

/** What a worker offers, as it is called from the page. */
export type Room<T> = {
  [K in keyof T]: T[K] extends (...args: infer A) => infer R ? (...args: A) => Promise<Awaited<R>> : never;
};

/** What every worker answers first, once its work has loaded. */
interface Readiness {
  ready(): Promise<void>;
}

/** One that fails to load says so at once; one that says nothing is given up after this, in milliseconds. */
const READY_WITHIN = 60_000;

/** A worker could not be started or has died; the work can be tried again. */
export class WorkerLost extends Error {}

/** How long a work may take, in milliseconds, and what is said when it takes longer: its worker is stopped then. */
export interface TimeLimit {
  within: number;
  words: string;
}

export interface Terms<T> {
  /** Prepares a worker that has just started. */
  begin?: (remote: Remote<T>) => Promise<unknown>;
  limits?: Partial<Record<keyof T, TimeLimit>>;
}

interface Running<T> {
  worker: Worker;
  remote: Remote<T>;
  ready: Promise<unknown>;
  lose(error: Error): void;
  /** Never resolves; rejects when the worker is lost. */
  lost: Promise<never>;
}

/**
 * A worker that is started when it is first asked, told of when it does not load or dies, and started anew the next time:
 * nobody waits for it for ever.
 */
export function hire<T extends Readiness>(
  make: () => Worker,
  { begin, limits }: Terms<T> = {},
): { room: Room<T>; dismiss(): void } {
  let running: Running<T> | undefined;

  function start(): Running<T> {
    const worker = make();
    const remote = wrap<T>(worker);
    let lose: (error: Error) => void = () => undefined;
    const lost = new Promise<never>((_, reject) => {
      lose = reject;
    });
    lost.catch(() => undefined);
    worker.addEventListener('error', (event) =>
      lose(new WorkerLost(`A part of the app stopped${event.message ? ` (${event.message})` : ''}. Try again.`)),
    );
    const timer = setTimeout(
      () => lose(new WorkerLost('A part of the app did not load. Check that its server is running, then try again.')),
      READY_WITHIN,
    );
    const loaded = (remote as unknown as { ready(): Promise<void> }).ready().catch((error: Error) => {
      throw new WorkerLost(`A part of the app did not load (${error.message}). Try again.`);
    });
    const ready = Promise.race([loaded, lost])
      .then(() => begin?.(remote))
      .finally(() => clearTimeout(timer));
    ready.catch(() => undefined);
    return { worker, remote, ready, lost, lose };
  }

  async function call(method: string, args: unknown[]): Promise<unknown> {
    running ??= start();
    const now = running;
    try {
      await now.ready;
      const work = (now.remote as unknown as Record<string, (...args: unknown[]) => Promise<unknown>>)[method]!;
      const limit = limits?.[method as keyof T];
      const timer = limit && setTimeout(() => now.lose(new WorkerLost(limit.words)), limit.within);
      try {
        return await Promise.race([work(...args), now.lost]);
      } finally {
        clearTimeout(timer);
      }
    } catch (error) {
      // Wasm that has trapped is not to be trusted any more either.
      if (error instanceof WorkerLost || (error as Error).name === 'RuntimeError') {
        now.worker.terminate();
        if (running === now) running = undefined;
      }
      throw error;
    }
  }

  return {
    // A promise's `then` is asked of whatever is awaited: a room is none.
    room: new Proxy({} as Room<T>, {
      get: (_, method) => (method === 'then' ? undefined : (...args: unknown[]) => call(String(method), args)),
    }),
    dismiss() {
      running?.worker.terminate();
      running = undefined;
    },
  };
}
