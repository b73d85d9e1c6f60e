import { type Remote, wrap } from 'comlink';
import type { SheetRoomWork } from './sheet-room.worker';

/** A worker that looks for layouts, and the means to stop it. */
export function hireSheetRoom(): { room: Remote<SheetRoomWork>; dismiss(): void } {
  const worker = new Worker(new URL('./sheet-room.worker.ts', import.meta.url), { type: 'module' });
  return { room: wrap<SheetRoomWork>(worker), dismiss: () => worker.terminate() };
}
