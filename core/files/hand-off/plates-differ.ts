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

/** The sums of a plate's differences over blocks, by rows: each cell's is that of the block it begins. */
function worstBlock(off: Float32Array, width: number, height: number): { at: number; by: number } {
  let worst = { at: 0, by: 0 };
  for (let y = 0; y + ACROSS <= height; y++)
    for (let x = 0; x + ACROSS <= width; x++) {
      let sum = 0;
      for (let j = 0; j < ACROSS; j++) for (let i = 0; i < ACROSS; i++) sum += off[(y + j) * width + x + i]!;
      const by = Math.abs(sum) / ACROSS ** 2;
      if (by > worst.by) worst = { at: (y + 1) * width + x + 1, by };
    }
  return worst;
}

/** The plates that differ between what was asked and what was read; `art` is where more than marks may lie. */
export function platesDiffer(asked: PlateGrid, read: PlateGrid, art: Box): PlateDiffers[] {
  const { width, height, box, ppi } = asked;
  const side = 72 / ppi;
  const names = new Set([...asked.plates.keys(), ...read.plates.keys()]);
  return [...names].flatMap((plate): PlateDiffers[] => {
    const [wanted, got] = [asked.plates.get(plate), read.plates.get(plate)];
    const off = new Float32Array(width * height);
    for (let i = 0; i < off.length; i++) off[i] = (got?.[i] ?? 0) - (wanted?.[i] ?? 0);
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
