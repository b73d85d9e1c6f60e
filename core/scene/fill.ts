import type { Fill } from '../colour/fill';
import { isFlat, isGradient, isSeenThrough } from '../colour/fill';
import { type Box, outset, type Point } from '../geometry/box';
import { multiply, ontoBox, turnAbout } from '../geometry/matrix';
import { motifPath } from '../geometry/motif';
import { boxPath, type Path, transformPath } from '../geometry/path';
import { type Colour, plates, shadeOf } from './colour';
import type { Device, GlyphRun } from './device';
import type { SceneSources } from './sources';

/** The colour that an area or a letter can be drawn in at once; undefined for what is made of several areas, or none. */
export function plainColour(fill: Fill, frame: Box, sources: SceneSources): Colour | undefined {
  if (isFlat(fill)) return plates(fill, sources);
  return isGradient(fill) ? shadeOf(fill, ontoBox(frame), sources) : undefined;
}

/** Draws what a fill fills, as much of it as the fill covers where it runs. */
export function covering(fill: Fill | undefined, frame: Box, device: Device, draw: () => void): void {
  const coverage = fill && isGradient(fill) && isSeenThrough(fill) ? fill : undefined;
  if (coverage)
    device.beginFade({
      kind: coverage.kind,
      matrix: multiply(ontoBox(frame), coverage.place),
      ...(coverage.focus ? { focus: coverage.focus } : {}),
      stops: coverage.stops.map(({ at, cover = 1 }) => ({ at, amount: cover })),
    });
  draw();
  if (coverage) device.endFade();
}

/** Everything on the far side of a line through a point: down from it before it is turned. */
function halfPlane(box: Box, through: Point, angle: number): Path {
  const reach = 2 * (box.width + box.height) + Math.hypot(through.x - box.x, through.y - box.y);
  const below = boxPath({ x: through.x - reach, y: through.y, width: 2 * reach, height: reach });
  return transformPath(below, turnAbout(through, angle));
}

/** What a fill of several areas draws over a box, once it is clipped by what it fills. */
function drawAreas(fill: Fill, frame: Box, box: Box, sources: SceneSources, device: Device): void {
  if (isFlat(fill) || isGradient(fill) || fill.kind === 'none') return;
  if (fill.kind === 'split') {
    const through = { x: frame.x + fill.through.x * frame.width, y: frame.y + fill.through.y * frame.height };
    device.fillPath(boxPath(box), plates(fill.first, sources));
    device.fillPath(halfPlane(box, through, fill.angle), plates(fill.second, sources));
    return;
  }
  if (fill.ground) device.fillPath(boxPath(box), plates(fill.ground, sources));
  device.fillPath(motifPath(box, fill), plates(fill.paint, sources));
}

/** Fills an area; gradients and patterns are measured by `frame`, which it fills. */
export function drawFill(fill: Fill, path: Path, frame: Box, sources: SceneSources, device: Device): void {
  const colour = plainColour(fill, frame, sources);
  if (colour) covering(fill, frame, device, () => device.fillPath(path, colour));
  else if (!isFlat(fill) && fill.kind !== 'none') {
    device.beginClip(path);
    drawAreas(fill, frame, frame, sources, device);
    device.endClip();
  }
}

/** Fills letters, which may stick out of the frame that their fill is measured by a little. */
export function drawLettersFill(
  fill: Fill,
  runs: readonly GlyphRun[],
  frame: Box,
  sources: SceneSources,
  device: Device,
): void {
  device.beginGlyphClip(runs);
  drawAreas(fill, frame, outset(frame, 0.3 * Math.min(frame.width, frame.height)), sources, device);
  device.endClip();
}
