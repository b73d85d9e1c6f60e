import { hire, type Room } from './hire';
import type { Rooms } from './rooms.worker';
import { start } from './start';

let shared: Room<Rooms['ink']> | undefined;
/** The plates, in a worker of their own: an edit's inks are not kept waiting by a picture. */
export function inkRoom(): Room<Rooms['ink']> {
  shared ??= hire<Rooms['ink']>(() => start('ink')).room;
  return shared;
}
