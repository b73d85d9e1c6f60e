import { type Plates, platesInOrder } from '../../colour/ink';
import type { Matrix } from '../../geometry/matrix';
import type { PlateGrid } from '../plates/device';

/** What the press gets at some cells, solid: a picture of all plates, and which of its cells are there. */
export interface Patch {
  width: number;
  height: number;
  /** In the order of their colour space: process inks, all of them where there is no spot, then spots. */
  plates: readonly string[];
  /** Interleaved, 255 is full ink. */
  amounts: Uint8Array;
  /** 1 where a cell is there, 0 where what is below stays, a byte a cell. */
  here: Uint8Array;
}

/** Less ink than this is no difference that a plate could hold. */
const NO_DIFFERENCE = 1 / 1020;

/** The cells at which two grids of one size differ, in order. */
export function changed(before: PlateGrid, after: PlateGrid): Uint32Array {
  // A set of numbers holds no more than 2 to the 24th of them: an A3 sheet at 300 cells an inch has more.
  const differs = new Uint8Array(after.width * after.height);
  for (const [plate, now] of after.plates) {
    const was = before.plates.get(plate);
    for (let i = 0; i < now.length; i++) if (Math.abs(now[i]! - (was?.[i] ?? 0)) > NO_DIFFERENCE) differs[i] = 1;
  }
  let count = 0;
  for (const differ of differs) count += differ;
  const cells = new Uint32Array(count);
  for (let i = 0, to = 0; i < differs.length; i++) if (differs[i]) cells[to++] = i;
  return cells;
}

/** What all of these cells have on the plates, where they all have the same. */
export function evenPlates({ plates }: PlateGrid, cells: Uint32Array): Plates | undefined {
  const even: Record<string, number> = {};
  for (const [plate, amounts] of plates) {
    const first = amounts[cells[0]!]!;
    if (cells.some((cell) => Math.abs(amounts[cell]! - first) > NO_DIFFERENCE)) return undefined;
    if (first > NO_DIFFERENCE) even[plate] = first;
  }
  return even;
}

/** The plates with ink at any of the cells, as a colour space orders them. */
function platesAt({ plates }: PlateGrid, cells: Uint32Array): string[] {
  return platesInOrder(
    [...plates].flatMap(([plate, amounts]) => (cells.some((cell) => amounts[cell]! > NO_DIFFERENCE) ? [plate] : [])),
  );
}

/** A patch of the given cells, no larger than they need, and where it lies on the face. */
export function patchOf(grid: PlateGrid, cells: Uint32Array): { patch: Patch; place: Matrix } {
  let [left, top, right, bottom] = [grid.width, grid.height, 0, 0];
  for (const cell of cells) {
    const [x, y] = [cell % grid.width, Math.floor(cell / grid.width)];
    left = Math.min(left, x);
    right = Math.max(right, x + 1);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y + 1);
  }
  const [width, height] = [right - left, bottom - top];
  const plates = platesAt(grid, cells);
  const from = plates.map((plate) => grid.plates.get(plate));
  const amounts = new Uint8Array(width * height * plates.length);
  const here = new Uint8Array(width * height);
  for (const cell of cells) {
    const at = (Math.floor(cell / grid.width) - top) * width + (cell % grid.width) - left;
    here[at] = 1;
    for (let k = 0; k < plates.length; k++)
      amounts[at * plates.length + k] = Math.round(255 * Math.min(1, from[k]?.[cell] ?? 0));
  }
  const side = 72 / grid.ppi;
  const place = [width * side, 0, 0, height * side, grid.box.x + left * side, grid.box.y + top * side] as const;
  return { patch: { width, height, plates, amounts, here }, place };
}

/** An ink that covers a share of an even ground (ISO 32000-1, 11.3.3, blend mode Normal). */
export function mixed(ink: Plates, opacity: number, ground: Plates): Plates {
  const names = [...new Set([...Object.keys(ground), ...Object.keys(ink)])];
  return Object.fromEntries(
    names.map((name) => [name, (ground[name] ?? 0) * (1 - opacity) + (ink[name] ?? 0) * opacity]),
  );
}

/** An ink that covers a share of a ground, cell by cell. */
export function mixedOver(ink: Plates, opacity: number, ground: PlateGrid): PlateGrid {
  const names = [...new Set([...ground.plates.keys(), ...Object.keys(ink)])];
  const none = new Float32Array(ground.width * ground.height);
  const plate = (name: string): Float32Array => {
    const own = (ink[name] ?? 0) * opacity;
    return (ground.plates.get(name) ?? none).map((below) => below * (1 - opacity) + own);
  };
  return { ...ground, plates: new Map(names.map((name) => [name, plate(name)])) };
}

/** A patch of all the cells of a grid. */
export const wholePatch = (grid: PlateGrid): ReturnType<typeof patchOf> =>
  patchOf(
    grid,
    Uint32Array.from({ length: grid.width * grid.height }, (_, cell) => cell),
  );
