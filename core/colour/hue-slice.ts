import { labDifference } from './difference';
import type { Press, Printable } from './engine';
import type { Lab } from './ink';

/** A colour by hue (degrees, 0 to 360), chroma (0 to about 100) and lightness (0 to 100): CIE L*C*h under D50. */
export interface Lch {
  lightness: number;
  chroma: number;
  hue: number;
}

/** The strongest colours of four-colour printing stay below it: yellow has about 95 (ISO 12647-2, coated stock). */
export const MOST_CHROMA = 100;

/** A colour that prints this near to what was asked for is within reach of the press, as ΔE (CIEDE2000): hardly different. */
const WITHIN_REACH = 2;

const RADIANS = Math.PI / 180;

export const labOfLch = ({ lightness, chroma, hue }: Lch): Lab => [
  lightness,
  chroma * Math.cos(hue * RADIANS),
  chroma * Math.sin(hue * RADIANS),
];

export function lchOfLab([lightness, a, b]: Lab): Lch {
  const degrees = Math.atan2(b, a) / RADIANS;
  return { lightness, chroma: Math.hypot(a, b), hue: (degrees + 360) % 360 };
}

/** All that a press prints of one hue: lightness falls from row to row, 100 to 0, chroma grows along each from 0. */
export interface HueSlice {
  columns: number;
  rows: number;
  /** Row by row: how a colour looks, or nothing where the press cannot reach it. */
  cells: readonly (Printable | undefined)[];
  /** The strongest chroma within reach in each row; undefined where there is none. */
  edge: readonly (number | undefined)[];
}

const lightnessOfRow = (row: number, rows: number): number => 100 * (1 - row / (rows - 1));
const chromaOfColumn = (column: number, columns: number): number => (MOST_CHROMA * column) / (columns - 1);

/** What a press reaches of a hue, looked at in so many places; at least two each way. */
export function hueSlice(press: Press, hue: number, columns: number, rows: number): HueSlice {
  const asked = Array.from({ length: rows * columns }, (_, at) =>
    labOfLch({
      lightness: lightnessOfRow(Math.floor(at / columns), rows),
      chroma: chromaOfColumn(at % columns, columns),
      hue,
    }),
  );
  const printed = press.nearest(asked);
  // All that is paler than a colour within reach is within reach too: what a press prints of a hue has no holes.
  const last = Array.from({ length: rows }, (_, row) =>
    printed
      .slice(row * columns, (row + 1) * columns)
      .findLastIndex((each, column) => labDifference(asked[row * columns + column]!, each.lab) <= WITHIN_REACH),
  );
  return {
    columns,
    rows,
    cells: printed.map((each, at) => (at % columns <= last[Math.floor(at / columns)]! ? each : undefined)),
    edge: last.map((column) => (column < 0 ? undefined : chromaOfColumn(column, columns))),
  };
}

/** The strongest colour of a hue and lightness that a press reaches, up to the chroma asked for. */
export function withinReach(press: Press, { lightness, chroma, hue }: Lch): Printable {
  const STEPS = 24;
  const tried = Array.from({ length: STEPS + 1 }, (_, i) =>
    labOfLch({ lightness, hue, chroma: chroma * (1 - i / STEPS) }),
  );
  const printed = press.nearest(tried);
  return printed.find((each, i) => labDifference(tried[i]!, each.lab) <= WITHIN_REACH) ?? printed.at(-1)!;
}
