import * as z from 'zod';
import type { Progress } from '../../../core/files/pdf/document';
import { rangesOf } from '../../../core/units/ranges';
import { answerOf } from '../../parts/answer-of';

/** Runs written by the machine that serves the app. */

const seenSchema = z.object({
  state: z.enum(['waiting', 'writing', 'ready', 'failed']),
  done: z.number(),
  before: z.number(),
  said: z.string(),
  size: z.number(),
});

export interface ServerRun {
  id: string;
  /** Where the file is fetched from. */
  file: string;
  said: string;
}

/** How often it is asked how far it is, in milliseconds. */
const OFTEN = 500;
const GONE = 'The server does not answer. Export in the browser, or start the server again.';

const answer = (response: Promise<Response>): Promise<unknown> => answerOf(response, GONE);

/** Sends a job, waits until its run is written, and says meanwhile how far it is. Throws with words for the user; cancelled by the signal. */
export async function runOnServer(
  bytes: Uint8Array,
  asked: { piece: string; as: string; rows?: string },
  tell: (progress: Progress) => void,
  signal: AbortSignal,
): Promise<ServerRun> {
  tell({ done: 0, what: 'Sending the job to the server' });
  const query = new URLSearchParams(asked);
  const { id } = z.object({ id: z.string() }).parse(
    await answer(
      fetch(`/api/runs?${query}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/x-tidyedge' },
        body: bytes as BufferSource,
        signal,
      }),
    ),
  );
  const cancel = (): void => void fetch(`/api/runs/${id}`, { method: 'DELETE', keepalive: true });
  signal.addEventListener('abort', cancel);
  try {
    for (;;) {
      const { state, done, before, said } = seenSchema.parse(await answer(fetch(`/api/runs/${id}`, { signal })));
      if (state === 'ready') return { id, file: `/api/runs/${id}/file`, said };
      if (state === 'failed') throw new Error(said);
      tell(
        state === 'waiting'
          ? { done: 0, what: `Waiting: ${before} before this one` }
          : { done, what: 'The server checks and writes' },
      );
      await new Promise((go) => setTimeout(go, OFTEN));
      signal.throwIfAborted();
    }
  } finally {
    signal.removeEventListener('abort', cancel);
  }
}

/** Rows of a run by their place in it, as the command line takes them. */
export function placesAsked(printed: readonly number[], only: readonly number[]): string | undefined {
  if (only.length === 0) return undefined;
  const wanted = new Set(only);
  return rangesOf(printed.flatMap((row, place) => (wanted.has(row) ? [place] : [])));
}
