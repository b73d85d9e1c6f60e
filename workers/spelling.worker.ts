import { expose } from 'comlink';

type Work = typeof import('./spelling-work');

// As in the press room: the door opens before the work is here.
const work = import('./spelling-work');

const api = {
  ready: async (): Promise<void> => void (await work),
  misspelt: async (...args: Parameters<Work['misspelt']>) => (await work).misspelt(...args),
};
export type SpellingRoom = typeof api;
expose(api);
