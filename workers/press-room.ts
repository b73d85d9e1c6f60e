import { type Remote, wrap } from 'comlink';
import type { PressRoom } from './press-room.worker';

/** A worker of one's own, and the means to stop it whatever it is doing. */
export function hirePressRoom(): { room: Remote<PressRoom>; dismiss(): void } {
  const worker = new Worker(new URL('./press-room.worker.ts', import.meta.url), { type: 'module' });
  return { room: wrap<PressRoom>(worker), dismiss: () => worker.terminate() };
}

let shared: Remote<PressRoom> | undefined;
/** The worker all rooms share for short work. */
export function pressRoom(): Remote<PressRoom> {
  shared ??= hirePressRoom().room;
  return shared;
}
