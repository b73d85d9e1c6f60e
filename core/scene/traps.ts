import { EndType, JoinType, type PathsD } from 'clipper2-ts';
import { neutralDensity } from '../colour/density';
import type { Plates } from '../colour/ink';
import { type Box, intersection, outset, overlaps } from '../geometry/box';
import { areaOfRings, combinedRings, grownRings, ringOfBox } from '../geometry/clipping';
import { paintsShown } from '../job/paints-shown';
import type { Element, Face, Piece } from '../job/schema';
import { INK_LIMITS } from '../trade/ink-limits';
import { toPoints } from '../units/length';
import { plates } from './colour';
import { elementBox } from './face';
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

type Numbered = LaidArea & { n: number };

/** What of an area is seen within a box: nothing above it hides it. */
const seenWithin = (area: Numbered, place: Box, all: readonly Numbered[]): PathsD =>
  all.reduce(
    (left, other) =>
      other.n > area.n && other.lies === 'over' && overlaps(other.box, place)
        ? combinedRings('difference', left, other.rings())
        : left,
    combinedRings('intersection', area.rings(), [ringOfBox(place)]),
  );

const isDense = (laid: Plates, { inks }: SceneSources): boolean =>
  neutralDensity(laid, inks) >= INK_LIMITS.meeting.density;

/** Ink reaches a little beyond its frame, and a line by half its weight; points. */
const BEYOND = 6;
const reachOf = (element: Element, sources: SceneSources): Box =>
  outset(elementBox(element, sources), BEYOND + ('stroke' in element ? (element.stroke?.weight ?? 0) : 0));

const densePaints = (element: Element, sources: SceneSources): Plates[] =>
  paintsShown(element, sources.styles)
    .map((paint) => plates(paint, sources))
    .filter((each) => isDense(each, sources));

/**
 * The elements of which the outlines have to be known: those whose inks must not meet and that may, and what lies over
 * such places. Most faces have none.
 */
function concerned(elements: readonly Element[], sources: SceneSources): Element[] {
  const all = elements.map((element) => ({ paints: densePaints(element, sources), reach: reachOf(element, sources) }));
  const found = new Set<number>();
  for (const [i, one] of all.entries())
    for (const [k, other] of all.entries()) {
      const place = k > i && intersection(one.reach, other.reach);
      if (!place || !one.paints.some((a) => other.paints.some((b) => !haveCommon(a, b)))) continue;
      for (const n of [i, k]) found.add(n);
      for (const [n, { reach }] of all.entries()) if (n > i && overlaps(reach, place)) found.add(n);
    }
  return elements.filter((_, n) => found.has(n));
}

/** The lighter of two areas spread over the other by a distance; nothing where something prints over the edge. */
function spreadOver(lighter: Numbered, darker: Numbered, by: number, all: readonly Numbered[]): PathsD {
  const place = intersection(outset(lighter.box, by), outset(darker.box, by));
  if (!place) return [];
  const from = seenWithin(lighter, outset(place, by), all);
  if (from.length === 0) return [];
  const spread = combinedRings('intersection', grown(from, by), seenWithin(darker, place, all));
  return all.reduce(
    (left, area) =>
      area.n > Math.max(lighter.n, darker.n) && area.lies === 'overprinting' && left.length > 0
        ? combinedRings('difference', left, area.rings())
        : left,
    spread,
  );
}

/** Where inks without a common plate meet on a face, with the lighter spread by a distance in points. */
export function meetingsOn({ elements }: Pick<Face, 'elements'>, by: number, sources: SceneSources): Meeting[] {
  const all = concerned(elements, sources)
    .flatMap((element) => laidAreas(element, sources))
    .map((area, n): Numbered => ({ ...area, n }));
  const inks = all.filter((area) => area.lies === 'over' && area.plates && isDense(area.plates, sources));
  return inks.flatMap((one, i) =>
    inks.slice(i + 1).flatMap((other): Meeting[] => {
      if (haveCommon(one.plates!, other.plates!)) return [];
      const isFirstLighter = densityOf(one, sources) < densityOf(other, sources);
      const [lighter, darker] = isFirstLighter ? [one, other] : [other, one];
      const rings = spreadOver(lighter, darker, by, all);
      const length = areaOfRings(rings) / by;
      if (length < INK_LIMITS.meeting.length) return [];
      const plates = { lighter: lighter.plates!, darker: darker.plates! };
      return [{ lighter: lighter.element, darker: darker.element, plates, length, rings }];
    }),
  );
}

/** The same of all sides of a piece, by as much as ink is usually spread. */
export const meetingsOf = (piece: Pick<Piece, 'faces'>, sources: SceneSources): Meeting[] =>
  printedFaces(piece, sources).flatMap((face) => meetingsOn(face, USUAL_SPREAD, sources));

/** The faces of a piece as they go to the plates: printed ones, with what the piece asks to be spread. */
export function platedFaces(piece: Pick<Piece, 'faces' | 'spread'>, sources: SceneSources): PlatedFace[] {
  const faces = printedFaces(piece, sources);
  const { spread } = piece;
  return spread === undefined ? faces : faces.map((face) => ({ ...face, spread: meetingsOn(face, spread, sources) }));
}
