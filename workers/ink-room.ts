import { proxy } from 'comlink';
import { hire, type Room } from './hire';
import type { InkRoom } from './ink-room.worker';
import type { BytesOf } from './kit';

let shared: Room<InkRoom> | undefined;
/** The plates, in a worker of their own: an edit's inks are not kept waiting by a picture. `bytesOf` finds files by hash. */
export function inkRoom(bytesOf: BytesOf): Room<InkRoom> {
  shared ??= hire<InkRoom>(() => new Worker(new URL('./ink-room.worker.ts', import.meta.url), { type: 'module' }), {
    begin: (remote) => remote.openShelf(proxy(bytesOf)),
  }).room;
  return shared;
}
