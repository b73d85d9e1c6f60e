import { hire, type Room } from './hire';
import type { SheetRoomWork } from './sheet-room.worker';

/** A worker that looks for layouts, and the means to stop it. */
export const hireSheetRoom = (): { room: Room<SheetRoomWork>; dismiss(): void } =>
  hire<SheetRoomWork>(() => new Worker(new URL('./sheet-room.worker.ts', import.meta.url), { type: 'module' }));
