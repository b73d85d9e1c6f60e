import type { Point } from '../../../geometry/box';
import { apply, type Matrix } from '../../../geometry/matrix';
import type { Path } from '../../../geometry/path';
import { type Dict, Stream, type Value } from '../parsed/syntax';
import { dictOf, numbersOf } from '../parsed/view';
import { functionOf } from './functions';
import { type Corner, MESHES, type Mesh, type MeshLaid, meshOf, type Patch } from './mesh-read';
import { fillArea, painted } from './paint';
import { layCells } from './shade-cells';
import { areApart } from './shades';
import { type ScreenInks, spaceOf } from './spaces';
import type { Drawing, Running } from './state';

/** Meshes as pictures of amounts of ink: what they do not reach is not there. */

const NOT_READ = 'a gradient of a kind that is not read';

/** A mesh, or a colour that runs in another way that is laid cell by cell. */
export type Laid = Stream | Dict;

/** What of a shading is laid as a picture; undefined where it is a gradient, or who listens keeps no pictures of them. */
export function meshIn({ view, hear }: Drawing, value: Value | undefined): Laid | undefined {
  const found = view.file.get(value);
  const dict = dictOf(view.file, value);
  const kind = Number(view.file.get(dict?.get('ShadingType')));
  if (found instanceof Stream && MESHES.includes(kind)) return found;
  if (!dict || hear.noMeshes) return undefined;
  return kind === 1 || (kind === 3 && areApart(numbersOf(view, dict.get('Coords')))) ? dict : undefined;
}

/** The meshes that have been laid, by what laid them: a page is drawn more than once. */
const kept = new WeakMap<Laid, { key: string; screenInks: ScreenInks | undefined; made: MeshLaid | undefined }>();
function laidOnce(drawing: Drawing, stream: Laid, matrix: Matrix, resources: Dict): MeshLaid | undefined {
  const { x, y, width, height } = drawing.sheet;
  // Cells are laid over the sheet: one of another size has others.
  const key = [...matrix, x, y, width, height].join();
  const found = kept.get(stream);
  const { screenInks } = drawing;
  if (found?.key === key && found.screenInks === screenInks) return found.made;
  const made =
    stream instanceof Stream
      ? layMesh(drawing, stream, matrix, resources)
      : layCells(drawing, stream, matrix, resources);
  kept.set(stream, { key, screenInks, made });
  return made;
}

/** Draws a mesh where the device lets it be seen. */
export function drawMesh(running: Running, stream: Laid, matrix: Matrix): void {
  const { drawing, resources } = running;
  const made = drawing.hear.noMeshes ? undefined : laidOnce(drawing, stream, matrix, resources);
  if (!made) {
    drawing.hear.unread?.(NOT_READ);
    return;
  }
  const key = `picture ${drawing.pictures.size + 1}`;
  drawing.pictures.set(key, made.laid);
  const image = { asset: key, width: made.laid.width, height: made.laid.height, separation: {} };
  painted(running, 'fill', () => drawing.device.drawImage(image, made.place));
}

/** Fills an area in a colour, a tile or a mesh. */
export function fillIn(running: Running, path: Path): void {
  const { mesh } = running.state.paint.fill;
  if (!mesh) {
    fillArea(running, path);
    return;
  }
  running.drawing.device.beginClip(path);
  drawMesh(running, mesh.stream, mesh.matrix);
  running.drawing.device.endClip();
}

/** Cells a point of the device, and at most so many of them. */
const FINE = 4;
const MOST_CELLS = 3_000_000;
/** A patch is cut into squares of so many cells a side, within bounds. */
const SQUARE = 6;
const [FEWEST, MOST] = [4, 32];
/** Cells that are looked at, and what a triangle costs besides: a mesh of more is not read. */
const MOST_LOOKED_AT = 15_000_000;
const A_TRIANGLE = 30;

type Triangle = readonly [Corner, Corner, Corner];

const bernstein = (t: number): number[] => [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3];

