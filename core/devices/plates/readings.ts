import { isFinish } from '../../colour/finishes';
import type { Plates } from '../../colour/ink';
import type { Box } from '../../geometry/box';
import { cellsIn, type PlateGrid } from './device';

/** The sum of all inks at each cell: 1 is 100 %. What is a finish wets no paper. */
export function totalsOf({ plates, width, height }: PlateGrid): Float32Array {
  const [first, ...rest] = [...plates].flatMap(([plate, cells]) => (isFinish(plate) ? [] : [cells]));
  const totals = first ? first.slice() : new Float32Array(width * height);
  for (const cells of rest) for (let i = 0; i < cells.length; i++) totals[i]! += cells[i]!;
  return totals;
}

/** Amounts of ink at a cell, those that are too little to be seen left out. */
export const platesAtCell = ({ plates }: PlateGrid, cell: number): Plates =>
  Object.fromEntries(
    [...plates].flatMap(([plate, cells]) => (cells[cell]! > 0.004 ? [[plate, cells[cell]!] as const] : [])),
  );

/** The same at a point of the face, in points. */
export function platesAtPoint(grid: PlateGrid, { x, y }: { x: number; y: number }): Plates {
  const scale = grid.ppi / 72;
  const [column, row] = [Math.floor((x - grid.box.x) * scale), Math.floor((y - grid.box.y) * scale)];
  return platesAtCell(grid, row * grid.width + column);
}

/** How much of an area each plate covers, 0 to 1. */
export function coverageOf(grid: PlateGrid, area: Box): Map<string, number> {
  const { x0, x1, y0, y1 } = cellsIn(grid, area);
  const cells = Math.max(1, (x1 - x0) * (y1 - y0));
  return new Map(
    [...grid.plates].map(([plate, amounts]) => {
      let sum = 0;
      for (let y = y0; y < y1; y++) for (let x = x0; x < x1; x++) sum += amounts[y * grid.width + x]!;
      return [plate, sum / cells] as const;
    }),
  );
}

/** The most ink at a point of an area: its amount and where, in points. An area outside the grid has none. */
export function highestOf(grid: PlateGrid, totals: Float32Array, area: Box): { total: number; x: number; y: number } {
  const { x0, x1, y0, y1 } = cellsIn(grid, area);
  let at = y0 * grid.width + x0;
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      const here = y * grid.width + x;
      if (totals[here]! > totals[at]!) at = here;
    }
  const points = 72 / grid.ppi;
  return {
    total: totals[at] ?? 0,
    x: grid.box.x + ((at % grid.width) + 0.5) * points,
    y: grid.box.y + (Math.floor(at / grid.width) + 0.5) * points,
  };
}

/** Shares of an area by total ink: bin `i` holds what has from `i` to `i + 1` steps of it, the last all that is more. */
export function histogramOf(grid: PlateGrid, totals: Float32Array, area: Box, step: number, most: number): number[] {
  const bins = new Array<number>(Math.round(most / step)).fill(0);
  const { x0, x1, y0, y1 } = cellsIn(grid, area);
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      // A hair over an edge is rounding: 300 % of float amounts is 300 %.
      const bin = Math.floor((totals[y * grid.width + x]! - 1e-5) / step);
      bins[Math.max(0, Math.min(bins.length - 1, bin))]!++;
    }
  const cells = Math.max(1, (x1 - x0) * (y1 - y0));
  return bins.map((count) => count / cells);
}

/** A place with more than some limit of ink. */
export interface WetPlace {
  /** In points. */
  box: Box;
  /** In mm². */
  area: number;
  /** The most ink in it, and where: points. */
  total: number;
  at: { x: number; y: number };
}

/** Rounding that must not make a place: a fifth of a percent of ink. */
const HAIR = 0.002;

/** Every place of an area, joined by its sides, where there is more ink than `limit`; the largest first. */
export function wetPlaces(grid: PlateGrid, totals: Float32Array, area: Box, limit: number): WetPlace[] {
  const { width, ppi, box } = grid;
  const { x0, x1, y0, y1 } = cellsIn(grid, area);
  const points = 72 / ppi;
  const cell = (25.4 / ppi) ** 2;
  const seen = new Uint8Array(totals.length);
  const places: WetPlace[] = [];
  const todo: number[] = [];
  const visit = (x: number, y: number): void => {
    const at = y * width + x;
    if (x < x0 || x >= x1 || y < y0 || y >= y1 || seen[at] || totals[at]! <= limit + HAIR) return;
    seen[at] = 1;
    todo.push(at);
  };
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      visit(x, y);
      if (todo.length === 0) continue;
      let [left, top, right, bottom, count, most] = [x, y, x, y, 0, todo[0]!];
      for (let at = todo.pop(); at !== undefined; at = todo.pop()) {
        const [cx, cy] = [at % width, Math.floor(at / width)];
        count++;
        if (totals[at]! > totals[most]!) most = at;
        left = Math.min(left, cx);
        right = Math.max(right, cx);
        top = Math.min(top, cy);
        bottom = Math.max(bottom, cy);
        visit(cx - 1, cy);
        visit(cx + 1, cy);
        visit(cx, cy - 1);
        visit(cx, cy + 1);
      }
      places.push({
        box: {
          x: box.x + left * points,
          y: box.y + top * points,
          width: (right - left + 1) * points,
          height: (bottom - top + 1) * points,
        },
        area: count * cell,
        total: totals[most]!,
        at: {
          x: box.x + ((most % width) + 0.5) * points,
          y: box.y + (Math.floor(most / width) + 0.5) * points,
        },
      });
    }
  return places.sort((a, b) => b.area - a.area);
}
