import { hire, type Room } from './hire';
import type { PressRoom } from './press-room.worker';

const start = (): Worker => new Worker(new URL('./press-room.worker.ts', import.meta.url), { type: 'module' });

export interface Borrowed {
  room: Room<PressRoom>;
  /** Stops it whatever it is doing. */
  dismiss(): void;
  /** Its work has ended well: the next one finds it ready. */
  giveBack(): void;
}

let idle: ReturnType<typeof hire<PressRoom>> | undefined;
/** A worker of one's own for long work: the one that is ready, else a new one. */
export function borrowPressRoom(): Borrowed {
  const hired = idle ?? hire<PressRoom>(start);
  idle = undefined;
  return {
    ...hired,
    giveBack() {
      if (idle) hired.dismiss();
      else idle = hired;
    },
  };
}

let shared: Room<PressRoom> | undefined;
/** The worker all rooms share for short work. */
export function sharedPressRoom(): Room<PressRoom> {
  shared ??= hire<PressRoom>(start).room;
  return shared;
}
