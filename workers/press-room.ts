import { hire, type Room } from './hire';
import type { Rooms } from './rooms.worker';
import { start } from './start';

export type PressRoom = Room<Rooms['press']>;

const hirePress = () => hire<Rooms['press']>(() => start('press'));

export interface Borrowed {
  room: PressRoom;
  /** Stops it whatever it is doing. */
  dismiss(): void;
  /** Its work has ended well: the next one finds it ready. */
  giveBack(): void;
}

let idle: ReturnType<typeof hirePress> | undefined;
/** A worker of one's own for long work: the one that is ready, else a new one. */
export function borrowPressRoom(): Borrowed {
  const hired = idle ?? hirePress();
  idle = undefined;
  return {
    ...hired,
    giveBack() {
      if (idle) hired.dismiss();
      else idle = hired;
    },
  };
}

let shared: PressRoom | undefined;
/** The worker all rooms share for short work. */
export function sharedPressRoom(): PressRoom {
  shared ??= hirePress().room;
  return shared;
}
