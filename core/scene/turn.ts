import type { Pen } from '../colour/fill';
import type { Plates } from '../colour/ink';
import type { Box } from '../geometry/box';
import { apply, IDENTITY, type Matrix, multiply, turnAbout } from '../geometry/matrix';
import { type Path, transformPath } from '../geometry/path';
import type { Element } from '../job/schema';
import { type Colour, isShade, thinned } from './colour';
import type { Device, GlyphRun } from './device';

const MIRROR = {
  across: { x: -1, y: 1 },
  down: { x: 1, y: -1 },
  both: { x: -1, y: -1 },
} as const;

const flipOf = (element: Element) => ('flip' in element && element.flip ? MIRROR[element.flip] : undefined);

/** Whether an element is turned or mirrored at all. */
export const isTurned = (element: Element): boolean => (element.turn ?? 0) !== 0 || flipOf(element) !== undefined;

/** What turns and mirrors an element about the middle of its frame. */
export function turnOf(element: Element, frame: Box): Matrix {
  if (!isTurned(element)) return IDENTITY;
  const middle = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 };
  return turnAbout(middle, element.turn ?? 0, flipOf(element));
}

/** A place for something drawn: all of it scaled alike, turned and moved. `matrix` may mirror; letters never are. */
export interface Placing {
  matrix: Matrix;
  /** What of it is a turn, in degrees clockwise, and a scale: for letters and lines. */
  angle: number;
  scale: number;
}

/** A device that moves, turns and scales all it is told to draw. */
export function placedDevice(device: Device, { matrix, angle, scale }: Placing): Device {
  const there = (path: Path): Path => transformPath(path, matrix);
  const shaded = (colour: Colour): Colour =>
    isShade(colour) ? { ...colour, matrix: multiply(matrix, colour.matrix) } : colour;
  const runThere = (run: GlyphRun): GlyphRun => {
    const { x, y } = apply(matrix, { x: run.x, y: run.baseline });
    return { ...run, x, baseline: y, size: run.size * scale, angle: (run.angle ?? 0) + angle };
  };
  return {
    ...device,
    beginClip: (path) => device.beginClip(there(path)),
    beginGlyphClip: (runs) => device.beginGlyphClip(runs.map(runThere)),
    beginFade: (coverage) => device.beginFade({ ...coverage, matrix: multiply(matrix, coverage.matrix) }),
    fillPath: (path, colour) => device.fillPath(there(path), shaded(colour)),
    strokePath: (path, pen, colour) => device.strokePath(there(path), scaledPen(pen, scale), shaded(colour)),
    showGlyphs: (run, colour) => device.showGlyphs(runThere(run), shaded(colour)),
    drawImage: (image, place) => device.drawImage(image, multiply(matrix, place)),
    drawTone: (tone, place, colour) => device.drawTone(tone, multiply(matrix, place), colour),
  };
}

const scaledPen = (pen: Pen, scale: number): Pen => ({
  ...pen,
  weight: pen.weight * scale,
  ...(pen.dash ? { dash: pen.dash.map((length) => length * scale) } : {}),
});

/** A device that prints a share of every amount of ink it is told. Pictures stay as they are. */
export const thinnedDevice = (device: Device, share: number): Device => ({
  ...device,
  fillPath: (path, colour) => device.fillPath(path, thinned(colour, share)),
  strokePath: (path, pen, colour) => device.strokePath(path, pen, thinned(colour, share)),
  showGlyphs: (run, colour) => device.showGlyphs(run, thinned(colour, share)),
  drawTone: (tone, place, colour) => device.drawTone(tone, place, thinned(colour, share) as Plates),
});
