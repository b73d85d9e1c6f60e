import { intersection, type Point } from '../../../geometry/box';
import { apply, boxAround, invert, type Matrix, multiply } from '../../../geometry/matrix';
import type { Dict } from '../parsed/syntax';
import { numbersOf } from '../parsed/view';
import { NotCalculable } from './calculator';
import { functionOf } from './functions';
import type { MeshLaid } from './mesh-read';
import { planeFunctionOf } from './plane-functions';
import { goesOn } from './shade-reach';
import { spaceOf } from './spaces';
import { type Drawing, matrixOf } from './state';

/**
 * Colours that run in ways that no gradient here has (ISO 32000-1, 8.7.4.5): by a function of both directions, and between two
 * circles apart. Each cell of the sheet is asked for its own.
 */

/** Cells a point of the device, and at most so many of them. */
const FINE = 3;
const MOST_CELLS = 1_000_000;
/** A function is asked at so many places along each direction, and between them it runs straight. */
const STEPS = 192;

/** The values of a place in the shading's own space; undefined where nothing is laid. */
type ValuesAt = (at: Point) => readonly number[] | undefined;

interface Cells {
  valuesAt: ValuesAt;
  /** The corners of what it can reach at most, in its own space; undefined where that is everything. */
  reach?: { x: number; y: number; width: number; height: number };
  matrix: Matrix;
}

/** A function of both directions (type 1), which reaches over its domain. */
function byFunction({ view }: Drawing, dict: Dict, matrix: Matrix): Cells | undefined {
  const given = planeFunctionOf(view, dict.get('Function'));
  const [x0 = 0, x1 = 1, y0 = 0, y1 = 1] = dict.has('Domain') ? numbersOf(view, dict.get('Domain')) : [];
  if (!given || !(x1 > x0 && y1 > y0)) return undefined;
  const known = Array.from({ length: STEPS * STEPS }, (_, n) =>
    given(x0 + ((n % STEPS) / (STEPS - 1)) * (x1 - x0), y0 + (Math.floor(n / STEPS) / (STEPS - 1)) * (y1 - y0)),
  );
  const nearest = (n: number, low: number, high: number): number =>
    Math.round(((n - low) / (high - low)) * (STEPS - 1));
  return {
    matrix: multiply(matrix, matrixOf(view, dict.get('Matrix'))),
    reach: { x: x0, y: y0, width: x1 - x0, height: y1 - y0 },
    valuesAt: ({ x, y }) =>
      x < x0 || x > x1 || y < y0 || y > y1 ? undefined : known[nearest(y, y0, y1) * STEPS + nearest(x, x0, x1)],
  };
}

/** The larger number for which a circle between two, or beyond them, goes through a place; the last one is on top. */
function circleThrough(
  { x, y }: Point,
  [x0, y0, r0, x1, y1, r1]: readonly number[],
  isReached: (s: number) => boolean,
): number | undefined {
  const [dx, dy, dr] = [x1! - x0!, y1! - y0!, r1! - r0!];
  const [px, py] = [x - x0!, y - y0!];
  const a = dx * dx + dy * dy - dr * dr;
  const b = px * dx + py * dy + r0! * dr;
  const c = px * px + py * py - r0! * r0!;
  const root = b * b - a * c;
  if (Math.abs(a) < 1e-9) return b !== 0 && isReached(c / (2 * b)) ? c / (2 * b) : undefined;
  if (root < 0) return undefined;
  const [one, other] = [(b + Math.sqrt(root)) / a, (b - Math.sqrt(root)) / a];
  return [Math.max(one, other), Math.min(one, other)].find((s) => r0! + s * dr >= 0 && isReached(s));
}

/** Between two circles (type 3). */
function betweenCircles({ view }: Drawing, dict: Dict, matrix: Matrix): Cells | undefined {
  const run = functionOf(view, dict.get('Function'));
  const circles = numbersOf(view, dict.get('Coords'));
  if (!run || circles.length !== 6 || !circles.every(Number.isFinite)) return undefined;
  const [before, after] = goesOn(view, dict);
  const [from = 0, to = 1] = numbersOf(view, dict.get('Domain'));
  const isReached = (s: number): boolean => (s >= 0 || before) && (s <= 1 || after);
  const STOPS = 1024;
  const known = Array.from({ length: STOPS + 1 }, (_, i) => run(from + (i / STOPS) * (to - from)));
  return {
    matrix,
    valuesAt: (at) => {
      const s = circleThrough(at, circles, isReached);
      return s === undefined ? undefined : known[Math.round(Math.max(0, Math.min(1, s)) * STOPS)];
    },
  };
}

/** Such a colour over as much of the sheet as it can reach; undefined where it cannot be read, or reaches nothing. */
export function layCells(drawing: Drawing, dict: Dict, matrix: Matrix, resources: Dict): MeshLaid | undefined {
  try {
    return laidBy(drawing, dict, matrix, resources);
  } catch (error) {
    if (error instanceof NotCalculable) return undefined;
    throw error;
  }
}

function laidBy(drawing: Drawing, dict: Dict, matrix: Matrix, resources: Dict): MeshLaid | undefined {
  const { view, inksOf, sheet } = drawing;
  const space = spaceOf(view, dict.get('ColorSpace'), resources);
  const kind = view.file.get(dict.get('ShadingType'));
  const cells = kind === 1 ? byFunction(drawing, dict, matrix) : betweenCircles(drawing, dict, matrix);
  const back = cells && invert(cells.matrix);
  const box = cells?.reach ? intersection(sheet, boxAround(cells.reach, cells.matrix)) : sheet;
  if (!space || !cells || !back || !box || !(box.width > 0 && box.height > 0)) return undefined;
  const fine = Math.min(FINE, Math.sqrt(MOST_CELLS / (box.width * box.height)));
  const [width, height] = [Math.max(1, Math.ceil(box.width * fine)), Math.max(1, Math.ceil(box.height * fine))];
  const plates = Object.keys(inksOf(space, space.initial));
  const known = new Map<readonly number[], Uint8Array>();
  const inks = (values: readonly number[]): Uint8Array => {
    const found = known.get(values);
    if (found) return found;
    const all = inksOf(space, values);
    const made = Uint8Array.from(plates, (plate) => Math.round(255 * Math.max(0, Math.min(1, all[plate] ?? 0))));
    known.set(values, made);
    return made;
  };
  const amounts = new Uint8Array(width * height * plates.length);
  const alpha = new Uint8Array(width * height);
  for (let cell = 0; cell < alpha.length; cell++) {
    const on = { x: box.x + ((cell % width) + 0.5) / fine, y: box.y + (Math.floor(cell / width) + 0.5) / fine };
    const values = cells.valuesAt(apply(back, on));
    if (!values) continue;
    alpha[cell] = 255;
    amounts.set(inks(values), cell * plates.length);
  }
  return {
    laid: { width, height, plates, amounts, alpha },
    place: [width / fine, 0, 0, height / fine, box.x, box.y],
  };
}
