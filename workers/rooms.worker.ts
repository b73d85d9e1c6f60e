import { expose } from 'comlink';

/** Every worker of the app starts here, as the room it is named for: what several rooms do is built and kept once. */

/** What a module does under these names; it is loaded when one of them is first asked for. */
function from<M, K extends keyof M>(load: () => Promise<M>, ...names: K[]): Pick<M, K> {
  const asked =
    (name: K) =>
    async (...args: unknown[]) =>
      ((await load())[name] as (...args: unknown[]) => unknown)(...args);
  return Object.fromEntries(names.map((name) => [name, asked(name)])) as Pick<M, K>;
}

/**
 * The same of what a room is there for, which loads at once. It waits for wasm meanwhile, and a message that comes then would
 * be lost: the door opens first.
 */
const atOnce = <M, K extends keyof M>(work: Promise<M>, ...names: K[]) => ({
  ready: async (): Promise<void> => void (await work),
  ...from(() => work, ...names),
});

const rooms = {
  ink: () => ({
    ...atOnce(
      import('./ink-work'),
      'readInks',
      'readSurfaces',
      'readMixtures',
      'facePlates',
      'coloursIn',
      'asCut',
      'lookAt',
    ),
    ...from(() => import('./cut-work'), 'testCuts'),
    ...from(() => import('./review-work'), 'reviewed'),
    ...from(() => import('./came-work'), 'cameBackPictures'),
  }),
  press: () => ({
    ...atOnce(import('./preview-work'), 'firstLook', 'preview'),
    ...from(() => import('./save-work'), 'saveJob'),
    ...from(
      () => import('./write-work'),
      'exportImages',
      'exportDrawings',
      'writeReview',
      'writeProofs',
      'writePackage',
      'writeSheetFile',
      'handOff',
    ),
    ...from(() => import('./inspect-work'), 'inspectFile'),
    ...from(() => import('./run-work'), 'checkTheRun', 'proofOfRun', 'writeRun'),
  }),
  sheet: () => atOnce(import('./sheet-work'), 'plans'),
  intake: () => ({
    ...atOnce(
      import('./intake-work'),
      'takeIn',
      'fontsInFile',
      'takeInFont',
      'takeInProfile',
      'openJobFile',
      'readDrawing',
      'readDetails',
      'traceLogo',
      'takeTable',
      'takeRowPictures',
      'readPage',
      'takeWhole',
      'pageOfHash',
    ),
    ...from(() => import('./lists-in'), 'readPeople', 'readInks', 'readShopFile', 'readReplyFile'),
  }),
  spelling: () => atOnce(import('./spelling-work'), 'misspelt'),
};
export type Rooms = { [name in keyof typeof rooms]: ReturnType<(typeof rooms)[name]> };

expose(rooms[self.name as keyof Rooms]());
