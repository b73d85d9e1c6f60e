import type { Rooms } from './rooms.worker';

/** A worker that does what its room is for. */
export const start = (name: keyof Rooms): Worker =>
  new Worker(new URL('./rooms.worker.ts', import.meta.url), { type: 'module', name });
