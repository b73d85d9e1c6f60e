import { apply, invert, type Matrix } from '../../geometry/matrix';
import type { Cover } from './cover';

/** A picture's samples: amounts interleaved by plate, 255 is full; coverage apart. */
export interface Samples {
  width: number;
  height: number;
  channels: number;
  amounts: Uint8Array;
  alpha?: Uint8Array | undefined;
}

/** Samples of a cell each way, at most: as many as a file drawn four times as large has. */
const MOST = 4;

/** Where a picture lies on the grid, and what of it: shares of each cell and the mean amounts there, 0 to 1. */
export interface Laid {
  cover: Cover;
  /** A plane a channel, over the cover's window. */
  amounts: Float32Array[];
}

/**
 * Lays a picture on a grid: `place` brings its unit square, top left corner first, to cells. Each cell takes the mean of
 * the pixels nearest to the middles of its parts.
 */
export function layPicture(
  picture: Samples,
  place: Matrix,
  window: Pick<Cover, 'x' | 'y' | 'width' | 'height'>,
): Laid | undefined {
  const back = invert(place);
  if (!back) return undefined;
  const { width, height, channels } = picture;
  const corners = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 0, y: 1 },
    { x: 1, y: 1 },
  ].map((corner) => apply(place, corner));
  const x = Math.max(window.x, Math.floor(Math.min(...corners.map((c) => c.x))));
  const y = Math.max(window.y, Math.floor(Math.min(...corners.map((c) => c.y))));
  const wide = Math.min(window.x + window.width, Math.ceil(Math.max(...corners.map((c) => c.x)))) - x;
  const high = Math.min(window.y + window.height, Math.ceil(Math.max(...corners.map((c) => c.y)))) - y;
  if (!(wide > 0 && high > 0)) return undefined;
  const [a, b, c, d, e, f] = back;
  // Pixels of the picture that a cell reaches over.
  const reach = Math.max(Math.hypot(a * width, b * height), Math.hypot(c * width, d * height));
  const parts = reach > 1 ? MOST : 2;
  const laid: Laid = {
    cover: { x, y, width: wide, height: high, shares: new Float32Array(wide * high) },
    amounts: Array.from({ length: channels }, () => new Float32Array(wide * high)),
  };
  if (b === 0 && c === 0) {
    layUpright(picture, laid, takenBy(x, wide, parts, a, e, width), takenBy(y, high, parts, d, f, height), parts);
    return laid;
  }
  layTurned(picture, laid, back, parts);
  return laid;
}

/** Adds up what a cell takes of a picture, and puts the mean in its place. */
function meanOf({ channels, amounts: samples, alpha }: Samples, { cover, amounts }: Laid, parts: number) {
  const sums = new Float64Array(channels);
  let covered = 0;
  return {
    take(pixel: number, times: number): void {
      const weight = alpha ? (alpha[pixel]! / 255) * times : times;
      if (weight === 0) return;
      covered += weight;
      for (let k = 0, from = pixel * channels; k < channels; k++) sums[k]! += samples[from + k]! * weight;
    },
    put(cell: number): void {
      if (covered === 0) return;
      cover.shares[cell] = covered / (parts * parts);
      for (let k = 0; k < channels; k++) {
        amounts[k]![cell] = sums[k]! / (255 * covered);
        sums[k] = 0;
      }
      covered = 0;
    },
  };
}

/** The pixels that each cell along one way takes, and how often; `starts` says where each cell's begin. */
interface Taken {
  starts: Int32Array;
  pixels: number[];
  times: number[];
}

function takenBy(from: number, count: number, parts: number, scale: number, shift: number, most: number): Taken {
  const taken: Taken = { starts: new Int32Array(count + 1), pixels: [], times: [] };
  for (let cell = 0; cell < count; cell++) {
    for (let part = 0; part < parts; part++) {
      const pixel = Math.floor((scale * (from + cell + (part + 0.5) / parts) + shift) * most);
      if (pixel < 0 || pixel >= most) continue;
      const last = taken.pixels.length - 1;
      if (last >= taken.starts[cell]! && taken.pixels[last] === pixel) taken.times[last]!++;
      else {
        taken.pixels.push(pixel);
        taken.times.push(1);
      }
    }
    taken.starts[cell + 1] = taken.pixels.length;
  }
  return taken;
}

/** Upright, the columns and rows of pixels that a cell takes are the same down and across. */
function layUpright(picture: Samples, laid: Laid, columns: Taken, rows: Taken, parts: number): void {
  const { width: wide, height: high } = laid.cover;
  const mean = meanOf(picture, laid, parts);
  for (let row = 0; row < high; row++)
    for (let column = 0; column < wide; column++) {
      for (let v = rows.starts[row]!; v < rows.starts[row + 1]!; v++)
        for (let u = columns.starts[column]!; u < columns.starts[column + 1]!; u++)
          mean.take(rows.pixels[v]! * picture.width + columns.pixels[u]!, rows.times[v]! * columns.times[u]!);
      mean.put(row * wide + column);
    }
}

function layTurned(picture: Samples, laid: Laid, [a, b, c, d, e, f]: Matrix, parts: number): void {
  const { width, height } = picture;
  const { x, y, width: wide, height: high } = laid.cover;
  const mean = meanOf(picture, laid, parts);
  for (let row = 0; row < high; row++)
    for (let column = 0; column < wide; column++) {
      for (let v = 0; v < parts; v++)
        for (let u = 0; u < parts; u++) {
          const cx = x + column + (u + 0.5) / parts;
          const cy = y + row + (v + 0.5) / parts;
          const px = Math.floor((a * cx + c * cy + e) * width);
          const py = Math.floor((b * cx + d * cy + f) * height);
          if (px >= 0 && py >= 0 && px < width && py < height) mean.take(py * width + px, 1);
        }
      mean.put(row * wide + column);
    }
}
