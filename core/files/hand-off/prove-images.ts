import { sameBytes } from '../../picture/separate';
import type { ImageFile, MadeImage } from '../face-images';
import type { Row } from './comparison';
import { refuseDiffering, unreadable } from './read-back-error';

/** Reads a PNG by another decoder than the one the app draws with: four bytes a pixel. */
export type ReadPng = (bytes: Uint8Array) => { width: number; height: number; data: ArrayLike<number> };

/** How pixels that were read differ from those that were asked. */
function pixelRows(
  asked: { width: number; height: number; data: ArrayLike<number> },
  read: { width: number; height: number; data: ArrayLike<number> },
): Row[] {
  const [size, seen] = [asked, read].map(({ width, height }) => `${width} × ${height} pixels`) as [string, string];
  let off = asked.data.length === read.data.length ? 0 : Number.POSITIVE_INFINITY;
  if (off === 0) for (let i = 0; i < asked.data.length; i++) if (asked.data[i] !== read.data[i]) off++;
  return [
    { what: 'Size', asked: size, read: seen, right: size === seen },
    { what: 'Pixels', asked: 'those of the plates', read: off === 0 ? 'the same' : 'others', right: off === 0 },
  ];
}

async function rowsOf({ bytes, made }: MadeImage, readPng: ReadPng): Promise<Row[]> {
  if (made.as === 'png') return pixelRows(made, readPng(bytes));
  // What reads TIFFs is large, and only needed where some are written.
  const { readTiff } = await import('../../picture/tiff-in');
  const { width, height, colour, space, icc } = await readTiff(bytes);
  const wanted = made.channels === 4 ? 'CMYK' : 'GRAY';
  const isRight = made.profile ? icc !== undefined && sameBytes(icc, made.profile) : icc === undefined;
  return [
    ...pixelRows(made, { width, height, data: colour }),
    { what: 'Colours', asked: wanted, read: space, right: space === wanted },
    {
      what: 'Profile',
      asked: made.profile ? 'that of the press' : 'none',
      read: isRight ? 'as asked' : 'another',
      right: isRight,
    },
  ];
}

/** Reads each file again by other decoders than wrote it. Throws ReadBackError for one that is not what was asked. */
export async function provenImages(files: readonly MadeImage[], readPng: ReadPng): Promise<ImageFile[]> {
  for (const file of files) {
    const rows = await rowsOf(file, readPng).catch(() =>
      unreadable('The file', 'a picture', 'one that cannot be read'),
    );
    refuseDiffering(file.name, rows);
  }
  return files.map(({ name, bytes }) => ({ name, bytes }));
}
