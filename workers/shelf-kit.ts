import { openKit } from './kit';
import { shelfBytes } from './shelf-files';

/** The kit of a worker, from the shelf: one for all that runs in its thread. */
export const shelfKit = openKit(shelfBytes);
