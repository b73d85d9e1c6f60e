import { unpackJpx } from '../../../packed/jpx';
import { filtersOf, unpacked } from '../parsed/filters';
import { dictsBelow } from '../parsed/placed';
import type { Dict } from '../parsed/syntax';
import type { PdfView } from '../parsed/view';
import { MOST_PIXELS } from './images';
import { spaceOf } from './spaces';

/** Pictures packed as JPEG 2000 (ISO 32000-1, 7.4.9), whose decoder has to be waited for. */

/** What a picture's own dictionary says of its samples. */
function askedOf(view: PdfView, dict: Dict): { channels?: number; indexes?: boolean } {
  if (view.file.get(dict.get('ImageMask')) === true) return { channels: 1 };
  const space = dict.has('ColorSpace') ? spaceOf(view, dict.get('ColorSpace'), new Map()) : undefined;
  return space ? { channels: space.channels, indexes: space.channelsAre === 'indexes' } : {};
}

/**
 * Unpacks the pictures of a page, 0 first, that are drawn from `view.jpx`, and lets go of those of the page before. What cannot be
 * unpacked is told of when it is drawn, as is a picture whose samples say where it is seen through.
 */
export async function readyPictures(view: PdfView, page: number): Promise<void> {
  view.jpx.clear();
  const packed = view.streams.filter((stream) => filtersOf(stream, view.file).at(-1) === 'JPXDecode');
  // Most files have none: their resources need not be gone through.
  if (packed.length === 0) return;
  const used = dictsBelow(view, view.contents[page]?.resources);
  for (const stream of packed) {
    const { dict } = stream;
    if (!used.has(dict) || (view.file.get(dict.get('SMaskInData')) ?? 0) !== 0) continue;
    const { bytes, left } = unpacked(stream, view.file);
    const read = left === 'JPXDecode' ? await unpackJpx(bytes, MOST_PIXELS, askedOf(view, dict)) : undefined;
    if (read) view.jpx.set(stream, read);
  }
}
