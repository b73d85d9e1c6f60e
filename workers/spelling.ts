import { type Remote, wrap } from 'comlink';
import type { SpellingRoom } from './spelling.worker';

let shared: Remote<SpellingRoom> | undefined;
/** The dictionaries, in a worker of their own: they take a while to open. */
export function spellingRoom(): Remote<SpellingRoom> {
  shared ??= wrap<SpellingRoom>(new Worker(new URL('./spelling.worker.ts', import.meta.url), { type: 'module' }));
  return shared;
}
