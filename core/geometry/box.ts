/** An upright rectangle in points, y down. Width and height are never negative. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}
export interface Point {
  x: number;
  y: number;
}
/** One number for each side of a box. */
export interface Sides {
  top: number;
  right: number;
  bottom: number;
  left: number;
}

export const right = (box: Box): number => box.x + box.width;
export const bottom = (box: Box): number => box.y + box.height;

/** The box between two opposite corners, in either order. */
export const boxBetween = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  height: Math.abs(a.y - b.y),
});

/** The box grown by `by` points on every side; negative shrinks, to nothing at the least. */
export const outset = (box: Box, by: number): Box => ({
  x: box.x - by,
  y: box.y - by,
  width: Math.max(0, box.width + 2 * by),
  height: Math.max(0, box.height + 2 * by),
});

/** The smallest box around all of them; undefined for none. */
export function unionOf(boxes: readonly Box[]): Box | undefined {
  if (boxes.length === 0) return undefined;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return { x, y, width: Math.max(...boxes.map(right)) - x, height: Math.max(...boxes.map(bottom)) - y };
}

/** Whether the two share some area. */
export const overlaps = (a: Box, b: Box): boolean =>
  a.x < right(b) && b.x < right(a) && a.y < bottom(b) && b.y < bottom(a);

/** Whether all of `inner` lies in `outer`, or sticks out by no more than `by` points. */
export const contains = (outer: Box, inner: Box, by = 0): boolean =>
  outer.x <= inner.x + by &&
  outer.y <= inner.y + by &&
  right(outer) >= right(inner) - by &&
  bottom(outer) >= bottom(inner) - by;

/** What two boxes share, a line or a point at the least; undefined where they are apart. */
export function intersection(a: Box, b: Box): Box | undefined {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  const box = { x, y, width: Math.min(right(a), right(b)) - x, height: Math.min(bottom(a), bottom(b)) - y };
  return box.width >= 0 && box.height >= 0 ? box : undefined;
}

/** Distances from the sides of `inner` to the sides of `outer`; negative where `inner` sticks out. */
export const distancesTo = (inner: Box, outer: Box): Sides => ({
  top: inner.y - outer.y,
  right: right(outer) - right(inner),
  bottom: bottom(outer) - bottom(inner),
  left: inner.x - outer.x,
});

export const middleOf = ({ x, y, width, height }: Box): Point => ({ x: x + width / 2, y: y + height / 2 });

/** How far a box has to move to lie inside another; one that is wider or higher than it lies past it alike. */
export const moveInto = (zone: Box, box: Box): Point => ({
  x: Math.max(0, zone.x - box.x) + Math.min(0, right(zone) - right(box)),
  y: Math.max(0, zone.y - box.y) + Math.min(0, bottom(zone) - bottom(box)),
});

/** Where a box lies once what it lies on is turned upside down. */
export const upsideDown = ({ x, y, width, height }: Box, on: Pick<Box, 'width' | 'height'>): Box => ({
  x: on.width - x - width,
  y: on.height - y - height,
  width,
  height,
});
