import type { Plates } from '../../colour/ink';
import { type Box, intersection } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import { type Colour, isShade } from '../../scene/colour';
import type { Device, ImageRef } from '../../scene/device';
import { type LaidPicture, partOf, platesDevice } from '../plates/device';
import { changed, evenPlates, type Patch, patchOf } from './patch';
import { type Call, play, type Step, seeThroughBox, stepsOf } from './steps';

/**
 * Flattening: what is see-through becomes what the press gets from it. Where it lies on one even colour it stays what it
 * is, in the colour that the two make; elsewhere a patch of solid cells takes its place. All else is drawn as it was.
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

/** The amount that a group covers of what is below it, where all that is in it is plain ink. */
function plainGroup({ calls, overprints }: Step): { opacity: number; inside: readonly Call[] } | undefined {
  const [first] = calls;
  const inside = calls.slice(1, -1);
  if (overprints || first?.name !== 'beginGroup') return undefined;
  const isPlain = (call: Call): boolean => PLAIN.has(call.name) || plainInk(call) !== undefined;
  return inside.every(isPlain) ? { opacity: first.given[0], inside } : undefined;
}

function plainInk(call: Call): Plates | undefined {
  if (call.name !== 'fillPath' && call.name !== 'strokePath' && call.name !== 'showGlyphs') return undefined;
  const colour = call.given.at(-1) as Colour;
  return isShade(colour) ? undefined : colour;
}

/** An ink that covers a share of an even ground (ISO 32000-1, 11.3.3, blend mode Normal). */
export function mixed(over: Plates, opacity: number, ground: Plates): Plates {
  const names = [...new Set([...Object.keys(ground), ...Object.keys(over)])];
  return Object.fromEntries(
    names.map((name) => [name, (ground[name] ?? 0) * (1 - opacity) + (over[name] ?? 0) * opacity]),
  );
}

const inInk = (call: Call, ground: Plates, opacity: number): Call => {
  const ink = plainInk(call);
  return ink ? ({ ...call, given: [...call.given.slice(0, -1), mixed(ink, opacity, ground)] } as Call) : call;
};

/** Draws something on a device with nothing left that is see-through. */
export function drawFlat(draw: (device: Device) => void, device: PatchDevice, { box, ppi, picture }: FlatAsked): void {
  const steps = stepsOf(draw, (image) => picture(image)?.alpha !== undefined);
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
    else {
      const { patch, place } = patchOf(after, cells);
      device.drawPatch(patch, place);
    }
  }
}
