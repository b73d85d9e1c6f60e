import { expect } from 'vitest';
import type { PlateGrid } from '../../core/devices/plates/device';
import type { JobBundle } from '../../core/files/job-parts';
import { shopOf } from '../../core/trade/shops';
import { gridOf } from '../core/devices/plates-kit';
import { exportTo, tiffsep } from './tools';

/**
 * The plates device against Ghostscript's `tiffsep` of the exported file, drawn at 600 an inch and made smaller by four.
 * Ghostscript keeps amounts as 15 bits of which the upper eight are written, cut down (0.5 comes out as 127): ours are
 * put into the same steps before the two are compared.
 */
const PPI = 150;
const inSteps = (amount: number): number => Math.floor((amount * 32_760) / 128) / 255;

interface Seen {
  width: number;
  height: number;
  amounts: Float32Array;
}

/** Ghostscript's plates of all pages of a file, by page and name. */
async function separated(pdf: string): Promise<Map<string, Seen>> {
  const found = await tiffsep(pdf, ['-r600', '-dDownScaleFactor=4'], { byMiddles: true });
  return new Map(
    found.map(({ page, name, width, height, levels }) => {
      const amounts = Float32Array.from(levels, (level) => (255 - level) / 255);
      return [`${page} ${name}`, { width, height, amounts }] as const;
    }),
  );
}

interface Compared {
  mean: number;
  /** Of the pixels that are flat in Ghostscript's plate, the share within 1 %. */
  near: number;
  coverage: number;
}

function compare(ours: PlateGrid, name: string, seen: Seen): Compared {
  const plane = ours.plates.get(name);
  const width = Math.min(ours.width, seen.width);
  const height = Math.min(ours.height, seen.height);
  const gs = (x: number, y: number): number => seen.amounts[y * seen.width + x]!;
  let [sum, flat, near, oursSum, theirs] = [0, 0, 0, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const a = inSteps(plane?.[y * ours.width + x] ?? 0);
      const b = gs(x, y);
      sum += Math.abs(a - b);
      oursSum += a;
      theirs += b;
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) continue;
      let [least, most] = [1, 0];
      for (let v = -1; v <= 1; v++)
        for (let u = -1; u <= 1; u++) {
          least = Math.min(least, gs(x + u, y + v));
          most = Math.max(most, gs(x + u, y + v));
        }
      if (most - least > 0.05) continue;
      flat++;
      if (Math.abs(a - b) <= 0.01) near++;
    }
  const cells = width * height;
  return { mean: sum / cells, near: near / flat, coverage: Math.abs(oursSum - theirs) / cells };
}

/** The total ink at a flat point, by Ghostscript and by us. */
function mostInk(ours: PlateGrid, all: readonly Seen[]): { theirs: number; ours: number } {
  const { width, height } = all[0]!;
  let most = { theirs: 0, ours: 0 };
  for (let y = 2; y < Math.min(height, ours.height) - 2; y++)
    for (let x = 2; x < Math.min(width, ours.width) - 2; x++) {
      const sum = (dx: number, dy: number): number =>
        all.reduce((total, { amounts }) => total + amounts[(y + dy) * width + x + dx]!, 0);
      const here = sum(0, 0);
      if (here <= most.theirs || [-1, 1].some((d) => Math.abs(sum(d, 0) - here) + Math.abs(sum(0, d) - here) > 0.02))
        continue;
      let own = 0;
      for (const plane of ours.plates.values()) own += plane[y * ours.width + x]!;
      most = { theirs: here, ours: own };
    }
  return most;
}

/** How far a plate may be off: on the whole, how much of what is flat is near, all its ink, the most ink at a point. */
interface Within extends Compared {
  most: number;
}
const USUAL: Within = { mean: 0.005, near: 0.995, coverage: 0.002, most: 0.01 };
/** Where bars of codes are hardly wider than a pixel of Ghostscript's, and edges lie on edges. */
export const FINE_THINGS: Within = { mean: 0.012, near: 0.97, coverage: 0.01, most: 0.2 };

/** Holds the plates of all faces of a piece against Ghostscript's of its exported file. */
export async function holdPlates(
  name: string,
  bundle: JobBundle,
  pieceIndex: number,
  within: Within = USUAL,
): Promise<void> {
  const piece = bundle.job.pieces[pieceIndex]!;
  const pdf = await exportTo(`${name}.pdf`, bundle, { pieceId: piece.id, shop: shopOf(piece.shop), marks: false });
  const seen = await separated(pdf);
  for (const face of piece.faces.keys()) {
    const grid = gridOf(bundle, pieceIndex, face, PPI);
    const here = [...seen].filter(([key]) => key.startsWith(`${face + 1} `));
    const names = here.map(([key]) => key.slice(key.indexOf(' ') + 1));
    for (const plate of grid.plates.keys()) expect(names).toContain(plate);
    for (const [i, plate] of names.entries()) {
      const { mean, near, coverage } = compare(grid, plate, here[i]![1]);
      const where = `${name}, face ${face + 1}, ${plate}`;
      expect.soft(mean, `mean difference, ${where}`).toBeLessThan(within.mean);
      expect.soft(near, `flat pixels within 1 %, ${where}`).toBeGreaterThanOrEqual(within.near);
      expect.soft(coverage, `coverage, ${where}`).toBeLessThan(within.coverage);
    }
    const most = mostInk(
      grid,
      here.map(([, each]) => each),
    );
    expect(Math.abs(most.ours - most.theirs), `${name}, face ${face + 1}: total ink`).toBeLessThan(within.most);
  }
}