/** The triangles of a patch, in the order in which they lie on one another. */
function cut({ points, colours }: Patch, steps: number): Triangle[] {
  const weights = Array.from({ length: steps + 1 }, (_, i) => bernstein(i / steps));
  const corner = (i: number, j: number): Corner => {
    const [u, v] = [i / steps, j / steps];
    const at = { x: 0, y: 0 };
    for (let a = 0; a < 4; a++)
      for (let b = 0; b < 4; b++) {
        const weight = weights[i]![a]! * weights[j]![b]!;
        at.x += weight * points[4 * a + b]!.x;
        at.y += weight * points[4 * a + b]!.y;
      }
    const shares = [(1 - u) * (1 - v), (1 - u) * v, u * v, u * (1 - v)];
    return {
      ...at,
      values: colours[0]!.map((_, k) => shares.reduce((sum, share, c) => sum + share * colours[c]![k]!, 0)),
    };
  };
  const grid = Array.from({ length: steps + 1 }, (_, i) => Array.from({ length: steps + 1 }, (__, j) => corner(i, j)));
  return Array.from({ length: steps * steps }, (_, n) => {
    const [i, j] = [Math.floor(n / steps), n % steps];
    const [a, b, c, d] = [grid[i]![j]!, grid[i]![j + 1]!, grid[i + 1]![j]!, grid[i + 1]![j + 1]!];
    return [[a, b, c] as const, [b, c, d] as const];
  }).flat();
}

interface Raster {
  x: number;
  y: number;
  width: number;
  height: number;
  /** Cells a point. */
  fine: number;
}

/** What is laid in a cell, by how near it is to each corner: three shares of one. */
type Lay = (cell: number, triangle: Triangle, first: number, second: number, third: number) => void;

/** Fills a triangle: each cell whose middle lies in it. Says how many were looked at. */
function fill(triangle: Triangle, on: Raster, lay: Lay): number {
  const [a, b, c] = triangle;
  const [p, q, r] = [a, b, c].map(({ x, y }) => ({ x: (x - on.x) * on.fine, y: (y - on.y) * on.fine })) as [
    Point,
    Point,
    Point,
  ];
  const area = (q.x - p.x) * (r.y - p.y) - (r.x - p.x) * (q.y - p.y);
  if (!(Math.abs(area) > 1e-12)) return 0;
  const span = (low: number, high: number, most: number): [number, number] => [
    Math.max(0, Math.floor(low - 0.5)),
    Math.min(most - 1, Math.ceil(high - 0.5)),
  ];
  const [left, right] = span(Math.min(p.x, q.x, r.x), Math.max(p.x, q.x, r.x), on.width);
  const [top, foot] = span(Math.min(p.y, q.y, r.y), Math.max(p.y, q.y, r.y), on.height);
  for (let y = top; y <= foot; y++)
    for (let x = left; x <= right; x++) {
      const [mx, my] = [x + 0.5, y + 0.5];
      const first = ((q.x - mx) * (r.y - my) - (r.x - mx) * (q.y - my)) / area;
      const second = ((r.x - mx) * (p.y - my) - (p.x - mx) * (r.y - my)) / area;
      const third = 1 - first - second;
      if (first < -1e-6 || second < -1e-6 || third < -1e-6) continue;
      lay(y * on.width + x, triangle, first, second, third);
    }
  return Math.max(0, right - left + 1) * Math.max(0, foot - top + 1);
}

const pointsOf = ({ triangles, patches }: Mesh): Point[] => [
  ...triangles.flat(),
  ...patches.flatMap(({ points }) => points),
];

/** Where points lie, and how far apart; undefined where that is nowhere. */
function reachOf(points: readonly Point[]): { left: number; top: number; wide: number; high: number } | undefined {
  let [left, top, right, foot] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    [left, right] = [Math.min(left, x), Math.max(right, x)];
    [top, foot] = [Math.min(top, y), Math.max(foot, y)];
  }
  const [wide, high] = [right - left, foot - top];
  return wide > 0 && high > 0 && Number.isFinite(wide * high) ? { left, top, wide, high } : undefined;
}

