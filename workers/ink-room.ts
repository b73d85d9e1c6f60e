import { hire, type Room } from './hire';
import type { InkRoom } from './ink-room.worker';

let shared: Room<InkRoom> | undefined;
/** The plates, in a worker of their own: an edit's inks are not kept waiting by a picture. */
export function inkRoom(): Room<InkRoom> {
  shared ??= hire<InkRoom>(() => new Worker(new URL('./ink-room.worker.ts', import.meta.url), { type: 'module' })).room;
  return shared;
}
