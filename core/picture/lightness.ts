import type { Box } from '../geometry/box';

/** How light a picture is, coarsely: rows of cells over the whole of it, 0 (dark) to 1. */
export interface Lightness {
  columns: number;
  rows: number;
  cells: Float32Array;
}

const CELLS = 24;

/** Relative luminance of sRGB bytes, near enough to choose between black words and paper-white ones. */
export const luminance = (r: number, g: number, b: number): number => (0.2126 * r + 0.7152 * g + 0.0722 * b) / 255;

/** Averages the RGB bytes of a picture, `width` × `height` pixels, into cells. */
export function lightnessOf(rgb: Uint8Array, width: number, height: number): Lightness {
  const [columns, rows] = [Math.min(CELLS, width), Math.min(CELLS, height)];
  const [sums, counts] = [new Float64Array(columns * rows), new Uint32Array(columns * rows)];
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at += 3) {
      const cell = Math.floor((y * rows) / height) * columns + Math.floor((x * columns) / width);
      sums[cell]! += luminance(rgb[at]!, rgb[at + 1]!, rgb[at + 2]!);
      counts[cell]!++;
    }
  return { columns, rows, cells: Float32Array.from(sums, (sum, i) => sum / counts[i]!) };
}

/** The mean lightness under a box; `picture` is where the whole picture lies. Undefined where they do not meet. */
export function lightnessUnder({ columns, rows, cells }: Lightness, picture: Box, box: Box): number | undefined {
  const across = (x: number): number => Math.floor(((x - picture.x) / picture.width) * columns);
  const down = (y: number): number => Math.floor(((y - picture.y) / picture.height) * rows);
  const [x0, x1] = [Math.max(0, across(box.x)), Math.min(columns - 1, across(box.x + box.width))];
  const [y0, y1] = [Math.max(0, down(box.y)), Math.min(rows - 1, down(box.y + box.height))];
  let [sum, count] = [0, 0];
  for (let y = y0; y <= y1; y++)
    for (let x = x0; x <= x1; x++) {
      sum += cells[y * columns + x]!;
      count++;
    }
  return count > 0 ? sum / count : undefined;
}
