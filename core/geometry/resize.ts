import type { Box, Point } from './box';

/** The corners and sides of a box that can be pulled, by compass. */
export const HANDLES = ['nw', 'n', 'ne', 'e', 'se', 's', 'sw', 'w'] as const;
export type Handle = (typeof HANDLES)[number];

/** Where a handle sits on its box, each way from 0 (left, top) to 1 (right, bottom). */
export const HANDLE_AT: Readonly<Record<Handle, Point>> = {
  nw: { x: 0, y: 0 },
  n: { x: 0.5, y: 0 },
  ne: { x: 1, y: 0 },
  e: { x: 1, y: 0.5 },
  se: { x: 1, y: 1 },
  s: { x: 0.5, y: 1 },
  sw: { x: 0, y: 1 },
  w: { x: 0, y: 0.5 },
};

export const isCorner = (handle: Handle): boolean => handle.length === 2;

/** A box is never pulled smaller than this, in points. */
const LEAST = 0.25;

/**
 * The box with one handle pulled by `by` points; the opposite side stays. With `keep`, a corner keeps the
 * proportions by following the pull along the longer way.
 */
export function resizeBox(box: Box, handle: Handle, by: Point, keep = false): Box {
  const at = HANDLE_AT[handle];
  const way = { x: Math.sign(at.x - 0.5), y: Math.sign(at.y - 0.5) };
  let width = Math.max(LEAST, box.width + way.x * by.x);
  let height = Math.max(LEAST, box.height + way.y * by.y);
  if (keep && isCorner(handle) && box.width > 0 && box.height > 0) {
    const across = width / box.width;
    const down = height / box.height;
    const scale = Math.abs(across - 1) > Math.abs(down - 1) ? across : down;
    width = box.width * scale;
    height = box.height * scale;
  }
  return {
    x: way.x < 0 ? box.x + box.width - width : box.x,
    y: way.y < 0 ? box.y + box.height - height : box.y,
    width,
    height,
  };
}
