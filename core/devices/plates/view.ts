import type { Converter } from '../../colour/engine';
import { ALL_PLATES, type Ink, isProcessPlate, PROCESS_PLATES, processStandIn } from '../../colour/ink';
import type { PlateGrid } from './device';

/** How plates are looked at: together as the press prints those that are shown, one as grey, or their sum against a limit. */
export type PlateView =
  | { kind: 'proof'; shown: readonly string[] }
  | { kind: 'plate'; plate: string }
  | { kind: 'total'; limit: number };

/** Pixels with coverage, four bytes each. */
const opaque = (count: number): Uint8ClampedArray<ArrayBuffer> => {
  const rgba = new Uint8ClampedArray(new ArrayBuffer(4 * count));
  for (let i = 3; i < rgba.length; i += 4) rgba[i] = 255;
  return rgba;
};

/** The four process amounts at each cell, as bytes; spots by what stands in for them. */
export function processBytes(grid: PlateGrid, shown: readonly string[], inks: readonly Ink[]): Uint8Array {
  const cells = grid.width * grid.height;
  const bytes = new Uint8Array(cells * 4);
  const visible = [...grid.plates].filter(([plate]) => shown.includes(plate));
  const spots = visible.filter(([plate]) => plate !== ALL_PLATES && !isProcessPlate(plate));
  const standIns = spots.map(([plate]) => processStandIn({ [plate]: 1 }, inks));
  for (const [c, plate] of PROCESS_PLATES.entries()) {
    const own = visible.find(([name]) => name === plate)?.[1];
    for (let i = 0; i < cells; i++) {
      let paper = 1 - (own ? own[i]! : 0);
      for (let k = 0; k < spots.length; k++) paper *= 1 - standIns[k]![c]! * spots[k]![1][i]!;
      bytes[4 * i + c] = Math.round(255 * (1 - paper));
    }
  }
  return bytes;
}

/** Under the limit, the more ink the darker; over it, in a colour that no amount of grey can be taken for. */
const WET = [176, 58, 20] as const;
const DRIEST = 250;
const WETTEST = 110;

/** Plates as pixels to look at. `toScreen` turns CMYK bytes into sRGB ones. */
export function viewOf(
  grid: PlateGrid,
  view: PlateView,
  inks: readonly Ink[],
  toScreen: Converter,
): Uint8ClampedArray<ArrayBuffer> {
  const cells = grid.width * grid.height;
  const rgba = opaque(cells);
  if (view.kind === 'proof') {
    const rgb = toScreen(processBytes(grid, view.shown, inks));
    for (let i = 0; i < cells; i++) {
      rgba[4 * i] = rgb[3 * i]!;
      rgba[4 * i + 1] = rgb[3 * i + 1]!;
      rgba[4 * i + 2] = rgb[3 * i + 2]!;
    }
    return rgba;
  }
  const put = (i: number, red: number, green: number, blue: number): void => {
    rgba[4 * i] = red;
    rgba[4 * i + 1] = green;
    rgba[4 * i + 2] = blue;
  };
  if (view.kind === 'plate') {
    const amounts = grid.plates.get(view.plate);
    for (let i = 0; i < cells; i++) {
      const grey = 255 * (1 - (amounts?.[i] ?? 0));
      put(i, grey, grey, grey);
    }
    return rgba;
  }
  for (let i = 0; i < cells; i++) {
    let total = 0;
    for (const amounts of grid.plates.values()) total += amounts[i]!;
    if (total > view.limit + 0.002) put(i, ...WET);
    else {
      const grey = DRIEST - ((DRIEST - WETTEST) * total) / view.limit;
      put(i, grey, grey, grey);
    }
  }
  return rgba;
}
