import { labDifference } from '../colour/difference';
import type { ColourEngine, Press } from '../colour/engine';
import type { Lab } from '../colour/ink';
import type { Pixels } from './decode';
import { type Separation, sourceOf } from './separate';

/** How far a picture's colours are from what the press makes of them, coarsely: rows of cells over the whole of it. */
export interface Reach {
  columns: number;
  rows: number;
  /** The middle one of each cell's differences, CIEDE2000. */
  cells: Float32Array;
}

const CELLS = 24;
/** Samples in each cell, each way. */
const SAMPLES = 5;

const DELTA = 6 / 29;
const forward = (t: number): number => (t > DELTA ** 3 ? Math.cbrt(t) : t / (3 * DELTA ** 2) + 4 / 29);
const back = (f: number): number => (f > DELTA ? f ** 3 : 3 * DELTA ** 2 * (f - 4 / 29));

/** A colour with black raised to a lightness and white kept, as black-point compensation does it (ISO 18619). */
export function onBlack([l, a, b]: Lab, blackL: number): Lab {
  const least = back((blackL + 16) / 116);
  const middle = (l + 16) / 116;
  // Relative to white all three run from the black's Y to 1.
  const [x, y, z] = [middle + a / 500, middle, middle - b / 200].map((f) => forward(least + (1 - least) * back(f))) as [
    number,
    number,
    number,
  ];
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** The darkest that a press condition prints: where a conversion lays the black of the screen. */
function blackOf(engine: ColourEngine, press: Press): number {
  const cmyk = engine.converter('sRGB', press.profile, press.condition)(new Uint8Array(3));
  return engine.measure(press.profile, cmyk)[0]!;
}

const labAt = (labs: Float32Array, i: number): Lab => [labs[3 * i]!, labs[3 * i + 1]!, labs[3 * i + 2]!];

/**
 * Compares a picture's own colours with what they become in the process inks; undefined for one whose numbers mean the
 * press already, or that is printed in inks of its own.
 */
export function reachOf(
  pixels: Pixels,
  engine: ColourEngine,
  press: Press,
  { inks }: Pick<Separation, 'inks'> = {},
): Reach | undefined {
  const { data, from } = sourceOf(pixels, engine);
  if (!from || inks) return undefined;
  const { width, height } = pixels;
  const channels = data.length / (width * height);
  const [columns, rows] = [Math.min(CELLS, width), Math.min(CELLS, height)];
  const [across, down] = [columns * SAMPLES, rows * SAMPLES];
  const own = new Uint8Array(across * down * channels);
  for (let y = 0, i = 0; y < down; y++)
    for (let x = 0; x < across; x++, i++) {
      const at = Math.floor(((y + 0.5) * height) / down) * width + Math.floor(((x + 0.5) * width) / across);
      own.set(data.subarray(at * channels, (at + 1) * channels), i * channels);
    }
  const printed = engine.converter(from, press.profile, press.condition)(own);
  const [asked, got] = [engine.measure(from, own), engine.measure(press.profile, printed)];
  const black = press.condition.blackPointCompensation ? blackOf(engine, press) : 0;
  const misses = Array.from({ length: columns * rows }, (): number[] => []);
  for (let i = 0; i < across * down; i++) {
    const cell = Math.floor(i / across / SAMPLES) * columns + Math.floor((i % across) / SAMPLES);
    misses[cell]!.push(labDifference(onBlack(labAt(asked, i), black), labAt(got, i)));
  }
  const middle = (all: number[]): number => all.sort((a, b) => a - b)[Math.floor(all.length / 2)]!;
  return { columns, rows, cells: Float32Array.from(misses, middle) };
}
