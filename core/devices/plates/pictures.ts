import type { ColourEngine, Press } from '../../colour/engine';
import type { Box } from '../../geometry/box';
import type { Pixels } from '../../picture/decode';
import { reachOf } from '../../picture/reach';
import { separatePicture } from '../../picture/separate';
import type { ImageRef } from '../../scene/device';
import type { LaidPicture } from './device';

/** A picture on its plates, and where its colours are out of the press's reach. */
export const laidPicture = (
  pixels: Pixels,
  { separation }: ImageRef,
  engine: ColourEngine,
  press: Press,
): LaidPicture => ({
  ...separatePicture(pixels, engine, press, separation),
  reach: reachOf(pixels, engine, press, separation),
});

/** Cells an inch that plates are looked at with, unless so many are too many. */
const PPI = 150;
const MOST_CELLS = 2_400_000;

/** Cells an inch for an area in points: so many, or as many as leave no more cells than `most`. */
export const cellsWithin = ({ width, height }: Pick<Box, 'width' | 'height'>, ppi: number, most: number): number =>
  Math.min(ppi, 72 * Math.sqrt(most / Math.max(1, width * height)));

/** The same for plates that are looked at: 150, or as many as leave no more than some millions of cells. */
export const cellsAnInch = (box: Pick<Box, 'width' | 'height'>): number => cellsWithin(box, PPI, MOST_CELLS);
