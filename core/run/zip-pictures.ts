import { readZip, ZipDamaged, ZipTooLarge } from '../files/zip-in';
import { TableError } from './table-error';

/** Bytes of one picture, and of all that a zip may unpack to. */
const MOST = { one: 200_000_000, all: 1_500_000_000, entries: 30_000 } as const;

const PICTURE = /\.(jpe?g|png|tiff?|webp|avif|gif|bmp)$/i;

/** The pictures of a zip by their file names, wherever in it they lie. Throws TableError. */
export function unzipPictures(bytes: Uint8Array): { name: string; bytes: Uint8Array }[] {
  try {
    const limits = { entries: MOST.entries, total: MOST.all, most: () => MOST.one };
    const found = readZip(bytes, (name) => PICTURE.test(name) && !name.startsWith('__MACOSX/'), limits);
    return Object.entries(found).map(([path, content]) => ({
      name: path.slice(path.lastIndexOf('/') + 1),
      bytes: content,
    }));
  } catch (error) {
    if (error instanceof ZipTooLarge)
      throw new TableError('This zip unpacks to far more than pictures of a table need, so it was not opened.');
    if (error instanceof ZipDamaged) throw new TableError('This zip is damaged or locked. Pack the pictures again.');
    throw error;
  }
}
