import type { Plates } from '../../colour/ink';
import { type Box, intersection, overlaps, unionOf } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import { type Colour, isShade } from '../../scene/colour';
import type { Device, ImageRef } from '../../scene/device';
import { boundsDevice } from '../bounds';
import { type LaidPicture, type PlateGrid, partOf, platesDevice } from '../plates/device';
import { changed, evenPlates, mixed, mixedOver, type Patch, patchOf, wholePatch } from './patch';
import { type Call, play, type Step, seeThroughBox, stepsOf } from './steps';

/**
 * Flattening: what is see-through becomes what the press gets from it. Where it lies on one even colour it stays what it
 * is, in the colour that the two make. On other ground plain ink becomes a window of its own outline on what the two make, so
 * that edges stay lines and words stay words; all that is left is a patch of solid cells. All else is drawn as it was.
 */

/** A device that can lay a patch, solid, whether or not it is printing over. */
export interface PatchDevice extends Device {
  drawPatch(patch: Patch, place: Matrix): void;
}

export interface FlatAsked {
  /** What of the face is printed, points from the trim's corner. */
  box: Box;
  /** Cells an inch of a patch. */
  ppi: number;
  picture(image: ImageRef): LaidPicture | undefined;
}

/** Calls that draw plain inks or say what is drawn: alone in a group they can be mixed with what is below. */
const PLAIN = new Set<keyof Device>(['beginElement', 'endElement', 'beginWords', 'endWords']);

const boundsOf = (call: Call): Box | undefined => {
  const device = boundsDevice();
  play([call], device);
  return device.bounds();
};

/** Things of plain ink that cover a share of what is below them. */
interface PlainGroup {
  opacity: number;
  inside: readonly Call[];
}

const OVERPRINTS = new Set<keyof Device>(['beginOverprint', 'endOverprint']);

/** Whether no two of these inks lie where they could meet. */
const lieApart = (boxes: readonly Box[]): boolean =>
  boxes.every((one, i) => boxes.slice(i + 1).every((other) => !overlaps(one, other)));

/** A group that is nothing but plain inks, each in its place. */
function plainGroup({ calls, overprints }: Step): PlainGroup | undefined {
  const [first] = calls;
  if (overprints || first?.name !== 'beginGroup') return undefined;
  const all = calls.slice(1, -1);
  const inside = all.filter(({ name }) => !OVERPRINTS.has(name));
  const isPlain = (call: Call): boolean => PLAIN.has(call.name) || plainInk(call) !== undefined;
  if (!inside.every(isPlain)) return undefined;
  // In a group there is nothing to print over but the group's own things.
  const alone = inside.length === all.length || lieApart(inside.flatMap((call) => boundsOf(call) ?? []));
  return alone ? { opacity: first.given[0], inside } : undefined;
}

function plainInk(call: Call): Plates | undefined {
  if (call.name !== 'fillPath' && call.name !== 'strokePath' && call.name !== 'showGlyphs') return undefined;
  const colour = call.given.at(-1) as Colour;
  return isShade(colour) ? undefined : colour;
}

const inInk = (call: Call, ground: Plates, opacity: number): Call => {
  const ink = plainInk(call);
  return ink ? ({ ...call, given: [...call.given.slice(0, -1), mixed(ink, opacity, ground)] } as Call) : call;
};

const hasLine = (calls: readonly Call[]): boolean => calls.some(({ name }) => name === 'strokePath');

/** Draws areas and words of plain ink as windows on what they and the ground below them make. */
function drawWindows(group: PlainGroup, ground: PlateGrid, device: PatchDevice): void {
  for (const call of group.inside) {
    const ink = plainInk(call);
    if (!ink) {
      play([call], device);
      continue;
    }
    const bounds = boundsOf(call);
    const part = bounds && intersection(bounds, ground.box);
    if (!part) continue;
    const { patch, place } = wholePatch(mixedOver(ink, group.opacity, partOf(ground, part)));
    if (call.name === 'showGlyphs') device.beginGlyphClip([call.given[0]]);
    if (call.name === 'fillPath') device.beginClip(call.given[0]);
    device.drawPatch(patch, place);
    device.endClip();
  }
}

/**
 * What is see-through one on the other becomes one patch: between patches on one another readers show seams. Plain ones stay
 * by themselves, since they can be drawn without a patch.
 */
function together(steps: readonly Step[]): Step[] {
  const out: Step[] = [];
  for (const step of steps) {
    const last = out.at(-1);
    // Where an element begins and ends says nothing to a file: it does not come between two patches.
    if (last?.seeThrough && step.calls.every(({ name }) => name === 'beginElement' || name === 'endElement')) {
      out.splice(-1, 0, step);
      continue;
    }
    const meet =
      last?.seeThrough && step.seeThrough && last.bounds && step.bounds && overlaps(last.bounds, step.bounds)
        ? unionOf([last.bounds, step.bounds])
        : undefined;
    if (last && meet && last.overprints === step.overprints && !plainGroup(last) && !plainGroup(step))
      out[out.length - 1] = { ...last, calls: [...last.calls, ...step.calls], bounds: meet };
    else out.push(step);
  }
  return out;
}

/** Draws something on a device with nothing left that is see-through. */
export function drawFlat(draw: (device: Device) => void, device: PatchDevice, { box, ppi, picture }: FlatAsked): void {
  const steps = together(stepsOf(draw, (image) => picture(image)?.alpha !== undefined));
  const around = seeThroughBox(steps);
  const region = around && intersection(around, box);
  if (!region) {
    for (const { calls, seeThrough } of steps) if (!seeThrough) play(calls, device);
    return;
  }
  const plates = platesDevice({ box: region, ppi, picture });
  for (const step of steps) {
    const part = step.bounds && intersection(step.bounds, region);
    if (!step.seeThrough || !part) {
      play(step.calls, plates);
      if (!step.seeThrough) play(step.calls, device);
      continue;
    }
    const before = partOf(plates.grid(), part);
    play(step.calls, plates);
    const after = partOf(plates.grid(), part);
    const cells = changed(before, after);
    if (cells.length === 0) continue;
    const plain = plainGroup(step);
    const ground = plain && evenPlates(before, cells);
    if (ground)
      play(
        plain.inside.map((call) => inInk(call, ground, plain.opacity)),
        device,
      );
    else if (plain && !hasLine(plain.inside)) drawWindows(plain, before, device);
    else {
      const { patch, place } = patchOf(after, cells);
      device.drawPatch(patch, place);
    }
  }
}
