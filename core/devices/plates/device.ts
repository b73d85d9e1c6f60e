import type { Blend } from '../../colour/blend';
import type { Plates } from '../../colour/ink';
import { type Box, bottom, outset, type Point, right } from '../../geometry/box';
import { invert, type Matrix, multiply } from '../../geometry/matrix';
import { strokeOutline } from '../../geometry/offset';
import { boxPath, type Path, transformPath } from '../../geometry/path';
import type { Reach } from '../../picture/reach';
import type { SeparatedPicture } from '../../picture/separate';
import { type Colour, isShade, type Shade } from '../../scene/colour';
import type { Blending, ImageRef, MayBlend } from '../../scene/device';
import { type Cover, coverOf, coverOfEdges, through } from './cover';
import { emptied, groupLayer, type Ink, type Layer, lay, layGroup, pageLayer } from './layer';
import { letterEdges } from './letters';
import { type Laid, layPicture, type Samples } from './picture';

/** Cells so many to an inch, and where they lie on the face, in points. */
interface Cells {
  box: Box;
  ppi: number;
  width: number;
  height: number;
}

/** Amounts of ink by plate, a cell at a time, rows from the top. */
export interface PlateGrid extends Cells {
  plates: ReadonlyMap<string, Float32Array>;
}

/** A picture on its plates, and where its colours are out of the press's reach, where that is known. */
export interface LaidPicture extends SeparatedPicture {
  reach?: Reach | undefined;
}

export interface PlatesAsked {
  /** What of the face is drawn, points from the trim's corner. */
  box: Box;
  /** Cells an inch. */
  ppi: number;
  /** The separated pictures; one that is not there prints nothing. */
  picture(image: ImageRef): LaidPicture | undefined;
  /** What is drawn is a group by itself: it tells how much of each cell it covers. */
  apart?: boolean;
  /** What lies there already, a cell at a time; nothing where it is left out. */
  begun?: PlateGrid['plates'];
}

/** How many cells there are each way over a box: whole ones, one at least. */
export function gridOver({ box, ppi }: Pick<PlatesAsked, 'box' | 'ppi'>): Cells {
  const cells = (points: number): number => Math.max(1, Math.round((points * ppi) / 72));
  return { box, ppi, width: cells(box.width), height: cells(box.height) };
}

/** From points to the cells over a box. */
export function toGridOf({ box, ppi }: Pick<PlatesAsked, 'box' | 'ppi'>): Matrix {
  const scale = ppi / 72;
  return [scale, 0, 0, scale, -box.x * scale, -box.y * scale];
}

type Running = Pick<Shade, 'kind' | 'matrix' | 'focus'>;

/** What part a place is of the way from a focus, through it, to the unit circle (SVG 2, 14.2.3). */
function partFrom(focus: Point): (x: number, y: number) => number {
  const rest = 1 - focus.x ** 2 - focus.y ** 2;
  return (x, y) => {
    const [dx, dy] = [x - focus.x, y - focus.y];
    const far = dx * dx + dy * dy;
    const toward = focus.x * dx + focus.y * dy;
    return far === 0 ? 0 : far / (Math.sqrt(toward * toward + far * rest) - toward);
  };
}

/** How much of a gradient lies before a place of the grid: its own x, or its distance from where it begins. */
function along({ kind, matrix, focus }: Running, toGrid: Matrix): (x: number, y: number) => number {
  const back = invert(multiply(toGrid, matrix));
  if (!back) return () => 1;
  const [a, b, c, d, e, f] = back;
  if (kind === 'linear') return (x, y) => a * x + c * y + e;
  const part = focus ? partFrom(focus) : Math.hypot;
  return (x, y) => part(a * x + c * y + e, b * x + d * y + f);
}

/** A value that runs in straight lines from stop to stop. */
function running(stops: readonly { at: number; value: number }[]): (t: number) => number {
  const last = stops.at(-1)!;
  return (t) => {
    const next = stops.findIndex(({ at }) => at > t);
    if (next < 0) return last.value;
    if (next === 0) return stops[0]!.value;
    const from = stops[next - 1]!;
    const to = stops[next]!;
    return from.value + ((to.value - from.value) * (t - from.at)) / (to.at - from.at);
  };
}

/** The part of a plane that lies in a smaller window. */
function cropped(plane: Float32Array, from: Cover, to: Cover): Float32Array {
  if (from.width === to.width && from.height === to.height) return plane;
  const part = new Float32Array(to.width * to.height);
  for (let row = 0; row < to.height; row++) {
    const start = (to.y + row - from.y) * from.width + to.x - from.x;
    part.set(plane.subarray(start, start + to.width), row * to.width);
  }
  return part;
}

