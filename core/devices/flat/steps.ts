import { type Box, unionOf } from '../../geometry/box';
import type { Device, ImageRef } from '../../scene/device';
import { boundsDevice } from '../bounds';

/** A call of a device, kept to be made again on others. */
export type Call = { [K in keyof Device]: { name: K; given: Parameters<Device[K]> } }[keyof Device];

export const play = (calls: readonly Call[], device: Device): void => {
  for (const { name, given } of calls) (device[name] as (...all: unknown[]) => void)(...given);
};

const NAMES: Record<keyof Device, true> = {
  beginElement: true,
  endElement: true,
  beginClip: true,
  beginGlyphClip: true,
  endClip: true,
  beginGroup: true,
  endGroup: true,
  beginFade: true,
  endFade: true,
  beginOverprint: true,
  endOverprint: true,
  fillPath: true,
  strokePath: true,
  showGlyphs: true,
  beginWords: true,
  endWords: true,
  drawImage: true,
  drawTone: true,
};

/** A device that keeps what it is told. */
function keepingDevice(calls: Call[]): Device {
  const keep = (name: keyof Device) => [name, (...given: unknown[]) => calls.push({ name, given } as Call)] as const;
  return Object.fromEntries((Object.keys(NAMES) as (keyof Device)[]).map(keep)) as unknown as Device;
}

/** A stretch of drawing that something below shows through as one thing, or one call that nothing shows through. */
export interface Step {
  calls: readonly Call[];
  seeThrough: boolean;
  /** Where a see-through one may leave ink, points; clips around it counted. */
  bounds?: Box | undefined;
  /** Whether it prints on the inks below it. */
  overprints: boolean;
}

const OPENS = new Set<keyof Device>(['beginGroup', 'beginFade']);
const CLOSES = new Set<keyof Device>(['endGroup', 'endFade']);
const CLIPS = new Set<keyof Device>(['beginClip', 'beginGlyphClip']);

/** What is drawn, in steps; `hasAlpha` says which pictures are see-through in places. */
export function stepsOf(draw: (device: Device) => void, hasAlpha: (image: ImageRef) => boolean): Step[] {
  const calls: Call[] = [];
  draw(keepingDevice(calls));
  const steps: Step[] = [];
  const clips: Call[] = [];
  let overprints = 0;
  let open: Call[] = [];
  let depth = 0;
  const close = (): void => {
    const bounds = boundsDevice();
    play([...clips, ...open], bounds);
    steps.push({ calls: open, seeThrough: true, bounds: bounds.bounds(), overprints: overprints > 0 });
    open = [];
  };
  for (const call of calls) {
    if (OPENS.has(call.name)) depth++;
    if (depth > 0) open.push(call);
    if (CLOSES.has(call.name) && --depth === 0) {
      close();
      continue;
    }
    if (depth > 0) continue;
    if (call.name === 'drawTone' || (call.name === 'drawImage' && hasAlpha(call.given[0]))) {
      open = [call];
      close();
      continue;
    }
    if (CLIPS.has(call.name)) clips.push(call);
    if (call.name === 'endClip') clips.pop();
    if (call.name === 'beginOverprint') overprints++;
    if (call.name === 'endOverprint') overprints--;
    steps.push({ calls: [call], seeThrough: false, overprints: overprints > 0 });
  }
  return steps;
}

/** The box around all that is see-through. */
export const seeThroughBox = (steps: readonly Step[]): Box | undefined =>
  unionOf(steps.flatMap(({ seeThrough, bounds }) => (seeThrough && bounds ? [bounds] : [])));
