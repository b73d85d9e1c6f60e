import { hire, type Room } from './hire';
import type { Rooms } from './rooms.worker';
import { start } from './start';

/** A worker that looks for layouts, and the means to stop it. */
export const hireSheetRoom = (): { room: Room<Rooms['sheet']>; dismiss(): void } =>
  hire<Rooms['sheet']>(() => start('sheet'));
