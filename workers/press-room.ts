import { proxy } from 'comlink';
import { hire, type Room } from './hire';
import type { BytesOf } from './kit';
import type { PressRoom } from './press-room.worker';

const start = (): Worker => new Worker(new URL('./press-room.worker.ts', import.meta.url), { type: 'module' });

/** A worker of one's own, and the means to stop it whatever it is doing. */
export const hirePressRoom = (): { room: Room<PressRoom>; dismiss(): void } => hire<PressRoom>(start);

let shared: Room<PressRoom> | undefined;
/** The worker all rooms share for short work. `bytesOf` finds files by hash. */
export function sharedPressRoom(bytesOf: BytesOf): Room<PressRoom> {
  shared ??= hire<PressRoom>(start, { begin: (remote) => remote.openShelf(proxy(bytesOf)) }).room;
  return shared;
}