/** How much of each plate's ink takes away from lightness (ISO 32000-1, 10.3.3: from CMYK to grey); spots take all. */
const DARKENS: Readonly<Record<string, number>> = { Cyan: 0.3, Magenta: 0.59, Yellow: 0.11 };

/** How light each cell of a grid is, 0 to 1. */
function lightOn({ width, height, plates }: PlateGrid): Float32Array {
  const light = new Float32Array(width * height).fill(1);
  for (const [plate, cells] of plates) {
    const share = DARKENS[plate] ?? 1;
    for (let i = 0; i < light.length; i++) light[i] = Math.max(0, light[i]! - share * cells[i]!);
  }
  return light;
}

/** Rows of cells that a picture is laid in at one go. */
const BAND = 64;

/** The way from 0 to 1 in steps fine enough that none is seen. */
const LAST_STEP = 4095;
const valuesOf = (stops: readonly { at: number; value: number }[]): Float32Array => {
  const value = running(stops);
  return Float32Array.from({ length: LAST_STEP + 1 }, (_, step) => value(step / LAST_STEP));
};

/**
 * A device that lays ink on plates: the amounts that a press gets at each cell, by the same rules that a PDF's reader
 * goes by for knockout, overprint, groups and fades (ISO 32000-1, 8.6.7 and 11).
 */
export function platesDevice({ box, ppi, picture, begun, apart = false }: PlatesAsked): MayBlend & {
  grid(): PlateGrid;
  /** How much of each cell is covered, where it is drawn apart. */
  whole(): Float32Array | undefined;
} {
  const { width, height } = gridOver({ box, ppi });
  const toGrid = toGridOf({ box, ppi });
  const whole: Cover = { x: 0, y: 0, width, height, shares: new Float32Array(0) };
  /** Cells of groups that are done with. */
  const spare: Float32Array[] = [];
  const layers: Layer[] = [apart ? groupLayer(width, height, true) : pageLayer(width, height, begun)];
  const clips: (Cover | undefined)[] = [undefined];
  const shows: { show(cell: number): number; blend: Blend | undefined }[] = [];
  let overprints = 0;
  const layer = (): Layer => layers.at(-1)!;
  const clip = (): Cover | undefined => clips.at(-1);
  const coverHere = (path: Path): Cover => coverOf(transformPath(path, toGrid), width, height);
  const clipped = (cover: Cover): Cover => {
    const now = clip();
    return now ? through(cover, now) : cover;
  };

  /** A colour as inks over a cover's window. */
  function inksOf(colour: Colour, cover: Cover): Ink[] {
    if (!isShade(colour)) return Object.entries(colour).map(([plate, amount]) => ({ plate, amount }));
    const steps = stepsOver(colour, cover);
    return Object.keys(colour.stops[0]!.plates).map((plate) => {
      const values = valuesOf(colour.stops.map(({ at, plates }) => ({ at, value: plates[plate]! })));
      return { plate, amount: Float32Array.from(steps, (step) => values[step]!) };
    });
  }
  /** Which step of the way each cell of a window is at. */
  function stepsOver(shade: Running, { x, y, width: wide, height: high }: Cover): Uint16Array {
    const place = along(shade, toGrid);
    const steps = new Uint16Array(wide * high);
    for (let row = 0, i = 0; row < high; row++)
      for (let column = 0; column < wide; column++, i++) {
        const t = place(x + column + 0.5, y + row + 0.5);
        steps[i] = Math.round(Math.min(1, Math.max(0, t)) * LAST_STEP);
      }
    return steps;
  }
  function fill(cover: Cover, colour: Colour): void {
    const seen = clipped(cover);
    if (seen.width > 0) lay(layer(), seen, inksOf(colour, seen), overprints > 0, !isShade(colour));
  }
  /** A picture in bands: what is made for one on the way is small enough to stay near, and is used again for the next. */
  function laySamples(samples: Samples, place: Matrix, inks: (laid: Laid, cover: Cover) => Ink[]): void {
    const now = clip();
    const { x, y, width: wide, height: high } = now ?? whole;
    for (let row = 0; row < high; row += BAND) {
      const band = { x, y: y + row, width: wide, height: Math.min(BAND, high - row) };
      const laid = layPicture(samples, multiply(toGrid, place), band);
      if (!laid) continue;
      const cover = now ? through(laid.cover, now) : laid.cover;
      if (cover.width > 0) lay(layer(), cover, inks(laid, cover), overprints > 0, false);
    }
  }
  const beginGroup = (show: (cell: number) => number, blend?: Blend, isApart = false): void => {
    layers.push(groupLayer(width, height, isApart, () => spare.pop() ?? new Float32Array(width * height)));
    shows.push({ show, blend });
    // What clips the group clips it as a whole.
    clips.push(undefined);
  };
  const endGroup = (): void => {
    clips.pop();
    const group = layers.pop()!;
    const { show, blend } = shows.pop()!;
    layGroup(layer(), group, clip(), show, blend);
    spare.push(...emptied(group));
  };
  const blending: Blending = {
    beginApart: () => beginGroup(() => 1, undefined, true),
    beginBlend: (blend) => beginGroup(() => 1, blend),
    lightOf(ground, draw) {
      const device = platesDevice({ box, ppi, picture });
      device.fillPath(boxPath(box), ground);
      draw(device);
      return { cells: lightOn(device.grid()) };
    },
    coverageOf(draw) {
      const inner = platesDevice({ box, ppi, picture, apart: true });
      draw(inner);
      return { cells: inner.whole() ?? new Float32Array(width * height) };
    },
    beginLight: ({ cells }) => beginGroup((cell) => cells[cell]!),
  };
  return {
    blending,
    whole: () => layers[0]!.whole,
    grid: () => ({ box, ppi, width, height, plates: layers[0]!.plates }),
    beginElement() {},
    endElement() {},
    beginWords() {},
    endWords() {},
    beginOverprint() {
      overprints++;
    },
    endOverprint() {
      overprints--;
    },
    beginClip: (path) => {
      clips.push(clipped(coverHere(path)));
    },
    beginGlyphClip: (runs) => {
      const edges = runs.flatMap((run) => letterEdges(run, toGrid));
      clips.push(clipped(coverOfEdges(edges, width, height)));
    },
    endClip: () => {
      clips.pop();
    },
    beginGroup: (opacity) => beginGroup(() => opacity),
    endGroup,
    beginFade: ({ stops, ...fade }) => {
      const steps = stepsOver(fade, whole);
      const values = valuesOf(stops.map(({ at, amount }) => ({ at, value: amount })));
      beginGroup((cell) => values[steps[cell]!]!);
    },
    endFade: endGroup,
    fillPath: (path, colour) => fill(coverHere(path), colour),
    strokePath: (path, pen, colour) => fill(coverHere(strokeOutline(path, pen)), colour),
    showGlyphs: (run, colour) => fill(coverOfEdges(letterEdges(run, toGrid), width, height), colour),
    drawImage: (image, place) => {
      const found = picture(image);
      if (!found) return;
      const { plates, ...samples } = found;
      laySamples({ ...samples, channels: plates.length }, place, (laid, cover) =>
        plates.map((plate, k) => ({ plate, amount: cropped(laid.amounts[k]!, laid.cover, cover) })),
      );
    },
    drawTone: ({ width: across, height: down, amounts }, place, colour: Plates) => {
      const none = new Uint8Array(0);
      laySamples({ width: across, height: down, channels: 0, amounts: none, alpha: amounts }, place, (_, cover) =>
        inksOf(colour, cover),
      );
    },
  };
}

