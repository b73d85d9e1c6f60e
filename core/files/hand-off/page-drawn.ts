import type { PieceAsked } from '../../checks/on-plates';
import { isProcessPlate } from '../../colour/ink';
import { type DrawnList, emptyList, listedDevice } from '../../devices/listed';
import { type PlateGrid, platesDevice } from '../../devices/plates/device';
import type { Box } from '../../geometry/box';
import type { Device, GlyphRun } from '../../scene/device';
import { cellsFor } from '../pdf/page-read';

/** A page as it is to be: what draws it, on which sheet, and where more than marks may lie. */
export interface PageProof {
  name: string;
  draw(device: Device): void;
  media: Box;
  art: Box;
  picture: PieceAsked['picture'];
  /** Whether nothing may be see-through, and words are the outlines of their letters. */
  flat: boolean;
  outlines: boolean;
}

/** What was drawn of a page: its letters and pictures, what its words say, its plates. */
export interface PageDrawn {
  list: DrawnList;
  told: string[];
  grid: PlateGrid;
  /** Its plates at other cells an inch. */
  gridAt(ppi: number): PlateGrid;
}

export function drawnPage({ draw, media, picture }: PageProof): PageDrawn {
  const list = emptyList();
  const told: string[] = [];
  const plates = (ppi: number) => platesDevice({ box: media, ppi, picture });
  const device = plates(cellsFor(media));
  const heard = listedDevice(device, list);
  // Words that are told as a whole are told once, with the first of their letters; others run by run.
  let whole: { text: string; isTold: boolean } | undefined;
  const tell = (run: GlyphRun): void => {
    if (!whole) told.push(run.text);
    else if (!whole.isTold) told.push(whole.text);
    if (whole) whole.isTold = true;
  };
  draw({
    ...heard,
    beginWords: (text) => {
      whole = { text, isTold: false };
    },
    endWords: () => {
      whole = undefined;
    },
    beginGlyphClip: (runs) => {
      for (const run of runs) tell(run);
      heard.beginGlyphClip(runs);
    },
    showGlyphs: (run, colour) => {
      tell(run);
      heard.showGlyphs(run, colour);
    },
  });
  for (const { drawn } of list.pictures) for (const plate of picture(drawn.image)?.plates ?? []) list.plates.add(plate);
  const gridAt = (ppi: number): PlateGrid => {
    const closer = plates(ppi);
    draw(closer);
    return closer.grid();
  };
  return { list, told, grid: device.grid(), gridAt };
}

/** Less than this of an ink is nothing that a plate could hold. */
const HARDLY_ANY = 1 / 255;

/** The spot inks that pages put on paper, and all that their colours name: what lies beyond the sheet may be left out. */
export function spotsDrawn(pages: readonly PageDrawn[]): { laid: string[]; named: string[] } {
  const spots = (names: Iterable<string>): string[] =>
    [...new Set(names)].filter((plate) => !isProcessPlate(plate) && plate !== 'All').sort();
  const laid = pages.flatMap(({ grid }) =>
    [...grid.plates].flatMap(([plate, amounts]) => (amounts.some((amount) => amount > HARDLY_ANY) ? [plate] : [])),
  );
  return { laid: spots(laid), named: spots(pages.flatMap(({ list }) => [...list.plates])) };
}
