import { hire, type Room } from './hire';
import type { SpellingRoom } from './spelling.worker';

let shared: Room<SpellingRoom> | undefined;
/** The dictionaries, in a worker of their own: they take a while to open. */
export function spellingRoom(): Room<SpellingRoom> {
  shared ??= hire<SpellingRoom>(
    () => new Worker(new URL('./spelling.worker.ts', import.meta.url), { type: 'module' }),
  ).room;
  return shared;
}
