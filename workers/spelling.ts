import { hire, type Room } from './hire';
import type { Rooms } from './rooms.worker';
import { start } from './start';

let shared: Room<Rooms['spelling']> | undefined;
/** The dictionaries, in a worker of their own: they take a while to open. */
export function spellingRoom(): Room<Rooms['spelling']> {
  shared ??= hire<Rooms['spelling']>(() => start('spelling')).room;
  return shared;
}
