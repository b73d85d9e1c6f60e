import { noise } from '../../geometry/noise';
import type { Finish } from '../../job/finishing';
import { FOILS, type Sheen } from '../../trade/finishes';

/**
 * A side of a finished piece as a surface that light falls on: what each cell is made of and which way it faces. Made from
 * plates, a cell for each of theirs.
 */
export interface Surface {
  width: number;
  height: number;
  /** The print on its paper, four bytes a cell, sRGB; what is cut away is seen through. */
  rgba: Uint8ClampedArray<ArrayBuffer>;
  /** What lies on top: 0 nothing, else one more than the number of a coat. */
  coat: Uint8Array;
  /** How much of the cell it covers, 0 to 255. */
  cover: Uint8Array;
  coats: readonly Coat[];
  /** Something on it is raised or pressed in. */
  hasRelief: boolean;
  /** How far each cell leans to the right and down: the first two parts of its normal, the third being 1. */
  leanX: Float32Array;
  leanY: Float32Array;
  /** What makes that normal one of length 1. */
  upright: Float32Array;
}

/** Metal or pigment of foil, sRGB 0 to 1, or a clear coat with its sheen. */
export type Coat = { kind: 'foil'; metal: readonly [number, number, number] } | { kind: 'clear'; sheen: Sheen };

/** A finish as its plate has it, amounts 0 to 1, a cell at a time. */
export interface FinishPlate {
  finish: Finish;
  amounts: Float32Array;
}

/** How far relief stands out, and how softly its edge runs, in millimetres: common practice. */
const RELIEF = { high: 0.25, edge: 0.35 };
/** How far the paper's own roughness leans, as a share of level. */
const GRAIN = 0.045;

/** The mean over `radius` cells to both sides along rows, then along columns, twice over: nearly a Gaussian. */
function blurred(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  let from = values;
  for (let pass = 0; pass < 2; pass++)
    for (const along of [1, width]) {
      const [count, lines] = along === 1 ? [width, height] : [height, width];
      const step = along === 1 ? width : 1;
      const to = new Float32Array(values.length);
      for (let line = 0; line < lines; line++) {
        const start = line * step;
        const at = (i: number): number => from[start + Math.max(0, Math.min(count - 1, i)) * along]!;
        let sum = 0;
        for (let i = -radius; i <= radius; i++) sum += at(i);
        for (let i = 0; i < count; i++) {
          to[start + i * along] = sum / (2 * radius + 1);
          sum += at(i + radius + 1) - at(i - radius);
        }
      }
      from = to;
    }
  return from;
}

/** Heights of the surface in cells, from what is raised and what is pressed in. */
function heightsOf(
  plates: readonly FinishPlate[],
  width: number,
  height: number,
  ppi: number,
): Float32Array | undefined {
  const relief = plates.filter(({ finish: { kind } }) => kind === 'embossing' || kind === 'debossing');
  if (relief.length === 0) return undefined;
  const cells = ppi / 25.4;
  const heights = new Float32Array(width * height);
  for (const { finish, amounts } of relief) {
    const by = (finish.kind === 'embossing' ? 1 : -1) * RELIEF.high * cells;
    for (let i = 0; i < heights.length; i++) heights[i]! += by * amounts[i]!;
  }
  return blurred(heights, width, height, Math.max(1, Math.round((RELIEF.edge * cells) / 2)));
}

/** How far cells lean: the slope of the heights, and the roughness of the paper. */
function leansOf(heights: Float32Array | undefined, width: number, height: number) {
  const leanX = new Float32Array(width * height);
  const leanY = new Float32Array(width * height);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      leanX[i] = (noise(x, y) - 0.5) * GRAIN;
      leanY[i] = (noise(x + 7919, y) - 0.5) * GRAIN;
      if (!heights) continue;
      const at = (dx: number, dy: number): number =>
        heights[Math.max(0, Math.min(height - 1, y + dy)) * width + Math.max(0, Math.min(width - 1, x + dx))]!;
      leanX[i]! -= (at(1, 0) - at(-1, 0)) / 2;
      leanY[i]! -= (at(0, 1) - at(0, -1)) / 2;
    }
  const upright = leanX.map((x, i) => 1 / Math.sqrt(x * x + leanY[i]! ** 2 + 1));
  return { leanX, leanY, upright };
}

/** What a finish lays on top of print, where it does. */
const coatOf = ({ kind, tone = 'gold', sheen = 'gloss' }: Finish): Coat | undefined =>
  kind === 'foil'
    ? { kind: 'foil', metal: FOILS[tone].metal }
    : kind === 'varnish'
      ? { kind: 'clear', sheen }
      : undefined;

/**
 * A surface from the print as it is seen (`rgba`), the plates of its finishes, and how much of each cell is left once it is
 * cut and punched (`left`, 0 to 1; all of it where it is left out).
 */
export function surfaceOf(
  { width, height, ppi }: { width: number; height: number; ppi: number },
  rgba: Uint8ClampedArray<ArrayBuffer>,
  plates: readonly FinishPlate[],
  left?: Float32Array,
): Surface {
  const coat = new Uint8Array(width * height);
  const cover = new Uint8Array(width * height);
  const coats: Coat[] = [];
  for (const { finish, amounts } of plates) {
    const made = coatOf(finish);
    if (!made) continue;
    coats.push(made);
    for (let i = 0; i < amounts.length; i++) {
      const amount = Math.round(amounts[i]! * 255);
      // What is laid later lies on top; the thinner edge of it does not take away what is whole below.
      if (amount === 0 || (amount < 128 && cover[i]! > amount)) continue;
      coat[i] = coats.length;
      cover[i] = amount;
    }
  }
  const whole = new Uint8ClampedArray(rgba);
  if (left) for (let i = 0; i < left.length; i++) whole[4 * i + 3] = Math.round(255 * left[i]!);
  const heights = heightsOf(plates, width, height, ppi);
  return {
    width,
    height,
    rgba: whole,
    coat,
    cover,
    coats,
    hasRelief: heights !== undefined,
    ...leansOf(heights, width, height),
  };
}
