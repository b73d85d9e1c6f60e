import type { PlateGrid } from '../../devices/plates/device';
import { type Box, contains } from '../../geometry/box';

/** Where the plates of a file are not those that were asked for. */

/** Amounts apart: of a single cell that nothing but marks lies in, and of nine cells together anywhere. */
export const PLATES_APART = { cell: 0.08, block: 0.12 };
/** Cells across a block. */
const ACROSS = 3;

export interface PlateDiffers {
  plate: string;
  /** The worst of them, in points from the trim's corner, and how far apart the amounts are there. */
  x: number;
  y: number;
  by: number;
}

/** The block of cells whose differences come to the most, by its middle cell. */
function worstBlock(off: Float32Array, width: number, height: number): { at: number; by: number } {
  let worst = { at: 0, by: 0 };
  // Each column's sum over the rows of a block, then those of its columns: a cell is added up twice, not nine times.
  const columns = new Float32Array(width);
  for (let y = 0; y + ACROSS <= height; y++) {
    columns.set(off.subarray(y * width, (y + 1) * width));
    for (let j = 1; j < ACROSS; j++) {
      const row = (y + j) * width;
      for (let x = 0; x < width; x++) columns[x]! += off[row + x]!;
    }
    for (let x = 0; x + ACROSS <= width; x++) {
      let sum = 0;
      for (let i = 0; i < ACROSS; i++) sum += columns[x + i]!;
      const by = Math.abs(sum) / ACROSS ** 2;
      if (by > worst.by) worst = { at: (y + 1) * width + x + 1, by };
    }
  }
  return worst;
}

/** What was read of a plate less what was asked, cell by cell; a plate that is not there lays nothing. */
function differences(asked: Float32Array | undefined, read: Float32Array | undefined, cells: number): Float32Array {
  const off = read?.slice() ?? new Float32Array(cells);
  if (asked) for (let i = 0; i < cells; i++) off[i]! -= asked[i]!;
  return off;
}

/** Each cell the mean of `by` cells each way: a grid as it would be at fewer cells an inch. */
export function coarser(grid: PlateGrid, by: number): PlateGrid {
  const [width, height] = [Math.floor(grid.width / by), Math.floor(grid.height / by)];
  const mean = (cells: Float32Array): Float32Array => {
    const out = new Float32Array(width * height);
    for (let y = 0; y < height * by; y++)
      for (let x = 0, from = y * grid.width, to = Math.floor(y / by) * width; x < width * by; x++)
        out[to + Math.floor(x / by)]! += cells[from + x]! / by ** 2;
    return out;
  };
  const plates = new Map([...grid.plates].map(([plate, cells]) => [plate, mean(cells)]));
  return { ...grid, ppi: grid.ppi / by, width, height, plates };
}

/** Cells that may be laid for a closer look: some hundred megabytes. */
const MOST_CELLS = 6_000_000;

interface Plated {
  grid: PlateGrid;
  gridAt(ppi: number): PlateGrid;
}

/**
 * The same, but what seems to differ is looked at once more in finer cells: an edge that one thing has in common with another
 * below it, as a flattened patch has, mixes wrongly where both share a cell.
 */
export function platesDifferCloser(asked: Plated, read: Plated, art: Box): PlateDiffers[] {
  const seen = platesDiffer(asked.grid, read.grid, art);
  const by = Math.min(4, Math.floor(Math.sqrt(MOST_CELLS / (asked.grid.width * asked.grid.height))));
  if (seen.length === 0 || by < 2) return seen;
  const ppi = asked.grid.ppi * by;
  return platesDiffer(coarser(asked.gridAt(ppi), by), coarser(read.gridAt(ppi), by), art);
}

/** The plates that differ between what was asked and what was read; `art` is where more than marks may lie. */
export function platesDiffer(asked: PlateGrid, read: PlateGrid, art: Box): PlateDiffers[] {
  const { width, height, box, ppi } = asked;
  const side = 72 / ppi;
  const names = new Set([...asked.plates.keys(), ...read.plates.keys()]);
  return [...names].flatMap((plate): PlateDiffers[] => {
    const off = differences(asked.plates.get(plate), read.plates.get(plate), width * height);
    const placeOf = (at: number) => ({
      x: box.x + ((at % width) + 0.5) * side,
      y: box.y + (Math.floor(at / width) + 0.5) * side,
    });
    const block = worstBlock(off, width, height);
    if (block.by > PLATES_APART.block) return [{ plate, ...placeOf(block.at), by: block.by }];
    for (let i = 0; i < off.length; i++) {
      if (Math.abs(off[i]!) <= PLATES_APART.cell) continue;
      const place = placeOf(i);
      if (!contains(art, { ...place, width: 0, height: 0 })) return [{ plate, ...place, by: Math.abs(off[i]!) }];
    }
    return [];
  });
}
