import { inkBounds } from '../devices/bounds';
import { type Box, distancesTo, overlaps, type Sides } from '../geometry/box';
import { isFramed } from '../job/edits/elements';
import type { Element } from '../job/schema';
import { canExtend, type Edge, extendToBleed } from '../scene/extend';
import { type CheckContext, type Fix, trimOf } from './check';

/** Areas and pictures that may run to the edge; words, codes and logos are kept inside instead, by their own checks. */
const isEdgeArt = (element: Element): boolean => isFramed(element) && element.kind !== 'code' && !element.logo;

export interface EdgeArt {
  element: Element;
  ink: Box;
  /** How far its ink stays inside each side of the trim; negative where it runs past. */
  inside: Sides;
}

/** The art of a face that may run to the edge, and how it lies to the trim. */
export function edgeArt({ face, piece, sources }: CheckContext): EdgeArt[] {
  const trim = trimOf(piece);
  return face.elements.filter(isEdgeArt).flatMap((element) => {
    const ink = inkBounds(element, sources);
    return ink && overlaps(ink, trim) ? [{ element, ink, inside: distancesTo(ink, trim) }] : [];
  });
}

export const SIDES = ['top', 'right', 'bottom', 'left'] as const satisfies readonly (keyof Sides)[];

/** The fix of edge art that stops at or near the trim, where it can be run out to the bleed. */
export const extending = (element: Element, edge: Edge): { fix?: Fix } =>
  canExtend(element) ? { fix: { label: 'Extend to bleed', apply: (job) => extendToBleed(job, element.id, edge) } } : {};