/** The cells that a part of the face, and a point around it, lies in, as a box of their own; empty where there are none. */
export function partBox(cells: Cells, part: Box): Box {
  const { x0, x1, y0, y1 } = cellsIn(cells, outset(part, 1));
  const side = 72 / cells.ppi;
  return {
    x: cells.box.x + x0 * side,
    y: cells.box.y + y0 * side,
    width: Math.max(0, x1 - x0) * side,
    height: Math.max(0, y1 - y0) * side,
  };
}

/** A copy of the part of a grid that a box lies in, in whole cells. */
export function partOf(grid: PlateGrid, part: Box): PlateGrid {
  const { x0, x1, y0, y1 } = cellsIn(grid, outset(part, 1));
  const [width, height] = [Math.max(0, x1 - x0), Math.max(0, y1 - y0)];
  const plates = new Map(
    [...grid.plates].map(([name, cells]) => {
      const copy = new Float32Array(width * height);
      for (let row = 0; row < height; row++) {
        const from = (y0 + row) * grid.width + x0;
        copy.set(cells.subarray(from, from + width), row * width);
      }
      return [name, copy] as const;
    }),
  );
  return { box: partBox(grid, part), ppi: grid.ppi, width, height, plates };
}

/** The cells of a grid that lie in a box of the face, from the first to before the last each way. */
export function cellsIn({ box, ppi, width, height }: Cells, part: Box) {
  const at = (points: number, from: number, most: number): number =>
    Math.max(0, Math.min(most, Math.round(((points - from) * ppi) / 72)));
  return {
    x0: at(part.x, box.x, width),
    x1: at(right(part), box.x, width),
    y0: at(part.y, box.y, height),
    y1: at(bottom(part), box.y, height),
  };
}
