import type { PlateGrid } from '../../devices/plates/device';
import { totalsOf } from '../../devices/plates/readings';
import type { Box } from '../../geometry/box';

/** Ink along the edges of a page's cut, as its plates have it. */

export interface Short {
  side: 'left' | 'top' | 'right' | 'bottom';
  /** How far the colour goes on past the cut where it ends first, in points. */
  reaches: number;
}

/** Less ink than this is none. */
const INK = 0.02;
/** Stretches of an edge shorter than this, in points, are lines that end at it, not areas. */
const LEAST = 4;

/**
 * The sides where colour reaches the cut and ends before the bleed does. `cut` is what is left, `bleed` how far colour
 * should go on; points.
 */
export function shortOfBleed(grid: PlateGrid, cut: Box, bleed: number): Short[] {
  const totals = totalsOf(grid);
  const side = 72 / grid.ppi;
  const inked = (x: number, y: number): boolean => {
    const column = Math.floor((x - grid.box.x) / side);
    const row = Math.floor((y - grid.box.y) / side);
    if (column < 0 || row < 0 || column >= grid.width || row >= grid.height) return false;
    return totals[row * grid.width + column]! > INK;
  };
  // The middle of the first cell that is wholly inside, and of those outside up to the last that is wholly in the bleed.
  const steps = Array.from({ length: Math.max(0, Math.floor(bleed / side)) }, (_, i) => (i + 0.5) * side);
  const along = (length: number): number[] =>
    Array.from({ length: Math.max(0, Math.floor(length / side)) }, (_, i) => (i + 0.5) * side);
  const sides: readonly [Short['side'], number, (at: number, out: number) => readonly [number, number]][] = [
    ['left', cut.height, (at, out) => [cut.x - out, cut.y + at]],
    ['top', cut.width, (at, out) => [cut.x + at, cut.y - out]],
    ['right', cut.height, (at, out) => [cut.x + cut.width + out, cut.y + at]],
    ['bottom', cut.width, (at, out) => [cut.x + at, cut.y + cut.height + out]],
  ];
  return sides.flatMap(([name, length, place]): Short[] => {
    let short = 0;
    let least = bleed;
    for (const at of along(length)) {
      // Inside by a whole cell: what only touches the edge of one is not sure to reach the cut.
      if (!inked(...place(at, -0.75 * side)) || !inked(...place(at, -1.75 * side))) continue;
      const ends = steps.findIndex((out) => !inked(...place(at, out)));
      if (ends < 0) continue;
      short++;
      least = Math.min(least, ends * side);
    }
    return short * side > LEAST ? [{ side: name, reaches: least }] : [];
  });
}
