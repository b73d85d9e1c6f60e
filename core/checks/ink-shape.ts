import type { PathsD } from 'clipper2-ts';
import { inkBounds } from '../devices/bounds';
import { type Box, overlaps, type Point } from '../geometry/box';
import { areaOfRings, boxOfRings, combinedRings, ringOfBox } from '../geometry/clipping';
import type { Element } from '../job/schema';
import { inkRings } from '../scene/ink-rings';
import type { SceneSources } from '../scene/sources';

/** What an element prints, as exact shapes: turned as it is, lines along their middles, letters by their outlines. */

/** Square points that two shapes may have in common by rounding. */
const HARDLY_ANY = 0.02;

/** The part of some rings that lies in boxes; rings that reach into none of them are not looked at. */
export function inkWithin(rings: PathsD, boxes: readonly Box[]): PathsD {
  const near = rings.filter((ring) => {
    const around = boxOfRings([ring]);
    return around && boxes.some((box) => overlaps(around, box));
  });
  return near.length === 0 ? [] : combinedRings('intersection', near, boxes.map(ringOfBox));
}

/** Whether an element's ink lies in any of some boxes, by more than rounding. */
export const inkIn = (element: Element, boxes: readonly Box[], sources: SceneSources): boolean =>
  areaOfRings(inkWithin(inkRings(element, sources), boxes)) > HARDLY_ANY;

/** What of a box no ring covers, as rings that do not cross. */
export const bareOf = (box: Box, rings: PathsD): PathsD => combinedRings('difference', [ringOfBox(box)], rings);

/** The box around an element's ink: by its outlines where it is turned, since boxes of what is turned are too large. */
export function exactBounds(element: Element, sources: SceneSources): Box | undefined {
  const box = inkBounds(element, sources);
  return box && element.turn ? boxOfRings(inkRings(element, sources)) : box;
}

/** How thick an area is on the whole: twice its size by the length of its outline. A line comes to its weight. */
export function thicknessOf(rings: PathsD): number {
  const around = rings.reduce(
    (sum, ring) =>
      sum +
      ring.reduce((length, { x, y }, i) => {
        const next = ring[(i + 1) % ring.length]!;
        return length + Math.hypot(next.x - x, next.y - y);
      }, 0),
    0,
  );
  return around === 0 ? 0 : (2 * areaOfRings(rings)) / around;
}

/** How far a point lies inside a trim with its corners rounded; negative outside. Points. */
function insideTrim({ x, y }: Point, { width, height, corner = 0 }: Cut): number {
  const [dx, dy] = [Math.min(x, width - x), Math.min(y, height - y)];
  return dx < corner && dy < corner ? corner - Math.hypot(corner - dx, corner - dy) : Math.min(dx, dy);
}

/** What is cut out: a box at the origin, perhaps with corners of a radius. */
export interface Cut {
  width: number;
  height: number;
  corner?: number | undefined;
}

/** The least that any of an element's ink lies inside a trim with rounded corners. */
export function leastInside(element: Element, cut: Cut, sources: SceneSources): number {
  let least = Infinity;
  for (const ring of inkRings(element, sources))
    for (const point of ring) least = Math.min(least, insideTrim(point, cut));
  return least;
}
