import { type PlateGrid, platesDevice } from '../../devices/plates/device';
import { cellsWithin } from '../../devices/plates/pictures';
import type { Box } from '../../geometry/box';
import { boxAround, type Matrix } from '../../geometry/matrix';
import { drawPage } from './drawn/draw';
import type { GlyphSeen, Hear, PathSeen, PictureSeen } from './drawn/hear';
import type { ScreenInks } from './drawn/spaces';
import { mediaOf, trimOf } from './parsed/boxes';
import { filtersOf } from './parsed/filters';
import type { PdfView } from './parsed/view';

/** A picture as it is drawn on a page. */
export interface PictureDrawn {
  width: number;
  height: number;
  /** Pixels for each inch along its rows; and along its columns. */
  ppi: number;
  ppiDown: number;
  /** The family of its colour space, or the plates that it names. */
  space: string;
  bits: number;
  packed: string;
  /** How long it is in the file. */
  bytes: number;
  /** Whether only some of its cells are there: what flattening leaves. */
  patch: boolean;
  soft: boolean;
}

/** A page as it is drawn. Lengths in points from its trim's upper left corner, y down. */
export interface PageRead {
  letters: GlyphSeen[];
  pictures: PictureSeen[];
  paths: PathSeen[];
  /** Where pages of other files lie in it; told apart only where that is asked. */
  placed: Matrix[];
  /** Its plates, all of its sheet. */
  grid: PlateGrid;
  /** The same at other cells an inch. */
  gridAt(ppi: number): PlateGrid;
  /** What is not drawn as it is, each once. */
  unread: string[];
  /** What is see-through, each once. */
  soft: string[];
}

/** Cells an inch that plates are compared at, unless a sheet is so large that they are too many. */
export const cellsFor = (box: Pick<Box, 'width' | 'height'>): number => cellsWithin(box, 72, 3_000_000);

/** The sheet of a page in points from its trim's upper left corner, y down. */
function sheetOf(view: PdfView, page: number): Box {
  const dict = view.pages[page]!;
  const media = mediaOf(view, dict);
  const [x, , , y] = trimOf(view, dict);
  return { x: media[0] - x, y: y - media[3], width: media[2] - media[0], height: media[3] - media[1] };
}

/** A page of which nothing could be read. */
export function blankRead(view: PdfView, page: number): PageRead {
  const box = sheetOf(view, page);
  const gridAt = (ppi: number): PlateGrid => platesDevice({ box, ppi, picture: () => undefined }).grid();
  return {
    letters: [],
    pictures: [],
    paths: [],
    placed: [],
    grid: gridAt(cellsFor(box)),
    gridAt,
    unread: [],
    soft: [],
  };
}

/**
 * Draws a page of a file and tells what is on it, colours of a screen as a press has them where `screenInks` says it. Throws
 * SyntaxFault where it cannot be read.
 */
export function readPage(view: PdfView, page: number, screenInks?: ScreenInks, { placedApart = false } = {}): PageRead {
  const box = sheetOf(view, page);
  const [x, , , y] = trimOf(view, view.pages[page]!);
  const pictures = new Map();
  const drawn = (ppi: number, hear: Hear): PlateGrid => {
    const device = platesDevice({ box, ppi, picture: ({ asset }) => pictures.get(asset) });
    drawPage(view, { page, origin: { x, y }, screenInks }, device, hear, pictures);
    return device.grid();
  };
  const read: Pick<PageRead, 'letters' | 'pictures' | 'paths' | 'placed'> = {
    letters: [],
    pictures: [],
    paths: [],
    placed: [],
  };
  const unread = new Set<string>();
  const soft = new Set<string>();
  const grid = drawn(cellsFor(box), {
    glyph: (glyph) => read.letters.push(glyph),
    picture: (picture) => !picture.lettering && read.pictures.push(picture),
    path: (path) => !path.lettering && read.paths.push(path),
    ...(placedApart ? { placed: (place) => read.placed.push(place) } : {}),
    unread: (what) => unread.add(what),
    soft: (what) => soft.add(what),
  });
  return { ...read, grid, gridAt: (ppi) => drawn(ppi, {}), unread: [...unread], soft: [...soft] };
}

/** What is told of a picture as it stands. */
export function pictureDrawn(view: PdfView, { read, stream, place, partly }: PictureSeen): PictureDrawn {
  const [a, b, c, d] = place;
  return {
    width: read.width,
    height: read.height,
    ppi: (read.width / Math.hypot(a, b)) * 72,
    ppiDown: (read.height / Math.hypot(c, d)) * 72,
    space: read.space,
    bits: read.bits,
    packed: filtersOf(stream, view.file).join(', '),
    bytes: stream.raw.length,
    patch: partly && stream.dict.has('Mask'),
    soft: stream.dict.has('SMask'),
  };
}

/** Capitals are so high, as a share of the size (common practice). */
const CAPITALS = 0.7;

/** What a letter lies in, upright, in points of the device; of one whose shape is not known, what a capital would. */
export function letterBox({ x, y, size, advance, angle, ink }: GlyphSeen): Box {
  if (ink) return ink;
  const turn = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return boxAround({ x: 0, y: -CAPITALS * size, width: advance, height: CAPITALS * size }, [cos, sin, -sin, cos, x, y]);
}
