import { unpackJpx } from '../../../packed/jpx';
import { unpacked } from '../parsed/filters';
import { dictsBelow } from '../parsed/placed';
import type { Dict } from '../parsed/syntax';
import { nameOf, type PdfView } from '../parsed/view';
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
  // Most files have none: their resources need not be gone through.
  if (!view.streams.some(({ dict }) => isJpx(view, dict))) return;
  const used = dictsBelow(view, view.contents[page]?.resources);
  for (const stream of view.streams) {
    const { dict } = stream;
    if (!used.has(dict) || !isJpx(view, dict) || (view.file.get(dict.get('SMaskInData')) ?? 0) !== 0) continue;
    const { bytes, left } = unpacked(stream, view.file);
    const read = left === 'JPXDecode' ? await unpackJpx(bytes, MOST_PIXELS, askedOf(view, dict)) : undefined;
    if (read) view.jpx.set(stream, read);
  }
}

const isJpx = ({ file }: PdfView, dict: Dict): boolean => {
  const filter = file.get(dict.get('Filter'));
  const last = Array.isArray(filter) ? filter.at(-1) : filter;
  return nameOf(file, last) === 'JPXDecode';
};