function rasterOf(points: readonly Point[]): Raster | undefined {
  const reach = reachOf(points);
  if (!reach) return undefined;
  const { left, top, wide, high } = reach;
  const fine = Math.min(FINE, Math.sqrt(MOST_CELLS / (wide * high)));
  return {
    x: left,
    y: top,
    fine,
    width: Math.max(1, Math.ceil(wide * fine)),
    height: Math.max(1, Math.ceil(high * fine)),
  };
}

/** A mesh in amounts of ink, laid by `matrix` from its own space to the device; undefined where it cannot be read. */
function layMesh(drawing: Drawing, stream: Stream, matrix: Matrix, resources: Dict): MeshLaid | undefined {
  const { view, inksOf } = drawing;
  const space = spaceOf(view, stream.dict.get('ColorSpace'), resources);
  const read = meshOf(view, stream, Number(view.file.get(stream.dict.get('ShadingType'))));
  const run = stream.dict.has('Function') ? functionOf(view, stream.dict.get('Function')) : undefined;
  if (!space || !read || (stream.dict.has('Function') && !run)) return undefined;
  const there = <P extends Point>(point: P): P => ({ ...point, ...apply(matrix, point) });
  const mesh: Mesh = {
    triangles: read.triangles.map(([a, b, c]) => [there(a), there(b), there(c)]),
    patches: read.patches.map(({ points, colours }) => ({ colours, points: points.map(there) })),
  };
  const on = rasterOf(pointsOf(mesh));
  if (!on) return undefined;
  const plates = Object.keys(inksOf(space, run ? run(0) : space.initial));
  const inksAt = (values: readonly number[]): number[] => {
    const all = inksOf(space, run ? run(values[0]!) : values);
    return plates.map((plate) => 255 * Math.max(0, Math.min(1, all[plate] ?? 0)));
  };
  // Amounts of ink run as straight as what they are worked out from; of other colours each is asked for.
  const isStraight = space.channelsAre === 'inks' && !run;
  const mixed = (corner: Corner): Corner => (isStraight ? { ...corner, values: inksAt(corner.values) } : corner);
  const known = new Map<string, readonly number[]>();
  const inks = (values: readonly number[]): readonly number[] => {
    const key = values.map((value) => Math.round(value * 512)).join();
    const found = known.get(key) ?? inksAt(values);
    if (known.size < 100_000) known.set(key, found);
    return found;
  };
  const count = on.width * on.height;
  const amounts = new Uint8Array(count * plates.length);
  const alpha = new Uint8Array(count);
  const lay: Lay = (cell, [a, b, c], first, second, third) => {
    alpha[cell] = 255;
    const from = cell * plates.length;
    const at = (k: number): number => first * a.values[k]! + second * b.values[k]! + third * c.values[k]!;
    if (isStraight) for (let k = 0; k < plates.length; k++) amounts[from + k] = Math.round(at(k));
    else
      for (const [k, amount] of inks(a.values.map((_, i) => at(i))).entries()) amounts[from + k] = Math.round(amount);
  };
  let lookedAt = 0;
  const fillAll = (triangles: readonly Triangle[]): void => {
    for (const [a, b, c] of triangles)
      if (lookedAt <= MOST_LOOKED_AT) lookedAt += A_TRIANGLE + fill([mixed(a), mixed(b), mixed(c)], on, lay);
  };
  fillAll(mesh.triangles);
  for (const patch of mesh.patches) {
    const reach = reachOf(patch.points);
    if (!reach || lookedAt > MOST_LOOKED_AT) continue;
    const steps = Math.ceil((Math.max(reach.wide, reach.high) * on.fine) / SQUARE);
    fillAll(cut(patch, Math.max(FEWEST, Math.min(MOST, steps))));
  }
  if (lookedAt > MOST_LOOKED_AT) return undefined;
  return {
    laid: { width: on.width, height: on.height, plates, amounts, alpha },
    place: [on.width / on.fine, 0, 0, on.height / on.fine, on.x, on.y],
  };
}
