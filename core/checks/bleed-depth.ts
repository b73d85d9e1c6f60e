import type { PathsD } from 'clipper2-ts';
import type { Box, Sides } from '../geometry/box';
import { areaOfRings, boxOfRings } from '../geometry/clipping';
import { missing, type Stretch } from '../geometry/stretches';
import { bareOf, type Cut, inkWithin } from './ink-shape';

/** How far art runs past each edge of the trim, all along the edge and not only at its furthest. Points. */

/** Just inside the trim, so that art which ends there counts as being at it. */
const INSIDE = 0.01;
/** A thin strip stands for a line: what of an edge is covered shows in its length. */
const STRIP = 0.02;
/** The line that art may end along at a slant of at most this tangent: steeper ones cross the edge, others run along it. */
const ALONG = 0.5;

type Side = keyof Sides;
/** A strip along an edge, `by` outside the trim, from one end of the trim to the other. */
function stripAt(side: Side, by: number, { width, height }: Cut): Box {
  switch (side) {
    case 'top':
      return { x: 0, y: -by, width, height: STRIP };
    case 'bottom':
      return { x: 0, y: height + by - STRIP, width, height: STRIP };
    case 'left':
      return { x: -by, y: 0, width: STRIP, height };
    case 'right':
      return { x: width + by - STRIP, y: 0, width: STRIP, height };
  }
}

/** The stretches of a strip that rings cover, in order. */
function stretchesAt(rings: PathsD, side: Side, by: number, cut: Cut): Stretch[] {
  const across = side === 'top' || side === 'bottom';
  return inkWithin(rings, [stripAt(side, by, cut)])
    .flatMap((ring): Stretch[] => {
      const along = ring.map(({ x, y }) => (across ? x : y));
      return along.length > 0 ? [[Math.min(...along), Math.max(...along)]] : [];
    })
    .sort(([a], [b]) => a - b);
}

/**
 * The longest part of some stretches of an edge so long that others leave out. Where a stretch ends before the edge does, what
 * it is of crosses the edge there: that it draws in further out is how it was drawn.
 */
function longestGap(want: readonly Stretch[], have: readonly Stretch[], length: number): number {
  const gaps = want.flatMap((each) => {
    const [from, to] = each;
    const isEnd = ([a, b]: Stretch): boolean =>
      (a <= from && from > 2 * INSIDE) || (b >= to && to < length - 2 * INSIDE);
    return missing([each], have).filter((gap) => !isEnd(gap));
  });
  return Math.max(0, ...gaps.map(([a, b]) => b - a));
}

/**
 * How far past an edge everything of an area that lies at it goes on; undefined where none of it does. An end that slants
 * across the edge is no lack: it may draw in by half as much again as it goes out.
 */
export function depthAt(rings: PathsD, side: Side, cut: Cut, most: number): number | undefined {
  const want = stretchesAt(rings, side, -INSIDE, cut);
  if (want.length === 0) return undefined;
  const length = side === 'top' || side === 'bottom' ? cut.width : cut.height;
  const lasts = (by: number): boolean =>
    longestGap(want, stretchesAt(rings, side, by, cut), length) <= by / ALONG + INSIDE;
  if (lasts(most)) return most;
  let [low, high] = [0, most];
  for (let i = 0; i < 12; i++) {
    const middle = (low + high) / 2;
    if (lasts(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** A part of the trim at a corner of it that nothing covers: which corner, and how far it reaches along both edges. */
export interface BareCorner {
  corner: string;
  box: Box;
}

const CORNERS = [
  ['top left', 0, 0],
  ['top right', 1, 0],
  ['bottom right', 1, 1],
  ['bottom left', 0, 1],
] as const;

/** What a trim has bare at its corners. Less than `least` square points is rounding. */
export function bareCorners(rings: PathsD, { width, height }: Cut, least = 0.5): BareCorner[] {
  const bare = bareOf({ x: 0, y: 0, width, height }, rings).filter((ring) => areaOfRings([ring]) > least);
  return CORNERS.flatMap(([corner, right, down]) => {
    const at = { x: right * width, y: down * height };
    const ring = bare.find((each) => each.some(({ x, y }) => Math.hypot(x - at.x, y - at.y) < INSIDE));
    const box = ring && boxOfRings([ring]);
    return box ? [{ corner, box }] : [];
  });
}
