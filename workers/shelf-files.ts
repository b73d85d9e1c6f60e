import Dexie, { type Table } from 'dexie';
import { once } from './once';

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

const files = once(
  async (): Promise<Table<StoredAsset, string>> => (await new Dexie(SHELF).open()).table<StoredAsset, string>('assets'),
);

export const shelfBytes = async (hash: string): Promise<Uint8Array | undefined> =>
  (await (await files()).get(hash))?.bytes;

/** The hashes of all that is there. */
export const shelfHashes = async (): Promise<ReadonlySet<string>> =>
  new Set(await (await files()).toCollection().primaryKeys());

/** Puts a file on the shelf. Throws where the browser has no room for it. */
export const keepOnShelf = async (hash: string, bytes: Uint8Array): Promise<void> => {
  await (await files()).put({ hash, bytes, put: Date.now() });
};
