import { inkBounds } from '../devices/bounds';
import { middleOf, outset, overlaps } from '../geometry/box';
import { type ContourPoint, contourOf, insideBy, isInRings } from '../geometry/contour';
import { flatten } from '../geometry/flatten';
import { type Path, pathBounds } from '../geometry/path';
import type { Face } from '../job/schema';
import { seenArea } from '../scene/seen-area';
import type { SceneSources } from '../scene/sources';
import type { ShopSpec } from '../trade/schema';
import { colouredArea, isWhole } from './coloured-area';

/** What lies at a die line. Points from the trim's corner. */

export interface DieFacts {
  contour: readonly ContourPoint[];
  middle: { x: number; y: number };
  /** How far colour goes on outside each place of the outline that it runs over; infinite where there is none to lose. */
  room: Float64Array;
  /** For each that is to stay whole, how far inside the places of the outline it comes: the nearest, by place. */
  whole: readonly { element: string; near: readonly { at: number; by: number }[] }[];
}

/** Colour is followed no further than this outside a die line, and looked for just inside it. */
export const FURTHEST = 24;
export const LOOK = { step: 0.25, inside: 0.3 };
/** What lies further inside than this no drift reaches. */
const REACH = 30;
const TOLERANCE = 0.05;

/** How far ends of colour that cross an edge may slide along it, points: so many tolerances of the cut. */
const SLACK = 3;
export const slackOf = ({ x, y }: ShopSpec['tolerance']): number => SLACK * Math.max(x, y);

/** Places along an outline within so many points of one, itself among them. */
function around(contour: readonly ContourPoint[], at: number, slack: number): number[] {
  const found = [at];
  for (const way of [-1, 1])
    for (let i = 1; i < contour.length; i++) {
      const n = (at + way * i + contour.length * i) % contour.length;
      const place = contour[n]!;
      if (Math.hypot(place.x - contour[at]!.x, place.y - contour[at]!.y) > slack) break;
      found.push(n);
    }
  return found;
}

/** What a die can harm on a side; `slack` is how far ends of colour that cross its line may slide. */
export function dieFacts(
  { elements }: Pick<Face, 'elements'>,
  die: Path,
  slack: number,
  sources: SceneSources,
): DieFacts {
  const contour = contourOf(die);
  const size = pathBounds(die) ?? { x: 0, y: 0, width: 0, height: 0 };
  const box = outset(size, FURTHEST);
  const colour = colouredArea(elements, (ink) => overlaps(ink, box), TOLERANCE, sources);
  const isColoured = ({ x, y, out }: ContourPoint, by: number): boolean =>
    isInRings({ x: x + out.x * by, y: y + out.y * by }, colour);
  const over = contour.map((place) => isColoured(place, -LOOK.inside));
  const room = Float64Array.from(contour, (place, i) => {
    if (!around(contour, i, slack).every((n) => over[n])) return Infinity;
    for (let by = 0; by < FURTHEST; by += LOOK.step) if (!isColoured(place, by)) return Math.max(0, by - LOOK.step);
    return FURTHEST;
  });
  const whole = elements.filter(isWhole).flatMap((element) => {
    const ink = inkBounds(element, sources);
    if (!ink || !overlaps(ink, box)) return [];
    const near = new Map<number, number>();
    for (const { points } of flatten(seenArea(element, sources), TOLERANCE))
      for (const point of points) {
        const { by, nearest } = insideBy(point, contour);
        if (by < REACH) near.set(nearest, Math.min(by, near.get(nearest) ?? Infinity));
      }
    return near.size === 0 ? [] : [{ element: element.id, near: [...near].map(([at, by]) => ({ at, by })) }];
  });
  return { contour, middle: middleOf(size), room, whole };
}

/** The least that an element comes inside a die line; undefined where it is far inside. */
export const leastInDie = ({ whole }: DieFacts, element: string): number | undefined => {
  const found = whole.find((each) => each.element === element);
  return found && Math.min(...found.near.map(({ by }) => by));
};
