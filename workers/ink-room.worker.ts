import { expose } from 'comlink';

type Work = typeof import('./ink-work');

// As in the press room: the door opens before the work is here.
const work = import('./ink-work');

const api = {
  ready: async (): Promise<void> => void (await work),
  readInks: async (...args: Parameters<Work['readInks']>) => (await work).readInks(...args),
  readSurfaces: async (...args: Parameters<Work['readSurfaces']>) => (await work).readSurfaces(...args),
  readMixtures: async (...args: Parameters<Work['readMixtures']>) => (await work).readMixtures(...args),
  facePlates: async (...args: Parameters<Work['facePlates']>) => (await work).facePlates(...args),
  coloursIn: async (...args: Parameters<Work['coloursIn']>) => (await work).coloursIn(...args),
  testCuts: async (...args: Parameters<typeof import('./cut-work')['testCuts']>) =>
    (await import('./cut-work')).testCuts(...args),
  reviewed: async (...args: Parameters<typeof import('./review-work')['reviewed']>) =>
    (await import('./review-work')).reviewed(...args),
  cameBackPictures: async (...args: Parameters<typeof import('./came-work')['cameBackPictures']>) =>
    (await import('./came-work')).cameBackPictures(...args),
  asCut: async (...args: Parameters<Work['asCut']>) => (await work).asCut(...args),
  lookAt: async (...args: Parameters<Work['lookAt']>) => (await work).lookAt(...args),
};
export type InkRoom = typeof api;
expose(api);
