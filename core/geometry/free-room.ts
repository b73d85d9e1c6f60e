import { type Box, bottom, contains, overlaps, type Point, right } from './box';

/** A hair, in points: what only touches takes nothing away. */
const HAIR = 0.01;

/**
 * Where a box of a size lies free of all that is taken, its top left corner; undefined where there is no such place.
 * Corners of the area first, then its sides, the upper before the lower and the left before the right.
 */
export function freeRoom(
  area: Box,
  taken: readonly Box[],
  { width, height }: Pick<Box, 'width' | 'height'>,
): Point | undefined {
  // Whatever lies free can be pushed against the area or something that is taken: no other places need be tried.
  const xs = [area.x, right(area) - width, ...taken.flatMap((box) => [right(box), box.x - width])];
  const ys = [area.y, bottom(area) - height, ...taken.flatMap((box) => [bottom(box), box.y - height])];
  const isAtSide = (x: number): boolean => x === xs[0] || x === xs[1];
  const isAtEnd = (y: number): boolean => y === ys[0] || y === ys[1];
  const touches = ({ x, y }: Point): number => Number(isAtSide(x)) + Number(isAtEnd(y));
  return xs
    .flatMap((x) => ys.map((y) => ({ x, y })))
    .sort((a, b) => touches(b) - touches(a) || a.y - b.y || a.x - b.x)
    .find((at) => {
      const box = { ...at, width, height };
      const inner = { x: at.x + HAIR, y: at.y + HAIR, width: width - 2 * HAIR, height: height - 2 * HAIR };
      return contains(area, box, HAIR) && taken.every((each) => !overlaps(each, inner));
    });
}
