import { flatten } from '../../geometry/flatten';
import type { Path } from '../../geometry/path';

/** Rows of samples in each row of cells: as fine as a file drawn four times as large and then made smaller. */
const ROWS = 4;
/** Curves keep this near to their straight pieces, in cells. */
export const TOLERANCE = 0.02;

/** What something covers of a grid of cells: shares 0 to 1 in a window of it. */
export interface Cover {
  x: number;
  y: number;
  width: number;
  height: number;
  shares: Float32Array;
}

/** The cells of a grid so wide of which more than a share is covered, row by row. */
export function cellsCovered({ x, y, width, shares }: Cover, gridWidth: number, more: number): number[] {
  // A letter has hundreds of thousands of cells: one loop, and nothing made for each.
  const cells: number[] = [];
  for (let i = 0; i < shares.length; i++)
    if (shares[i]! > more) cells.push((y + Math.floor(i / width)) * gridWidth + x + (i % width));
  return cells;
}

const NOTHING: Cover = { x: 0, y: 0, width: 0, height: 0, shares: new Float32Array(0) };

/** Edges that are not level, four numbers each, in cells. */
function edgesOf(path: Path): number[] {
  const edges: number[] = [];
  for (const { points } of flatten(path, TOLERANCE)) {
    let from = points.at(-1)!;
    for (const to of points) {
      if (from.y !== to.y) edges.push(from.x, from.y, to.x, to.y);
      from = to;
    }
  }
  return edges;
}

/**
 * How much of each cell a path covers by the non-zero rule; the path in cells from the grid's top left corner. Across, a
 * cell's share is exact; down, it is that of four rows of samples.
 */
export const coverOf = (path: Path, gridWidth: number, gridHeight: number): Cover =>
  coverOfEdges(edgesOf(path), gridWidth, gridHeight);

/** The same of edges, four numbers each, in cells. */
export function coverOfEdges(edges: readonly number[], gridWidth: number, gridHeight: number): Cover {
  let [left, top, right, bottom] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, 0, 0];
  for (let i = 0; i < edges.length; i += 4) {
    left = Math.min(left, edges[i]!, edges[i + 2]!);
    right = Math.max(right, edges[i]!, edges[i + 2]!);
    top = Math.min(top, edges[i + 1]!, edges[i + 3]!);
    bottom = Math.max(bottom, edges[i + 1]!, edges[i + 3]!);
  }
  const x = Math.max(0, Math.floor(left));
  const y = Math.max(0, Math.floor(top));
  const width = Math.min(gridWidth, Math.ceil(right)) - x;
  const height = Math.min(gridHeight, Math.ceil(bottom)) - y;
  if (!(width > 0 && height > 0)) return NOTHING;

  // Crossings are counted by the row of samples they fall in, then laid out there.
  const rows = height * ROWS;
  const starts = new Int32Array(rows + 1);
  const firstRow = (at: number): number => Math.max(0, Math.ceil((at - y) * ROWS - 0.5));
  const eachCrossing = (visit: (row: number, across: number, way: number) => void): void => {
    for (let i = 0; i < edges.length; i += 4) {
      const [x0, y0, x1, y1] = [edges[i]!, edges[i + 1]!, edges[i + 2]!, edges[i + 3]!];
      const way = y1 > y0 ? 1 : -1;
      const from = firstRow(Math.min(y0, y1));
      const to = Math.min(rows, firstRow(Math.max(y0, y1)));
      const slope = (x1 - x0) / (y1 - y0);
      for (let row = from; row < to; row++) visit(row, x0 + (y + (row + 0.5) / ROWS - y0) * slope - x, way);
    }
  };
  eachCrossing((row) => {
    starts[row + 1]!++;
  });
  for (let row = 0; row < rows; row++) starts[row + 1]! += starts[row]!;
  const places = new Float64Array(starts[rows]!);
  const ways = new Int8Array(places.length);
  const next = starts.slice();
  eachCrossing((row, across, way) => {
    // Rows are short: each crossing is put in its place as it comes.
    let at = next[row]!++;
    while (at > starts[row]! && places[at - 1]! > across) {
      places[at] = places[at - 1]!;
      ways[at] = ways[at - 1]!;
      at--;
    }
    places[at] = across;
    ways[at] = way;
  });

  const shares = new Float32Array(width * height);
  for (let row = 0; row < rows; row++) {
    const line = Math.floor(row / ROWS) * width;
    let winding = 0;
    let start = 0;
    for (let i = starts[row]!; i < starts[row + 1]!; i++) {
      if (winding === 0) start = places[i]!;
      winding += ways[i]!;
      if (winding === 0) addStretch(shares, line, width, start, places[i]!);
    }
  }
  return { x, y, width, height, shares };
}

const SHARE = 1 / ROWS;

function addStretch(shares: Float32Array, line: number, width: number, start: number, end: number): void {
  const from = Math.max(0, start);
  const to = Math.min(width, end);
  if (to <= from) return;
  const first = Math.floor(from);
  const last = Math.min(width - 1, Math.floor(to));
  if (first === last) {
    shares[line + first]! += (to - from) * SHARE;
    return;
  }
  shares[line + first]! += (first + 1 - from) * SHARE;
  for (let i = line + first + 1; i < line + last; i++) shares[i]! += SHARE;
  shares[line + last]! += (to - last) * SHARE;
}

/** What two cover together: where one of them lets through a share of the other. */
export function through(one: Cover, other: Cover): Cover {
  const x = Math.max(one.x, other.x);
  const y = Math.max(one.y, other.y);
  const width = Math.min(one.x + one.width, other.x + other.width) - x;
  const height = Math.min(one.y + one.height, other.y + other.height) - y;
  if (!(width > 0 && height > 0)) return NOTHING;
  const shares = new Float32Array(width * height);
  for (let row = 0; row < height; row++) {
    let a = (y + row - one.y) * one.width + x - one.x;
    let b = (y + row - other.y) * other.width + x - other.x;
    for (let i = row * width; i < (row + 1) * width; i++) shares[i] = one.shares[a++]! * other.shares[b++]!;
  }
  return { x, y, width, height, shares };
}
