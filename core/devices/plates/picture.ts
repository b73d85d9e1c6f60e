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
  // Less than this share of a pixel from one end of the grid to the other is the rounding of a turn.
  const isNothing = (slope: number): boolean =>
    Math.abs(slope) * Math.max(wide, high) * Math.max(width, height) < ROUNDING;
  if (isNothing(b) && isNothing(c))
    layUpright(picture, laid, takenBy(x, wide, parts, a, e, width), takenBy(y, high, parts, d, f, height), parts);
  else if (isNothing(a) && isNothing(d))
    layUpright(
      onItsSide(picture),
      laid,
      takenBy(x, wide, parts, b, f, height),
      takenBy(y, high, parts, c, e, width),
      parts,
    );
  else layTurned(picture, laid, back, parts);
  return laid;
}

const ROUNDING = 1e-6;

const sideways = new WeakMap<Uint8Array, Uint8Array>();

/** A picture with its rows as columns: a quarter turn is as quick as none. */
const onItsSide = ({ width, height, channels, amounts, alpha }: Samples): Samples => ({
  width: height,
  height: width,
  channels,
  amounts: sidewaysOf(amounts, width, height, channels),
  alpha: alpha && sidewaysOf(alpha, width, height, 1),
});

/** Samples turned over their diagonal, made once for the samples of a picture. */
function sidewaysOf(samples: Uint8Array, width: number, height: number, channels: number): Uint8Array {
  const found = sideways.get(samples);
  if (found) return found;
  const to = new Uint8Array(samples.length);
  // In squares: what is read and what is written stay near.
  for (let top = 0; top < height; top += SQUARE)
    for (let left = 0; left < width; left += SQUARE)
      for (let y = top; y < Math.min(height, top + SQUARE); y++)
        for (let x = left; x < Math.min(width, left + SQUARE); x++) {
          const from = (y * width + x) * channels;
          const at = (x * height + y) * channels;
          for (let k = 0; k < channels; k++) to[at + k] = samples[from + k]!;
        }
  sideways.set(samples, to);
  return to;
}
const SQUARE = 32;

/** The pixels that each cell along one way takes, and how often; `starts` says where each cell's begin. */
interface Taken {
  starts: Int32Array;
  pixels: Int32Array;
  times: Int32Array;
}

function takenBy(from: number, count: number, parts: number, scale: number, shift: number, most: number): Taken {
  const starts = new Int32Array(count + 1);
  const pixels = new Int32Array(count * parts);
  const times = new Int32Array(count * parts);
  let known = 0;
  for (let cell = 0; cell < count; cell++) {
    for (let part = 0; part < parts; part++) {
      const pixel = Math.floor((scale * (from + cell + (part + 0.5) / parts) + shift) * most);
      if (pixel < 0 || pixel >= most) continue;
      if (known > starts[cell]! && pixels[known - 1] === pixel) times[known - 1]!++;
      else {
        pixels[known] = pixel;
        times[known++] = 1;
      }
    }
    starts[cell + 1] = known;
  }
  return { starts, pixels, times };
}

/** Adds a row of a picture up by cells: how much is covered, then the amounts. */
function addAcross(
  { width, channels, amounts: samples, alpha }: Samples,
  row: number,
  { starts, pixels, times }: Taken,
  line: Float64Array,
  wide: number,
): void {
  const start = row * width;
  if (channels === 4 && !alpha) {
    // Four process inks without transparency are what most pictures are, and many pixels: no inner loop.
    for (let column = 0, to = 0; column < wide; column++, to += 5) {
      let sum = 0;
      let c = 0;
      let m = 0;
      let y = 0;
      let k = 0;
      for (let u = starts[column]!; u < starts[column + 1]!; u++) {
        const weight = times[u]!;
        const from = (start + pixels[u]!) * 4;
        sum += weight;
        c += samples[from]! * weight;
        m += samples[from + 1]! * weight;
        y += samples[from + 2]! * weight;
        k += samples[from + 3]! * weight;
      }
      line[to] = sum;
      line[to + 1] = c;
      line[to + 2] = m;
      line[to + 3] = y;
      line[to + 4] = k;
    }
    return;
  }
  const each = channels + 1;
  for (let column = 0, to = 0; column < wide; column++, to += each)
    for (let u = starts[column]!; u < starts[column + 1]!; u++) {
      const pixel = start + pixels[u]!;
      const weight = alpha ? (alpha[pixel]! / 255) * times[u]! : times[u]!;
      line[to]! += weight;
      for (let k = 0, from = pixel * channels; k < channels; k++) line[to + 1 + k]! += samples[from + k]! * weight;
    }
}

/** Rows of the picture that are kept once they have been added up across. */
const KEPT_ROWS = 8;

