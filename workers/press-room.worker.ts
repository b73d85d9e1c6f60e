import { expose } from 'comlink';

type Work = typeof import('./press-work');

// The work waits for wasm while it loads, and a message that came meanwhile would be lost: the door opens first.
const work = import('./press-work');

const api = {
  ready: async (): Promise<void> => void (await work),
  openShelf: async (...args: Parameters<Work['openShelf']>) => (await work).openShelf(...args),
  firstLook: async (...args: Parameters<Work['firstLook']>) => (await work).firstLook(...args),
  preview: async (...args: Parameters<Work['preview']>) => (await work).preview(...args),
  takeIn: async (...args: Parameters<Work['takeIn']>) => (await work).takeIn(...args),
  openJobFile: async (...args: Parameters<Work['openJobFile']>) => (await work).openJobFile(...args),
  takeInFont: async (...args: Parameters<Work['takeInFont']>) => (await work).takeInFont(...args),
  takeInProfile: async (...args: Parameters<Work['takeInProfile']>) => (await work).takeInProfile(...args),
  exportImages: async (...args: Parameters<Work['exportImages']>) => (await work).exportImages(...args),
  exportDrawings: async (...args: Parameters<Work['exportDrawings']>) => (await work).exportDrawings(...args),
  writeProofs: async (...args: Parameters<Work['writeProofs']>) => (await work).writeProofs(...args),
  writePackage: async (...args: Parameters<Work['writePackage']>) => (await work).writePackage(...args),
  writeSheetFile: async (...args: Parameters<Work['writeSheetFile']>) => (await work).writeSheetFile(...args),
  handOff: async (...args: Parameters<Work['handOff']>) => (await work).handOff(...args),
};
export type PressRoom = typeof api;
expose(api);
