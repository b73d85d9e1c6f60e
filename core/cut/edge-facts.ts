import { polygonHull } from 'd3';
import { colouredArea, isWhole } from '../checks/coloured-area';
import { inkBounds } from '../devices/bounds';
import { type Box, contains, distancesTo, outset, overlaps } from '../geometry/box';
import { flatten } from '../geometry/flatten';
import type { Element, Face } from '../job/schema';
import { seenArea } from '../scene/seen-area';
import type { SceneSources } from '../scene/sources';

/** What of a face a cut can harm, as exact shapes. Points from the trim's corner. */
export interface EdgeFacts {
  width: number;
  height: number;
  /** All that is coloured near the edges, as rings read by the even-odd rule. */
  colour: readonly Ring[];
  /** What is to stay whole: the corners of the smallest area without dents around each, and how far inside the trim it is. */
  whole: readonly { element: string; hull: Ring; inside: number }[];
  /** Frames and panels whose margins can be compared. */
  frames: readonly { element: string; box: Box }[];
}
/** Coordinates one after another: x, y, x, y. */
export type Ring = Float64Array;

/** Curves become straight pieces within this, points: a hundredth of the finest drift. */
const TOLERANCE = 0.02;
/** Only what reaches this near to the trim, points, can come to lie at a cut. */
const REACH = 30;
/** A frame takes up at least this share of the face each way, and leaves margins of at most that share. */
const FRAME = { size: 0.5, margin: 0.15 };

const ringOf = (points: readonly { x: number; y: number }[]): Ring =>
  Float64Array.from(points.flatMap(({ x, y }) => [x, y]));

/** The areas and pictures near the edges. */
function colourOf(elements: readonly Element[], trim: Box, sources: SceneSources): Ring[] {
  const [inner, outer] = [outset(trim, -REACH), outset(trim, REACH)];
  const isNear = (ink: Box): boolean => overlaps(ink, outer) && !contains(inner, ink);
  return colouredArea(elements, isNear, TOLERANCE, sources).map(ringOf);
}

/** The smallest area without dents around what an element prints: a straight cut touches the one where it touches the other. */
function hullOf(element: Element, sources: SceneSources): Ring | undefined {
  const points = flatten(seenArea(element, sources), TOLERANCE).flatMap((flat) =>
    flat.points.map(({ x, y }): [number, number] => [x, y]),
  );
  const hull = points.length > 2 ? polygonHull(points) : null;
  return hull ? Float64Array.from(hull.flat()) : undefined;
}

function leastInside(hull: Ring, { width, height }: Box): number {
  let least = Infinity;
  for (let i = 0; i < hull.length; i += 2)
    least = Math.min(least, hull[i]!, width - hull[i]!, hull[i + 1]!, height - hull[i + 1]!);
  return least;
}

function frameOf(element: Element, trim: Box, sources: SceneSources): Box | undefined {
  if (element.kind !== 'shape' || element.turn || element.logo) return undefined;
  const box = inkBounds(element, sources);
  if (!box || box.width < FRAME.size * trim.width || box.height < FRAME.size * trim.height) return undefined;
  const { top, right, bottom, left } = distancesTo(box, trim);
  const isMargin = (near: number, far: number, side: number): boolean =>
    near > 0 && far > 0 && Math.max(near, far) <= FRAME.margin * side;
  return isMargin(left, right, trim.width) && isMargin(top, bottom, trim.height) ? box : undefined;
}

/** What a cut can harm on a face of those sides, in points. */
export function edgeFacts(
  { elements }: Pick<Face, 'elements'>,
  { width, height }: { width: number; height: number },
  sources: SceneSources,
): EdgeFacts {
  const trim: Box = { x: 0, y: 0, width, height };
  const shown = elements.filter(({ hidden, sample }) => !hidden && !sample);
  return {
    width,
    height,
    colour: colourOf(shown, trim, sources),
    whole: shown.filter(isWhole).flatMap((element) => {
      const ink = inkBounds(element, sources);
      const hull = ink && overlaps(ink, trim) ? hullOf(element, sources) : undefined;
      return hull ? [{ element: element.id, hull, inside: leastInside(hull, trim) }] : [];
    }),
    frames: shown.flatMap((element) => {
      const box = frameOf(element, trim, sources);
      return box ? [{ element: element.id, box }] : [];
    }),
  };
}
