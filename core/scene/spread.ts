import type { PathsD } from 'clipper2-ts';
import { type Plates, totalOf } from '../colour/ink';
import type { Path, Segment } from '../geometry/path';
import type { Element, Face } from '../job/schema';
import { INK_LIMITS } from '../trade/ink-limits';
import type { Device } from './device';

/** An edge at which two inks meet. */
export interface Meeting {
  /** The element whose ink is the lighter one, and the other. */
  lighter: Element;
  darker: Element;
  plates: { lighter: Plates; darker: Plates };
  /** How long the edge is, points. */
  length: number;
  /** The lighter ink spread over the darker one: rings that do not cross. */
  rings: PathsD;
}

/** A face with what is spread on it. */
export interface PlatedFace extends Face {
  spread?: readonly Meeting[];
}

const pathOf = (rings: PathsD): Path =>
  rings.flatMap((ring): Path => [...ring.map(({ x, y }, i): Segment => [i === 0 ? 'M' : 'L', x, y]), ['Z']]);

/** What is laid where the inks lie on one another: as much of the lighter one as stays below what a press can dry. */
function laidThere({ lighter, darker }: Meeting['plates']): Plates {
  const share = Math.max(0, Math.min(1, (INK_LIMITS.spreadTotal - totalOf(darker)) / totalOf(lighter)));
  return Object.fromEntries(Object.entries(lighter).map(([plate, amount]) => [plate, amount * share]));
}

/** Draws what is spread on a face, over all that lies there. */
export function drawSpread({ spread = [] }: PlatedFace, device: Device): void {
  for (const { rings, plates } of spread) {
    device.beginOverprint();
    device.fillPath(pathOf(rings), laidThere(plates));
    device.endOverprint();
  }
}
