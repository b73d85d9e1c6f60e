import { inkBounds } from '../devices/bounds';
import { type Box, overlaps } from '../geometry/box';
import { combinedRings, type PathsD } from '../geometry/clipping';
import { type ContourPoint, contourOf, insideBy, isInRings } from '../geometry/contour';
import { flatten } from '../geometry/flatten';
import type { Path } from '../geometry/path';
import { isFramed } from '../job/edits/elements';
import { isPaper } from '../job/paints-shown';
import type { Element, Face } from '../job/schema';
import { seenArea } from '../scene/seen-area';
import type { SceneSources } from '../scene/sources';

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

const isWhole = ({ kind, logo }: Element): boolean => kind === 'words' || kind === 'code' || logo === true;

/** All that is coloured, those on top taking away where they are paper. */
function colourOf(elements: readonly Element[], around: Box, sources: SceneSources): PathsD {
  let all: PathsD = [];
  for (const element of elements) {
    if (!isFramed(element) || element.kind === 'code') continue;
    const ink = inkBounds(element, sources);
    if (!ink || !overlaps(ink, around)) continue;
    const area = flatten(seenArea(element, sources), TOLERANCE).map(({ points }) => points) as PathsD;
    if (isPaper(element)) all = combinedRings('difference', all, area);
    else if ((element.opacity ?? 1) > 0) all = combinedRings('union', all, area);
  }
  return all;
}

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
  const xs = contour.map(({ x }) => x);
  const ys = contour.map(({ y }) => y);
  const [left, top, wide, high] = [
    Math.min(...xs),
    Math.min(...ys),
    Math.max(...xs) - Math.min(...xs),
    Math.max(...ys) - Math.min(...ys),
  ];
  const box = { x: left - FURTHEST, y: top - FURTHEST, width: wide + 2 * FURTHEST, height: high + 2 * FURTHEST };
  const colour = colourOf(elements, box, sources);
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
  return { contour, middle: { x: left + wide / 2, y: top + high / 2 }, room, whole };
}

/** The least that an element comes inside a die line; undefined where it is far inside. */
export const leastInDie = ({ whole }: DieFacts, element: string): number | undefined => {
  const found = whole.find((each) => each.element === element);
  return found && Math.min(...found.near.map(({ by }) => by));
};
