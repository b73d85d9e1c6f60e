import { type Blend, blendOfColours, blendOn, isColourBlend, type PlateBlend } from '../../colour/blend';
import { type Cmyk, isProcessPlate, PROCESS_PLATES } from '../../colour/ink';
import type { Cover } from './cover';

/**
 * Amounts of ink by plate on a grid, 0 to 1. The page itself is whole everywhere; a group begins with nothing, and
 * keeps how much of it there is at each cell (`whole`); its amounts are multiplied by that already.
 */
export interface Layer {
  width: number;
  height: number;
  plates: Map<string, Float32Array>;
  whole: Float32Array | undefined;
  /** A group that sees nothing of what lies below it. */
  apart?: boolean;
  /** The window that all that was laid on it lies in; groups are small as a rule, and laid on what is below in no more. */
  reach: Window | undefined;
  /** Cells with nothing in them. */
  make(): Float32Array;
}

type Window = Pick<Cover, 'x' | 'y' | 'width' | 'height'>;

/** The window around two. */
function around(a: Window | undefined, b: Window): Window {
  if (!a) return b;
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return {
    x,
    y,
    width: Math.max(a.x + a.width, b.x + b.width) - x,
    height: Math.max(a.y + a.height, b.y + b.height) - y,
  };
}

/** What two windows share; as wide or high as nothing where that is nothing. */
function shared(a: Window, b: Window): Window {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  return {
    x,
    y,
    width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
    height: Math.max(0, Math.min(a.y + a.height, b.y + b.height) - y),
  };
}

/** A page, with copies of the plates that it begins with. */
export const pageLayer = (width: number, height: number, begun?: ReadonlyMap<string, Float32Array>): Layer => ({
  width,
  height,
  plates: copied(begun ?? []),
  whole: undefined,
  reach: undefined,
  make: () => new Float32Array(width * height),
});
export const copied = (plates: Iterable<readonly [string, Float32Array]>): Map<string, Float32Array> =>
  new Map(Array.from(plates, ([plate, cells]) => [plate, cells.slice()]));
export const groupLayer = (width: number, height: number, apart: boolean, make?: () => Float32Array): Layer => {
  const page = pageLayer(width, height);
  const from = make ?? page.make;
  return { ...page, apart, make: from, whole: from() };
};

/** Empties a group that is done with, and gives its cells back for the next: making them anew takes most of its time. */
export function emptied({ plates, whole, reach, width }: Layer): Float32Array[] {
  const all = [...plates.values(), ...(whole ? [whole] : [])];
  if (reach)
    for (const cells of all)
      for (let row = reach.y; row < reach.y + reach.height; row++)
        cells.fill(0, row * width + reach.x, row * width + reach.x + reach.width);
  return all;
}

/** A plate of a layer, with nothing on it before it is first asked for. */
export function plateOf(layer: Layer, name: string): Float32Array {
  const found = layer.plates.get(name) ?? layer.make();
  layer.plates.set(name, found);
  return found;
}

/** An amount of ink, 0 to 1: the same everywhere, or one for each cell of the cover. */
export type AmountAt = number | Float32Array;

export interface Ink {
  plate: string;
  amount: AmountAt;
}

/**
 * Lays inks on a layer where something covers it. Without overprint every other plate is left out there. With it,
 * other plates stay as they are; `nonZero` says that process plates without ink count among them, as they do for flat
 * colours (ISO 32000-1, 8.6.7: OPM 1).
 */
export function lay(layer: Layer, cover: Cover, inks: readonly Ink[], overprint: boolean, nonZero: boolean): void {
  const given = new Map(inks.map(({ plate, amount }) => [plate, amount]));
  for (const [plate, amount] of given)
    if (!layer.plates.has(plate) && amount !== 0 && amount !== undefined) plateOf(layer, plate);
  for (const [plate, cells] of layer.plates) {
    const amount = given.get(plate);
    const stays = amount === undefined || (amount === 0 && nonZero && isProcessPlate(plate));
    if (overprint && stays) {
      if (layer.whole && !layer.apart) keepUnder(cells, layer.whole, layer.width, cover);
    } else layPlate(cells, layer.width, cover, amount ?? 0);
  }
  if (layer.whole) layPlate(layer.whole, layer.width, cover, 1);
  layer.reach = around(layer.reach, cover);
}

function layPlate(cells: Float32Array, gridWidth: number, cover: Cover, amount: AmountAt): void {
  for (let row = 0; row < cover.height; row++) {
    const at = (cover.y + row) * gridWidth + cover.x;
    if (typeof amount === 'number') layFlatRow(cells, at, cover.shares, row * cover.width, cover.width, amount);
    else layRow(cells, at, cover.shares, row * cover.width, cover.width, amount);
  }
}

function layFlatRow(
  cells: Float32Array,
  at: number,
  shares: Float32Array,
  from: number,
  count: number,
  to: number,
): void {
  for (let i = 0; i < count; i++) {
    const share = shares[from + i]!;
    if (share === 0) continue;
    const below = cells[at + i]!;
    cells[at + i] = below + (to - below) * share;
  }
}

