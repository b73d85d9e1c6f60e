import { EndType, JoinType, type PathsD } from 'clipper2-ts';
import { neutralDensity } from '../colour/density';
import type { Plates } from '../colour/ink';
import { type Box, outset, overlaps } from '../geometry/box';
import { areaOfRings, combinedRings, grownRings } from '../geometry/clipping';
import { paintsShown } from '../job/paints-shown';
import type { Element, Face, Piece } from '../job/schema';
import { INK_LIMITS } from '../trade/ink-limits';
import { toPoints } from '../units/length';
import { plates } from './colour';
import { type LaidArea, laidAreas } from './laid-areas';
import { printedFaces } from './shown-faces';
import type { SceneSources } from './sources';
import type { Meeting, PlatedFace } from './spread';

/**
 * Where two inks meet that have no plate in common, paper shows between them as soon as the plates shift. Against that the
 * lighter of them is spread a little under, or over, the darker one.
 */

/** How far ink is spread where nothing else is said, points. */
export const USUAL_SPREAD = toPoints(INK_LIMITS.spreads[1], 'mm');

const ROUND_WITHIN = 0.005;
const grown = (rings: PathsD, by: number): PathsD =>
  grownRings(rings, by, JoinType.Round, EndType.Polygon, 2, 6, ROUND_WITHIN);

const densityOf = ({ plates: laid = {} }: LaidArea, { inks }: SceneSources): number => neutralDensity(laid, inks);

/** Whether some of a plate lies on both sides: then no paper shows. */
const haveCommon = (one: Plates, other: Plates): boolean =>
  Object.entries(one).some(([plate, amount]) => Math.min(amount, other[plate] ?? 0) >= INK_LIMITS.meeting.common);

const boxOf = (rings: PathsD): Box => {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const ring of rings)
    for (const { x, y } of ring) {
      x0 = Math.min(x0, x);
      y0 = Math.min(y0, y);
      x1 = Math.max(x1, x);
      y1 = Math.max(y1, y);
    }
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
};

interface Seen extends LaidArea {
  n: number;
  box: Box;
}

/** What of an area nothing above it hides. */
const uncovered = ({ n, rings, box }: Seen, all: readonly Seen[]): PathsD =>
  all.reduce(
    (left, other) =>
      other.n > n && other.lies === 'over' && overlaps(other.box, box)
        ? combinedRings('difference', left, other.rings)
        : left,
    rings,
  );

const isDense = (laid: Plates, { inks }: SceneSources): boolean =>
  neutralDensity(laid, inks) >= INK_LIMITS.meeting.density;

/** Whether any two of the colours used are inks that must not meet: most faces are done with that. */
function mayMeet(elements: readonly Element[], sources: SceneSources): boolean {
  const used = new Map(
    elements.flatMap((element) => paintsShown(element, sources.styles)).map((paint) => [JSON.stringify(paint), paint]),
  );
  const inks = [...used.values()].map((paint) => plates(paint, sources)).filter((each) => isDense(each, sources));
  return inks.some((one, i) => inks.slice(i + 1).some((other) => !haveCommon(one, other)));
}

/** Where inks without a common plate meet on a face, with the lighter spread by a distance in points. */
export function meetingsOn({ elements }: Pick<Face, 'elements'>, by: number, sources: SceneSources): Meeting[] {
  if (!mayMeet(elements, sources)) return [];
  const all = elements
    .flatMap((element) => laidAreas(element, sources))
    .map((area, n): Seen => ({ ...area, n, box: boxOf(area.rings) }));
  const inks = all.filter((area) => area.lies === 'over' && area.plates && isDense(area.plates, sources));
  const open = new Map<Seen, PathsD>();
  const openOf = (area: Seen): PathsD => {
    const found = open.get(area) ?? uncovered(area, all);
    open.set(area, found);
    return found;
  };
  return inks.flatMap((one, i) =>
    inks.slice(i + 1).flatMap((other): Meeting[] => {
      if (!overlaps(outset(one.box, by), other.box) || haveCommon(one.plates!, other.plates!)) return [];
      const isFirstLighter = densityOf(one, sources) < densityOf(other, sources);
      const [lighter, darker] = isFirstLighter ? [one, other] : [other, one];
      const spread = combinedRings('intersection', grown(openOf(lighter), by), openOf(darker));
      // What prints over the edge covers what would show there.
      const rings = all.reduce(
        (left, area) =>
          area.n > Math.max(one.n, other.n) && area.lies === 'overprinting' && left.length > 0
            ? combinedRings('difference', left, area.rings)
            : left,
        spread,
      );
      const length = areaOfRings(rings) / by;
      if (length < INK_LIMITS.meeting.length) return [];
      return [
        {
          lighter: lighter.element,
          darker: darker.element,
          plates: { lighter: lighter.plates!, darker: darker.plates! },
          length,
          rings,
        },
      ];
    }),
  );
}

/** The faces of a piece as they go to the plates: printed ones, with what the piece asks to be spread. */
export function platedFaces(piece: Pick<Piece, 'faces' | 'spread'>, sources: SceneSources): PlatedFace[] {
  const faces = printedFaces(piece, sources);
  const { spread } = piece;
  return spread === undefined ? faces : faces.map((face) => ({ ...face, spread: meetingsOn(face, spread, sources) }));
}
