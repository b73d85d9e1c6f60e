import { proxy, type Remote, wrap } from 'comlink';
import type { InkRoom } from './ink-room.worker';

let shared: Remote<InkRoom> | undefined;
/** The plates, in a worker of their own: an edit's inks are not kept waiting by a picture. `bytesOf` finds files by hash. */
export function inkRoom(bytesOf: (hash: string) => Promise<Uint8Array | undefined>): Remote<InkRoom> {
  if (!shared) {
    shared = wrap<InkRoom>(new Worker(new URL('./ink-room.worker.ts', import.meta.url), { type: 'module' }));
    void shared.openShelf(proxy(bytesOf));
  }
  return shared;
}
