import { boxPath, type Path, parsePath, roundedBoxPath, transformPath } from '../geometry/path';
import type { Framed } from '../job/schema';

/** The outline of an element with a frame of its own, in points on its face: what it fills, or for a picture its frame. */
export function outlineOf(element: Framed): Path {
  const { x, y, width, height } = element;
  const frame = { x, y, width, height };
  if (element.kind !== 'shape') return boxPath(frame);
  if (element.outline) return transformPath(parsePath(element.outline), [width, 0, 0, height, x, y]);
  return element.corner ? roundedBoxPath(frame, element.corner) : boxPath(frame);
}
