import { inkBounds } from '../../core/devices/bounds';
import { type Box, contains, outset, overlaps, type Point } from '../../core/geometry/box';
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

const safeOn = ({ piece, shop }: Bench): Box =>
  outset({ x: 0, y: 0, width: piece.width, height: piece.height }, -shop.safe[piece.kind]);

/** What the things on the side that is shown lie in, but for grounds, and `clear` points around them. */
function takenOn(bench: Bench, clear: number): Box[] {
  const safe = safeOn(bench);
  const isGround = ({ width, height }: Box): boolean => width * height > GROUND * safe.width * safe.height;
  return bench.face.elements.flatMap((element) => {
    if (element.hidden) return [];
    const box = inkBounds(element, bench.sources) ?? elementBox(element, bench.sources);
    return isGround(box) ? [] : [outset(box, clear)];
  });
}

/** Whether a box lies within the safe zone, on nothing but grounds. */
export const isFree = (bench: Bench, box: Box): boolean =>
  contains(safeOn(bench), box) && !takenOn(bench, 0).some((each) => overlaps(each, box));

/** Where a box of a size lies so, `clear` points from everything else; undefined where it nowhere does. */
export const freePlace = (bench: Bench, size: Size, clear: number): Point | undefined =>
  freeRoom(safeOn(bench), takenOn(bench, clear), size);

/**
 * Where a logo lies free of everything else with its clear space, a share of its height, as wide as may be from the least on;
 * the middle where it nowhere does.
 */
export function placeForLogo(bench: Bench, logo: Size & { least: number; clear: number }): Box {
  // As large as it was drawn, unless that takes more than a third of the side.
  const widest = Math.max(logo.least, Math.min(logo.width, bench.piece.width / 3));
  const sized = (width: number): Size => ({ width, height: (width * logo.height) / logo.width });
  // Where its clear space is nowhere to be had, it is at least not laid over anything.
  for (const clear of [logo.clear, 0])
    for (let i = 0; i < SIZES; i++) {
      const size = sized(widest + ((logo.least - widest) * i) / (SIZES - 1));
      const at = freePlace(bench, size, clear * size.height);
      if (at) return { ...at, ...size };
    }
  const size = sized(widest);
  return { ...inMiddle(bench, size), ...size };
}
