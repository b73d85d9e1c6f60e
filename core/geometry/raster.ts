import { type Flat, flatten } from './flatten';
import type { Path } from './path';

/** Rows of samples in each cell. Across, a cell's share is exact. */
const ROWS = 4;

interface Crossing {
  x: number;
  way: number;
}

/** Where the edges of a polygon cross a level, each with its way up or down. */
function crossingsAt(edges: readonly (readonly [number, number, number, number])[], y: number): Crossing[] {
  const found: Crossing[] = [];
  for (const [x0, y0, x1, y1] of edges) {
    if (y < Math.min(y0, y1) || y >= Math.max(y0, y1)) continue;
    found.push({ x: x0 + ((y - y0) / (y1 - y0)) * (x1 - x0), way: y1 > y0 ? 1 : -1 });
  }
  return found.sort((a, b) => a.x - b.x);
}

/** Adds a stretch from x0 to x1 to a row of cells, each by its share. */
function addStretch(row: Float32Array, x0: number, x1: number): void {
  const from = Math.max(0, x0);
  const to = Math.min(row.length, x1);
  if (to <= from) return;
  const [first, last] = [Math.floor(from), Math.min(row.length - 1, Math.floor(to))];
  if (first === last) {
    row[first]! += to - from;
    return;
  }
  row[first]! += first + 1 - from;
  for (let i = first + 1; i < last; i++) row[i]! += 1;
  row[last]! += to - last;
}

const edgesOf = (flats: readonly Flat[]): [number, number, number, number][] =>
  flats.flatMap(({ points }) =>
    points.map((p, i): [number, number, number, number] => {
      const next = points[(i + 1) % points.length]!;
      return [p.x, p.y, next.x, next.y];
    }),
  );

/** How much of each cell of a grid a path covers by the non-zero rule, 0 to 1; the path in cells from the top left. */
export function coverageOf(path: Path, width: number, height: number): Float32Array {
  const edges = edgesOf(flatten(path, 0.1));
  // Edges by the rows that they reach, so that a row looks at its own only.
  const byRow: (readonly [number, number, number, number])[][] = Array.from({ length: height }, () => []);
  for (const edge of edges) {
    const from = Math.max(0, Math.floor(Math.min(edge[1], edge[3])));
    const to = Math.min(height - 1, Math.floor(Math.max(edge[1], edge[3])));
    for (let y = from; y <= to; y++) byRow[y]!.push(edge);
  }
  const cells = new Float32Array(width * height);
  const row = new Float32Array(width);
  for (let y = 0; y < height; y++) {
    if (byRow[y]!.length === 0) continue;
    row.fill(0);
    for (let sample = 0; sample < ROWS; sample++) {
      let winding = 0;
      let start = 0;
      for (const { x, way } of crossingsAt(byRow[y]!, y + (sample + 0.5) / ROWS)) {
        if (winding === 0) start = x;
        winding += way;
        if (winding === 0) addStretch(row, start, x);
      }
    }
    for (let x = 0; x < width; x++) cells[y * width + x] = Math.min(1, row[x]! / ROWS);
  }
  return cells;
}

/** The weights of a Gaussian to either side of its middle, `sigma` in cells. */
function kernel(sigma: number): number[] {
  const reach = Math.max(1, Math.ceil(3 * sigma));
  const weights = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)));
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / sum);
}

function blurredOnce(
  cells: Float32Array,
  width: number,
  height: number,
  weights: readonly number[],
  down: boolean,
): Float32Array {
  const out = new Float32Array(cells.length);
  const reach = (weights.length - 1) / 2;
  const [length, step] = down ? [height, width] : [width, 1];
  for (let line = 0; line < (down ? width : height); line++) {
    const start = down ? line : line * width;
    for (let i = 0; i < length; i++) {
      let sum = 0;
      for (let k = Math.max(-reach, -i); k <= Math.min(reach, length - 1 - i); k++)
        sum += weights[k + reach]! * cells[start + (i + k) * step]!;
      out[start + i * step] = sum;
    }
  }
  return out;
}

/** Amounts spread by a Gaussian of `sigma` cells; what leaves the grid is lost. */
export function blurred(cells: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < 0.05) return cells;
  const weights = kernel(sigma);
  return blurredOnce(blurredOnce(cells, width, height, weights, false), width, height, weights, true);
}