/**
 * Upright, the columns and rows of pixels that a cell takes are the same down and across: each row of the picture is
 * added up across once, and those sums are added up down.
 */
function layUpright(picture: Samples, laid: Laid, columns: Taken, rows: Taken, parts: number): void {
  const { channels } = picture;
  const { width: wide, height: high } = laid.cover;
  // Beside the amounts, each cell has how much of it is covered.
  const each = channels + 1;
  const kept = new Map<number, Float64Array>();
  function across(row: number): Float64Array {
    const found = kept.get(row);
    if (found) return found;
    const oldest = kept.keys().next().value;
    const line =
      kept.size >= KEPT_ROWS && oldest !== undefined ? kept.get(oldest)!.fill(0) : new Float64Array(wide * each);
    if (kept.size >= KEPT_ROWS && oldest !== undefined) kept.delete(oldest);
    kept.set(row, line);
    addAcross(picture, row, columns, line, wide);
    return line;
  }
  const sums = new Float64Array(wide * each);
  const all = parts * parts;
  for (let row = 0; row < high; row++) {
    const first = rows.starts[row]!;
    const last = rows.starts[row + 1]!;
    if (first === last) continue;
    // As a rule a cell takes two rows of pixels, each twice.
    const [one, other] = [across(rows.pixels[first]!), across(rows.pixels[last - 1]!)];
    sumOfTwo(sums, one, rows.times[first]!, other, last - 1 > first ? rows.times[last - 1]! : 0);
    for (let v = first + 1; v < last - 1; v++) addTimes(sums, across(rows.pixels[v]!), rows.times[v]!);
    if (channels === 4) writeFour(laid, row * wide, sums, all);
    else for (let k = -1; k < channels; k++) writeRow(laid, k, row * wide, sums, all);
  }
}

function sumOfTwo(sums: Float64Array, one: Float64Array, times: number, other: Float64Array, again: number): void {
  for (let i = 0; i < sums.length; i++) sums[i] = one[i]! * times + other[i]! * again;
}

function addTimes(sums: Float64Array, line: Float64Array, times: number): void {
  for (let i = 0; i < sums.length; i++) sums[i]! += line[i]! * times;
}

/** The means along a row: of one channel, or how much is covered for -1. */
function writeRow({ cover, amounts }: Laid, k: number, start: number, sums: Float64Array, all: number): void {
  const each = amounts.length + 1;
  const plane = k < 0 ? cover.shares : amounts[k]!;
  for (let from = 0, cell = start; from < sums.length; from += each, cell++) {
    const covered = sums[from]!;
    if (covered > 0) plane[cell] = k < 0 ? covered / all : sums[from + k + 1]! / (255 * covered);
  }
}

/** The same of all four at one go: pictures in process inks are what there is most of. */
function writeFour({ cover, amounts }: Laid, start: number, sums: Float64Array, all: number): void {
  const [c, m, y, k] = amounts as [Float32Array, Float32Array, Float32Array, Float32Array];
  const { shares } = cover;
  for (let from = 0, cell = start; from < sums.length; from += 5, cell++) {
    const covered = sums[from]!;
    if (covered === 0) continue;
    const mean = 1 / (255 * covered);
    shares[cell] = covered / all;
    c[cell] = sums[from + 1]! * mean;
    m[cell] = sums[from + 2]! * mean;
    y[cell] = sums[from + 3]! * mean;
    k[cell] = sums[from + 4]! * mean;
  }
}

function layTurned(picture: Samples, laid: Laid, [a, b, c, d, e, f]: Matrix, parts: number): void {
  const { width, height, channels, amounts: samples, alpha } = picture;
  const { x, y, width: wide, height: high, shares } = laid.cover;
  const sums = new Float64Array(channels);
  for (let row = 0, cell = 0; row < high; row++)
    for (let column = 0; column < wide; column++, cell++) {
      let covered = 0;
      sums.fill(0);
      for (let v = 0; v < parts; v++)
        for (let u = 0; u < parts; u++) {
          const cx = x + column + (u + 0.5) / parts;
          const cy = y + row + (v + 0.5) / parts;
          const px = Math.floor((a * cx + c * cy + e) * width);
          const py = Math.floor((b * cx + d * cy + f) * height);
          if (px < 0 || py < 0 || px >= width || py >= height) continue;
          const pixel = py * width + px;
          const weight = alpha ? alpha[pixel]! / 255 : 1;
          covered += weight;
          for (let k = 0, from = pixel * channels; k < channels; k++) sums[k]! += samples[from + k]! * weight;
        }
      if (covered === 0) continue;
      shares[cell] = covered / (parts * parts);
      for (let k = 0; k < channels; k++) laid.amounts[k]![cell] = sums[k]! / (255 * covered);
    }
}
