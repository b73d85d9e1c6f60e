import { expose } from 'comlink';

type Work = typeof import('./intake-work');

// As in the press room: the door opens before the work is here.
const work = import('./intake-work');

type Lists = typeof import('./lists-in');
const lists = (): Promise<Lists> => import('./lists-in');

const api = {
  ready: async (): Promise<void> => void (await work),
  takeIn: async (...args: Parameters<Work['takeIn']>) => (await work).takeIn(...args),
  fontsInFile: async (...args: Parameters<Work['fontsInFile']>) => (await work).fontsInFile(...args),
  takeInFont: async (...args: Parameters<Work['takeInFont']>) => (await work).takeInFont(...args),
  takeInProfile: async (...args: Parameters<Work['takeInProfile']>) => (await work).takeInProfile(...args),
  openJobFile: async (...args: Parameters<Work['openJobFile']>) => (await work).openJobFile(...args),
  readDrawing: async (...args: Parameters<Work['readDrawing']>) => (await work).readDrawing(...args),
  readDetails: async (...args: Parameters<Work['readDetails']>) => (await work).readDetails(...args),
  traceLogo: async (...args: Parameters<Work['traceLogo']>) => (await work).traceLogo(...args),
  takeTable: async (...args: Parameters<Work['takeTable']>) => (await work).takeTable(...args),
  takeRowPictures: async (...args: Parameters<Work['takeRowPictures']>) => (await work).takeRowPictures(...args),
  readPeople: async (...args: Parameters<Lists['readPeople']>) => (await lists()).readPeople(...args),
  readInks: async (...args: Parameters<Lists['readInks']>) => (await lists()).readInks(...args),
  readShopFile: async (...args: Parameters<Lists['readShopFile']>) => (await lists()).readShopFile(...args),
  readReplyFile: async (...args: Parameters<Lists['readReplyFile']>) => (await lists()).readReplyFile(...args),
  readPage: async (...args: Parameters<Work['readPage']>) => (await work).readPage(...args),
};
export type IntakeWork = typeof api;
expose(api);
