import type { Element } from '@xmldom/xmldom';
import type { Point } from '../../geometry/box';
import { type Matrix, multiply } from '../../geometry/matrix';
import { boxPath, type Path, transformPath } from '../../geometry/path';
import { type ArtItem, cutTo } from '../art-in/art';
import { type Around, inherit, type Reading, type Style, urlId } from './reading';
import { lengthOf, numbersOf } from './values';
import { viewBoxOf, viewMatrix } from './viewbox';

/** Marks on lines: at their corners and ends, turned as the line runs there (SVG 2, 13.7). */

/** A corner of a line, with the directions in which the line comes to it and leaves it; radians, where it has them. */
interface Corner {
  at: Point;
  into: number | undefined;
  out: number | undefined;
}

const direction = (from: Point, to: Point): number | undefined =>
  Math.hypot(to.x - from.x, to.y - from.y) < 1e-9 ? undefined : Math.atan2(to.y - from.y, to.x - from.x);

/** The first of some places that is not where the line is: handles may lie on their points. */
const firstAway = (from: Point, places: readonly Point[]): number | undefined =>
  places.map((to) => direction(from, to)).find((angle) => angle !== undefined);
const lastAway = (to: Point, places: readonly Point[]): number | undefined =>
  places
    .toReversed()
    .map((from) => direction(from, to))
    .find((angle) => angle !== undefined);

/** The corners of an outline in their order. */
export function cornersOf(path: Path): Corner[] {
  const corners: Corner[] = [];
  let start: Corner | undefined;
  for (const [op, ...numbers] of path) {
    const before = corners.at(-1);
    if (op === 'M') {
      start = { at: { x: numbers[0]!, y: numbers[1]! }, into: undefined, out: undefined };
      corners.push(start);
      continue;
    }
    if (!before || !start) continue;
    const points = Array.from({ length: numbers.length / 2 }, (_, i) => ({
      x: numbers[2 * i]!,
      y: numbers[2 * i + 1]!,
    }));
    const at = op === 'Z' ? start.at : points.at(-1)!;
    const handles = op === 'Z' ? [] : points.slice(0, -1);
    before.out = firstAway(before.at, [...handles, at]);
    const corner: Corner = { at, into: lastAway(at, [before.at, ...handles]), out: undefined };
    if (op === 'Z') {
      // A closed line leaves its last corner as it leaves its first.
      corner.out = start.out;
      start.into = corner.into;
    }
    corners.push(corner);
  }
  return corners;
}

/** Half way between the directions at a corner. */
function bisector({ into, out }: Corner): number {
  if (into === undefined || out === undefined) return into ?? out ?? 0;
  const [x, y] = [Math.cos(into) + Math.cos(out), Math.sin(into) + Math.sin(out)];
  return Math.hypot(x, y) < 1e-9 ? into : Math.atan2(y, x);
}

type Place = 'start' | 'mid' | 'end';

function angleAt(marker: Element, corner: Corner, place: Place): number {
  const orient = marker.getAttribute('orient') ?? '0';
  if (!orient.startsWith('auto')) return ((Number.parseFloat(orient) || 0) * Math.PI) / 180;
  return bisector(corner) + (orient === 'auto-start-reverse' && place === 'start' ? Math.PI : 0);
}

/** Draws what lies in a marker where it lies. */
export type DrawInside = (marker: Element, within: Around) => ArtItem[];

function markAt(
  marker: Element,
  corner: Corner,
  place: Place,
  weight: number,
  style: Style,
  around: Around,
  draw: DrawInside,
): ArtItem[] {
  const byLine = marker.getAttribute('markerUnits') !== 'userSpaceOnUse';
  const { width: w, height: h } = around.viewport;
  const side = (name: string, whole: number): number => lengthOf(marker.getAttribute(name) ?? '3', whole) ?? 3;
  const size = { width: side('markerWidth', w), height: side('markerHeight', h) };
  if (!(size.width > 0 && size.height > 0)) return [];
  const box = viewBoxOf(marker.getAttribute('viewBox'));
  const view = viewMatrix(box, size, marker.getAttribute('preserveAspectRatio'));
  const [refX = 0, refY = 0] = [marker.getAttribute('refX'), marker.getAttribute('refY')].map(
    (text) => numbersOf(text ?? '0')[0],
  );
  const angle = angleAt(marker, corner, place);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const scale = byLine ? weight : 1;
  const turned: Matrix = [cos * scale, sin * scale, -sin * scale, cos * scale, corner.at.x, corner.at.y];
  // The reference point lies on the corner.
  const [a, b, c, d, e, f] = view;
  const reference = { x: a * refX + c * refY + e, y: b * refX + d * refY + f };
  const placed = multiply(around.matrix, multiply(turned, [1, 0, 0, 1, -reference.x, -reference.y]));
  const inside: Around = {
    ...around,
    style,
    matrix: multiply(placed, view),
    viewport: box ? { width: box.width, height: box.height } : size,
    depth: around.depth + 1,
    using: [...around.using, marker],
  };
  const items = draw(marker, inside);
  if ((style.get('overflow') ?? 'hidden') === 'visible') return items;
  const frame = transformPath(boxPath({ x: 0, y: 0, ...size }), placed);
  return items.flatMap((item) => cutTo(item, frame));
}

/** The marks that an outline asks for, in the order they are drawn. */
export function marksOn(reading: Reading, path: Path, style: Style, around: Around, draw: DrawInside): ArtItem[] {
  const marker = (place: Place): Element | undefined => {
    const id = urlId(style.get(`marker-${place}`) ?? style.get('marker'));
    const found = id ? reading.byId(id) : undefined;
    return found?.localName === 'marker' && !around.using.includes(found) ? found : undefined;
  };
  const by = { start: marker('start'), mid: marker('mid'), end: marker('end') };
  if (!by.start && !by.mid && !by.end) return [];
  const corners = cornersOf(path);
  const weight =
    lengthOf(style.get('stroke-width') ?? '1', Math.hypot(around.viewport.width, around.viewport.height)) ?? 1;
  return corners.flatMap((corner, i) => {
    // A line of one corner begins and ends there.
    const places: Place[] = [
      ...(i === 0 ? ['start' as const] : []),
      ...(i > 0 && i < corners.length - 1 ? ['mid' as const] : []),
      ...(i === corners.length - 1 ? ['end' as const] : []),
    ];
    return places.flatMap((place) => {
      const found = by[place];
      if (!found) return [];
      reading.count(1);
      return markAt(found, corner, place, weight, inherit(reading, found, new Map()), around, draw);
    });
  });
}
