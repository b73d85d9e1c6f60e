import Dexie, { type Table } from 'dexie';

/**
 * The browser's shelf as workers see it: its files, by the SHA-256 of their bytes. Pages define the shelf and bring it
 * up to date; here it is opened as it is, so that a large file never passes through a page's thread.
 */

export const SHELF = 'tidy-edge';

export interface StoredAsset {
  hash: string;
  bytes: Uint8Array;
  /** When it was put there, in milliseconds; unknown of those kept by older versions. */
  put?: number;
}

let opened: Promise<Table<StoredAsset, string>> | undefined;
function files(): Promise<Table<StoredAsset, string>> {
  opened ??= new Dexie(SHELF).open().then((shelf) => shelf.table<StoredAsset, string>('assets'));
  // What could not be opened is opened anew the next time.
  opened.catch(() => {
    opened = undefined;
  });
  return opened;
}

export const shelfBytes = async (hash: string): Promise<Uint8Array | undefined> =>
  (await (await files()).get(hash))?.bytes;

/** Puts a file on the shelf. Throws where the browser has no room for it. */
export const keepOnShelf = async (hash: string, bytes: Uint8Array): Promise<void> => {
  await (await files()).put({ hash, bytes, put: Date.now() });
};
