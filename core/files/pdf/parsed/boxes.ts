import type { Dict } from './syntax';
import { arrayOf, type PdfView } from './view';

/** The boxes of a page (ISO 32000-1, 14.11.2). */

/** A box of a page in points as [x0, y0, x1, y1], origin lower left. */
export type BoxNumbers = [x0: number, y0: number, x1: number, y1: number];

/** A box that a page has or inherits, its corners in order; undefined where it has none that is a box. */
export function boxAt({ file }: PdfView, page: Dict, name: string): BoxNumbers | undefined {
  const values = arrayOf(file, page.get(name)).map((each) => Number(file.get(each)));
  if (values.length !== 4 || !values.every(Number.isFinite)) return undefined;
  const [a, b, c, d] = values as BoxNumbers;
  return [Math.min(a, c), Math.min(b, d), Math.max(a, c), Math.max(b, d)];
}

/** Where a page is drawn: its media box, or a letter's where it has none (ISO 32000-1 asks for one). */
export const mediaOf = (view: PdfView, page: Dict): BoxNumbers => boxAt(view, page, 'MediaBox') ?? [0, 0, 612, 792];

/** Where a page is cut: its trim, else its art, crop or media box (ISO 32000-1, 14.11.2). */
export const trimOf = (view: PdfView, page: Dict): BoxNumbers =>
  boxAt(view, page, 'TrimBox') ?? boxAt(view, page, 'ArtBox') ?? boxAt(view, page, 'CropBox') ?? mediaOf(view, page);
