import { type Cmyk, isProcessPlate } from '../../colour/ink';
import { type Box, unionOf } from '../../geometry/box';
import { boxAround } from '../../geometry/matrix';
import type { PlacedPage } from '../../job/placed-page';
import { PictureError } from '../../picture/limits';
import type { GlyphSeen } from '../pdf/drawn/hear';
import { letterBox } from '../pdf/page-read';
import { standIns } from './page';
import { cellsOfWhole, layWhole, openWhole } from './whole';

/** What is known of a page that is placed as one thing, once and for all: its checks go by it. */

export interface WholeRead {
  width: number;
  height: number;
  facts: PlacedPage;
  /** What of it cannot be shown as it is, each in a few words. */
  unread: string[];
  /** Its spot inks, and what each is shown as at full tint. */
  spots: Record<string, Cmyk>;
}

/** Less than this of an ink, of 255, is nothing that a plate could hold. */
const HARDLY_ANY = 1;

const least = (values: readonly number[]): number | undefined =>
  values.length > 0 ? Math.round(1000 * values.reduce((a, b) => Math.min(a, b))) / 1000 : undefined;

type Size = { width: number; height: number };

/** What the cells lie in that are covered at all, in points of the page. */
function inkedIn(alpha: Uint8Array, { width, height }: Size, page: Size): Box {
  const box = { left: width, top: height, right: -1, foot: -1 };
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++)
      if (alpha[i]! > HARDLY_ANY) {
        box.left = Math.min(box.left, x);
        box.right = Math.max(box.right, x);
        box.top = Math.min(box.top, y);
        box.foot = y;
      }
  const [wide, high] = [Math.max(0, box.right + 1 - box.left), Math.max(0, box.foot + 1 - box.top)];
  const [across, down] = [page.width / width, page.height / height];
  return { x: box.left * across, y: box.top * down, width: wide * across, height: high * down };
}

/** Looks a file's first page over. Throws PictureError where it cannot be placed. */
export function readWhole(bytes: Uint8Array): WholeRead {
  const page = openWhole(bytes);
  const cells = cellsOfWhole(page);
  const letters: GlyphSeen[] = [];
  const pens: number[] = [];
  const ppis: number[] = [];
  const unread = new Set<string>();
  const scale = cells.width / page.width;
  const { plates, amounts, alpha } = layWhole(bytes, cells, undefined, {
    glyph: (glyph) => glyph.seen && glyph.text.trim() !== '' && letters.push(glyph),
    path: ({ pen, lettering }) => pen && !lettering && pens.push(pen.weight / scale),
    picture: ({ read, place: [a, b, c, d], lettering }) =>
      !lettering &&
      !read.stencil &&
      read.bits > 1 &&
      ppis.push(72 * scale * Math.min(read.width / Math.hypot(a, b), read.height / Math.hypot(c, d))),
    unread: (what) => unread.add(what),
  });
  const inked = inkedIn(alpha!, cells, page);
  if (inked.width === 0 && unread.size === 0) throw new PictureError('There is nothing to see on this page.');
  const laid = plates.filter((_, k) => {
    for (let i = k; i < amounts.length; i += plates.length) if (amounts[i]! > HARDLY_ANY) return true;
    return false;
  });
  const [words, line, ppi] = [least(letters.map(({ size }) => size / scale)), least(pens), least(ppis)];
  const around = unionOf(letters.map(letterBox));
  const lettered = around && boxAround(around, [1 / scale, 0, 0, 1 / scale, 0, 0]);
  const standIn = standIns(page.view);
  return {
    ...cells,
    facts: {
      width: page.width,
      height: page.height,
      trim: page.trim,
      inked,
      plates: laid,
      ...(page.isOfInks ? {} : { screen: true as const }),
      ...(words === undefined ? {} : { words }),
      ...(lettered ? { lettered } : {}),
      ...(line === undefined ? {} : { line }),
      ...(ppi === undefined ? {} : { ppi }),
    },
    unread: [...unread],
    spots: Object.fromEntries(plates.filter((plate) => !isProcessPlate(plate)).map((name) => [name, standIn(name)])),
  };
}
