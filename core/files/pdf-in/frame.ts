import { IDENTITY, type Matrix, multiply } from '../../geometry/matrix';
import { type BoxNumbers, boxAt, mediaOf, trimOf } from '../pdf/parsed/boxes';
import type { Dict } from '../pdf/parsed/syntax';
import type { PdfView } from '../pdf/parsed/view';

/** What of a page is taken in, and how it is brought upright. */

/** The usual bleed: 3 mm, in points (common practice). */
const BLEED = (3 / 25.4) * 72;

/** What of a page is taken in: all that is printed of it, its trim and its bleed, not its marks. */
function boxesOf(view: PdfView, dict: Dict): { trim: BoxNumbers; frame: BoxNumbers } {
  const trim = trimOf(view, dict);
  const bleed = boxAt(view, dict, 'BleedBox');
  if (!boxAt(view, dict, 'TrimBox')) {
    const seen = boxAt(view, dict, 'CropBox') ?? mediaOf(view, dict);
    return { trim: seen, frame: seen };
  }
  if (bleed) return { trim, frame: bleed };
  // Nothing is said of a bleed: as much as is usual, before the marks begin.
  const media = mediaOf(view, dict);
  const frame = trim.map((n, i) => (i < 2 ? Math.max(n - BLEED, media[i]!) : Math.min(n + BLEED, media[i]!)));
  return { trim, frame: frame as BoxNumbers };
}

/** What turns a page upright and brings its units to points; `width` and `height` in its own units. */
function uprightOf(turned: number, unit: number, width: number, height: number): Matrix {
  const turns: readonly Matrix[] = [
    IDENTITY,
    [0, 1, -1, 0, height, 0],
    [-1, 0, 0, -1, width, height],
    [0, -1, 1, 0, 0, width],
  ];
  return multiply([unit, 0, 0, unit, 0, 0], turns[(((Math.round(turned / 90) % 4) + 4) % 4) as 0]!);
}

/** A page's trim and what is taken in of it, in its own units, and what brings that upright, in points from its corner. */
export function frameOf(view: PdfView, page: number): { trim: BoxNumbers; frame: BoxNumbers; upright: Matrix } {
  const dict = view.pages[page]!;
  const { trim, frame } = boxesOf(view, dict);
  const unit = Number(view.file.get(dict.get('UserUnit')) ?? 1) || 1;
  const turned = Number(view.file.get(dict.get('Rotate')) ?? 0) || 0;
  return { trim, frame, upright: uprightOf(turned, unit, frame[2] - frame[0], frame[3] - frame[1]) };
}
