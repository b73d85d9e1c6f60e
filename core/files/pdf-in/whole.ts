import { platesInOrder } from '../../colour/ink';
import { type LaidPicture, platesDevice } from '../../devices/plates/device';
import { boxAround, type Matrix, multiply } from '../../geometry/matrix';
import { PICTURE_LIMITS, PictureError } from '../../picture/limits';
import { byPress, drawPage } from '../pdf/drawn/draw';
import type { Hear } from '../pdf/drawn/hear';
import { type ScreenInks, screenBytes } from '../pdf/drawn/spaces';
import type { InksOf } from '../pdf/drawn/state';
import type { BoxNumbers } from '../pdf/parsed/boxes';
import { spotsIn } from '../pdf/parsed/spots';
import { SyntaxFault } from '../pdf/parsed/syntax';
import type { PdfView } from '../pdf/parsed/view';
import { screenColoursIn } from '../pdf/read-back';
import { frameOf } from './frame';
import { openPdf, PdfArtError } from './page';

/** A page of a PDF that is placed as one thing and keeps its bytes: where plates are looked at, it is a picture of them. */

export interface WholePage {
  view: PdfView;
  /** What is taken in of the page, in its own units, and what brings it upright. */
  frame: BoxNumbers;
  upright: Matrix;
  /** Its upright size, points. */
  width: number;
  height: number;
  /** Where it is cut, from its upper left corner. */
  trim: { x: number; y: number; width: number; height: number };
  /** Its colours are amounts of ink: it can be printed as it is. One with colours of a screen becomes a picture of its plates. */
  isOfInks: boolean;
}

const opened = new WeakMap<Uint8Array, WholePage>();

/** The first page of a file. Throws PictureError with what to do. */
export function openWhole(bytes: Uint8Array): WholePage {
  const found = opened.get(bytes);
  if (found) return found;
  try {
    const { view } = openPdf(bytes);
    const { trim, frame, upright } = frameOf(view, 0);
    const around = (box: BoxNumbers) =>
      boxAround(
        { x: box[0] - frame[0], y: frame[3] - box[3], width: box[2] - box[0], height: box[3] - box[1] },
        upright,
      );
    const { width, height } = around(frame);
    if (!(width > 0 && height > 0)) throw new PdfArtError('This page has no size. Save it again from its program.');
    const isOfInks = screenColoursIn(view).length === 0;
    const made = { view, frame, upright, width, height, trim: around(trim), isOfInks };
    opened.set(bytes, made);
    return made;
  } catch (error) {
    if (error instanceof PdfArtError) throw new PictureError(error.message);
    throw error;
  }
}

/** Cells that a page is laid in: as many as leave small words readable, and no more than are quickly laid. */
const CELLS = 3_000_000;
const [COARSEST, FINEST] = [100, 1200];

/** The cells of a page as its pixels, which it has none of. */
export function cellsOfWhole({ width, height }: Pick<WholePage, 'width' | 'height'>): {
  width: number;
  height: number;
} {
  const ppi = Math.max(COARSEST, Math.min(FINEST, 72 * Math.sqrt(CELLS / (width * height))));
  const least = Math.min(ppi, (72 * PICTURE_LIMITS.longestSide) / Math.max(width, height));
  const cells = (points: number): number => Math.max(PICTURE_LIMITS.shortestSide, Math.round((points * least) / 72));
  return { width: cells(width), height: cells(height) };
}

/** A screen's black is words and lines: on four plates their edges would never quite meet. */
function withOwnBlack(screenInks: ScreenInks | undefined): InksOf {
  const others = byPress(screenInks);
  return (space, values) =>
    screenBytes(space, values)?.every((byte) => byte === 0) ? { Black: 1 } : others(space, values);
}

/** A page on its plates, so many cells wide; screen colours as the press has them. Throws PictureError. */
export function layWhole(
  bytes: Uint8Array,
  cells: { width: number; height: number },
  screenInks?: ScreenInks,
  hear: Hear = {},
): LaidPicture {
  const { view, frame, upright, width, height, isOfInks } = openWhole(bytes);
  const pictures = new Map<string, LaidPicture>();
  // Cells need not be square: a page is laid in a space of so many points as it has cells.
  const fit = multiply([cells.width / width, 0, 0, cells.height / height, 0, 0], upright);
  const device = platesDevice({
    box: { x: 0, y: 0, width: cells.width, height: cells.height },
    ppi: 72,
    picture: ({ asset }) => pictures.get(asset),
    apart: true,
  });
  try {
    const origin = { x: frame[0], y: frame[3] };
    const asked = { page: 0, origin, turned: fit, screenInks, inksOf: withOwnBlack(screenInks) };
    drawPage(view, asked, device, hear, pictures);
  } catch (error) {
    if (!(error instanceof SyntaxFault)) throw error;
    throw new PictureError(`This page cannot be read: ${error.message}. Save it again from its program.`);
  }
  const grid = device.grid();
  const count = grid.width * grid.height;
  const whole = device.whole() ?? new Float32Array(count);
  const names = new Set([...grid.plates.keys(), ...spotsIn(view)]);
  const plates = platesInOrder([...names].filter((plate) => plate !== 'All' && plate !== 'None'));
  const used = plates.length > 0 ? plates : ['Black'];
  const amounts = new Uint8Array(count * used.length);
  const alpha = new Uint8Array(count);
  const planes = used.map((plate) => grid.plates.get(plate));
  const all = grid.plates.get('All');
  for (let i = 0; i < count; i++) {
    const share = whole[i]!;
    alpha[i] = Math.round(255 * Math.min(1, share));
    if (share <= 0) continue;
    for (let k = 0; k < used.length; k++) {
      const amount = Math.max(planes[k]?.[i] ?? 0, all?.[i] ?? 0);
      amounts[i * used.length + k] = Math.round(255 * Math.min(1, amount / share));
    }
  }
  return { width: grid.width, height: grid.height, plates: used, amounts, alpha, page: isOfInks ? 'whole' : 'cells' };
}
