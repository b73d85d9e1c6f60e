import { expose } from 'comlink';

type Work = typeof import('./sheet-work');

// As in the press room: the door opens before the work is here.
const work = import('./sheet-work');

const api = {
  ready: async (): Promise<void> => void (await work),
  plans: async (...args: Parameters<Work['plans']>) => (await work).plans(...args),
};
export type SheetRoomWork = typeof api;
expose(api);
