import { expose } from 'comlink';

type Preview = typeof import('./preview-work');
type Write = typeof import('./write-work');
type Save = typeof import('./save-work');
type Run = typeof import('./run-work');

// The work waits for wasm while it loads, and a message that came meanwhile would be lost: the door opens first.
const preview = import('./preview-work');
// Most visits write no file: what that takes is loaded when it is asked for.
const write = (): Promise<Write> => import('./write-work');
const run = (): Promise<Run> => import('./run-work');

const api = {
  ready: async (): Promise<void> => void (await preview),
  firstLook: async (...args: Parameters<Preview['firstLook']>) => (await preview).firstLook(...args),
  preview: async (...args: Parameters<Preview['preview']>) => (await preview).preview(...args),
  saveJob: async (...args: Parameters<Save['saveJob']>) => (await import('./save-work')).saveJob(...args),
  exportImages: async (...args: Parameters<Write['exportImages']>) => (await write()).exportImages(...args),
  exportDrawings: async (...args: Parameters<Write['exportDrawings']>) => (await write()).exportDrawings(...args),
  writeReview: async (...args: Parameters<Write['writeReview']>) => (await write()).writeReview(...args),
  writeProofs: async (...args: Parameters<Write['writeProofs']>) => (await write()).writeProofs(...args),
  writePackage: async (...args: Parameters<Write['writePackage']>) => (await write()).writePackage(...args),
  writeSheetFile: async (...args: Parameters<Write['writeSheetFile']>) => (await write()).writeSheetFile(...args),
  inspectFile: async (...args: Parameters<typeof import('./inspect-work')['inspectFile']>) =>
    (await import('./inspect-work')).inspectFile(...args),
  handOff: async (...args: Parameters<Write['handOff']>) => (await write()).handOff(...args),
  checkTheRun: async (...args: Parameters<Run['checkTheRun']>) => (await run()).checkTheRun(...args),
  proofOfRun: async (...args: Parameters<Run['proofOfRun']>) => (await run()).proofOfRun(...args),
  writeRun: async (...args: Parameters<Run['writeRun']>) => (await run()).writeRun(...args),
};
export type PressRoom = typeof api;
expose(api);
