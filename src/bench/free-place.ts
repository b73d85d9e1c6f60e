import { inkBounds } from '../../core/devices/bounds';
import { type Box, contains, intersection, outset, overlaps, type Point } from '../../core/geometry/box';
import { freeRoom } from '../../core/geometry/free-room';
import { elementBox } from '../../core/scene/face';
import type { Bench } from './bench';

/** What covers this much of the safe zone is a ground: things are placed on it. */
const GROUND = 0.6;
/** Sizes that are tried from the widest down to the least. */
const SIZES = 6;

export type Size = Pick<Box, 'width' | 'height'>;

export const inMiddle = ({ piece }: Bench, { width, height }: Size): Point => ({
  x: (piece.width - width) / 2,
  y: (piece.height - height) / 2,
});

/** The safe zone of the side that is shown, and what the things on it lie in, grounds apart from the rest. */
export interface SideRoom {
  trim: Box;
  safe: Box;
  grounds: readonly Box[];
  taken: readonly Box[];
}

export function roomOn({ piece, face, shop, sources }: Bench): SideRoom {
  const trim = { x: 0, y: 0, width: piece.width, height: piece.height };
  const safe = outset(trim, -shop.safe[piece.kind]);
  const isGround = ({ width, height }: Box): boolean => width * height > GROUND * safe.width * safe.height;
  const boxes = face.elements
    .filter(({ hidden }) => !hidden)
    .map((element) => inkBounds(element, sources) ?? elementBox(element, sources));
  return { trim, safe, grounds: boxes.filter(isGround), taken: boxes.filter((box) => !isGround(box)) };
}

/** Whether a box lies within the safe zone, on nothing but grounds. */
export const isFree = ({ safe, taken }: SideRoom, box: Box): boolean =>
  contains(safe, box) && !taken.some((each) => overlaps(each, box));

/** Where a box of a size lies so, `clear` points from everything else; undefined where it nowhere does. */
export function freePlace({ safe, taken }: SideRoom, size: Size, clear: number): Point | undefined {
  const kept = taken.map((box) => outset(box, clear));
  return freeRoom(safe, kept, size);
}

/** The four sides of a box, as boxes without width or height. */
const sidesOf = ({ x, y, width, height }: Box): Box[] => [
  { x, y, width: 0, height },
  { x: x + width, y, width: 0, height },
  { x, y, width, height: 0 },
  { x, y: y + height, width, height: 0 },
];

/** Where a box of a size has `clear` points on one and the same ground around it, and away from the trim; or undefined. */
export function clearPlace({ trim, safe, grounds, taken }: SideRoom, size: Size, clear: number): Point | undefined {
  const within = intersection(safe, outset(trim, -clear));
  return (
    within && freePlace({ trim, safe: within, grounds, taken: [...taken, ...grounds.flatMap(sidesOf)] }, size, clear)
  );
}

/**
 * Where a logo lies free of everything else with its clear space, a share of its height, as wide as may be from the least on;
 * the middle where it nowhere does.
 */
export function placeForLogo(bench: Bench, logo: Size & { least: number; clear: number }): Box {
  const room = roomOn(bench);
  // As large as it was drawn, unless that takes more than a third of the side.
  const widest = Math.max(logo.least, Math.min(logo.width, bench.piece.width / 3));
  const sized = (width: number): Size => ({ width, height: (width * logo.height) / logo.width });
  const sizes = Array.from({ length: SIZES }, (_, i) => sized(widest + ((logo.least - widest) * i) / (SIZES - 1)));
  // Where its clear space is nowhere to be had, it is at least not laid over anything.
  const ways = [
    (size: Size) => clearPlace(room, size, logo.clear * size.height),
    (size: Size) => freePlace(room, size, 0),
  ];
  for (const way of ways)
    for (const size of sizes) {
      const at = way(size);
      if (at) return { ...at, ...size };
    }
  const size = sized(widest);
  return { ...inMiddle(bench, size), ...size };
}