function layRow(
  cells: Float32Array,
  at: number,
  shares: Float32Array,
  from: number,
  count: number,
  amounts: Float32Array,
): void {
  for (let i = 0; i < count; i++) {
    const share = shares[from + i]!;
    if (share === 0) continue;
    const below = cells[at + i]!;
    cells[at + i] = below + (amounts[from + i]! - below) * share;
  }
}

/**
 * In a group that sees what is below it, a plate that is printed over keeps what it has, and is whole where the print makes the
 * group so. In one by itself there is no ink of it where it had none (ISO 32000-1, 11.7.4.3): its amounts stay.
 */
function keepUnder(cells: Float32Array, whole: Float32Array, gridWidth: number, cover: Cover): void {
  const { x, y, width, height, shares } = cover;
  for (let row = 0; row < height; row++) {
    let at = (y + row) * gridWidth + x;
    for (let i = row * width; i < (row + 1) * width; i++, at++) {
      const there = whole[at]!;
      if (shares[i] === 0 || there === 0) continue;
      const now = there + (1 - there) * shares[i]!;
      cells[at] = (cells[at]! / there) * now;
    }
  }
}

/** Lays a group on what is below it, each cell as much of it as `show` says, mixed by a blend where there is one. */
export function layGroup(
  below: Layer,
  group: Layer,
  clip: Cover | undefined,
  show: (cell: number) => number,
  blend?: Blend,
): void {
  const { width } = below;
  if (!group.reach) return;
  const window = clip ? shared(group.reach, clip) : group.reach;
  if (window.width === 0 || window.height === 0) return;
  below.reach = around(below.reach, window);
  for (const plate of group.plates.keys()) plateOf(below, plate);
  const shares = new Float32Array(window.width * window.height);
  const whole = group.whole!;
  for (let row = 0, i = 0; row < window.height; row++) {
    let at = (window.y + row) * width + window.x;
    let seen = clip ? (window.y + row - clip.y) * clip.width + window.x - clip.x : 0;
    for (let column = 0; column < window.width; column++, at++, i++, seen++)
      shares[i] = whole[at] === 0 ? 0 : (clip?.shares[seen] ?? 1) * show(at);
  }
  const layOne = (cells: Float32Array, from: Float32Array | undefined): void => {
    for (let row = 0, i = 0; row < window.height; row++) {
      let at = (window.y + row) * width + window.x;
      for (let column = 0; column < window.width; column++, at++, i++) {
        const share = shares[i]!;
        if (share === 0) continue;
        // A group's amounts are those of as much of the cell as it has: they come whole with their share.
        cells[at] = cells[at]! * (1 - share * whole[at]!) + share * (from ? from[at]! : 0);
      }
    }
  };
  // Both amounts and shares are of as much of the cell as there is (ISO 32000-1, 11.3.6).
  const blendOne = (cells: Float32Array, from: Float32Array | undefined, mixed: ReturnType<typeof blendOn>): void => {
    for (let row = 0, i = 0; row < window.height; row++) {
      let at = (window.y + row) * width + window.x;
      for (let column = 0; column < window.width; column++, at++, i++) {
        const share = shares[i]! * whole[at]!;
        if (share === 0) continue;
        const own = (from?.[at] ?? 0) / whole[at]!;
        const there = below.whole?.[at] ?? 1;
        const under = there === 0 ? 0 : cells[at]! / there;
        cells[at] = cells[at]! * (1 - share) + share * ((1 - there) * own + there * mixed(under, own));
      }
    }
  };
  /** All four process plates at once: such blends are of whole colours. */
  const blendColours = (mixed: ReturnType<typeof blendOfColours>): void => {
    const cells = PROCESS_PLATES.map((plate) => plateOf(below, plate));
    const from = PROCESS_PLATES.map((plate) => group.plates.get(plate));
    for (let row = 0, i = 0; row < window.height; row++) {
      let at = (window.y + row) * width + window.x;
      for (let column = 0; column < window.width; column++, at++, i++) {
        const share = shares[i]! * whole[at]!;
        if (share === 0) continue;
        const there = below.whole?.[at] ?? 1;
        const own = from.map((amounts) => (amounts?.[at] ?? 0) / whole[at]!) as Cmyk;
        const under = cells.map((amounts) => (there === 0 ? 0 : amounts[at]! / there)) as Cmyk;
        for (const [k, amount] of mixed(under, own).entries())
          cells[k]![at] = cells[k]![at]! * (1 - share) + share * ((1 - there) * own[k]! + there * amount);
      }
    }
  };
  const colours = blend !== undefined && isColourBlend(blend) ? blend : undefined;
  const byPlate = colours || !blend ? undefined : (blend as PlateBlend);
  for (const [plate, cells] of below.plates)
    if (byPlate) blendOne(cells, group.plates.get(plate), blendOn(plate, byPlate));
    else if (!colours || !isProcessPlate(plate)) layOne(cells, group.plates.get(plate));
  if (colours) blendColours(blendOfColours(colours));
  if (below.whole) layOne(below.whole, whole);
}
