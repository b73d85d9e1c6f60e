import { type Fill, isFlat, isGradient } from '../colour/fill';
import { placeKept } from '../colour/gradient-ends';
import { type Box, bottom, right } from '../geometry/box';
import { transformPath } from '../geometry/path';
import { setFill, setFrame } from '../job/edits/elements';
import { outlineToBleed, setOutline } from '../job/edits/outlines';
import { setFade } from '../job/edits/pictures';
import { findElement } from '../job/find';
import type { Element, Framed, Job } from '../job/schema';
import { outlineOf } from './outline';
import { isTurned, turnOf } from './turn';

/** What art is brought to: the piece's size, the bleed, and how near to the trim counts as at it. Points. */
export interface Edge {
  width: number;
  height: number;
  bleed: number;
  meets: number;
}

/** A frame with each side that is at the trim, or past it but short of the bleed, brought to the bleed. */
export function frameToBleed(frame: Box, { width, height, bleed, meets }: Edge): Box {
  const near = (value: number, trim: number, out: number): number => {
    const past = (trim - value) * Math.sign(trim - out);
    return past >= -meets && past < bleed ? out : value;
  };
  const x0 = near(frame.x, 0, -bleed);
  const y0 = near(frame.y, 0, -bleed);
  const x1 = near(right(frame), width, width + bleed);
  const y1 = near(bottom(frame), height, height + bleed);
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
}

/** Whether the sides of a frame are the edges of the art itself. */
const isBoxArt = (element: Framed): boolean =>
  element.kind !== 'code' &&
  !isTurned(element) &&
  !('outline' in element && element.outline) &&
  !('form' in element && element.form);

/** Whether an outline has edges of its own that can be pushed out: forms are round or pointed. */
const isOutlineArt = (element: Framed): boolean => element.kind === 'shape' && !element.form;

export const canExtend = (element: Element): boolean =>
  element.kind !== 'words' && (isBoxArt(element) || isOutlineArt(element));

/** The fill as it lies on the face, measured by another frame. */
function keptFill(fill: Fill, from: Box, to: Box): Fill {
  if (isFlat(fill)) return fill;
  if (isGradient(fill)) return { ...fill, place: placeKept(fill.place, from, to) };
  if (fill.kind !== 'split') return fill;
  const at = (share: number, start: number, length: number, newStart: number, newLength: number): number =>
    (start + share * length - newStart) / newLength;
  return {
    ...fill,
    through: {
      x: at(fill.through.x, from.x, from.width, to.x, to.width),
      y: at(fill.through.y, from.y, from.height, to.y, to.height),
    },
  };
}

/**
 * Brings the edges of some art that end at the trim, or beyond it, out to the bleed: the sides of a frame, or the
 * points of a drawn outline. Gradients stay where they are on the face, so that only more of them is seen.
 */
export function extendToBleed(job: Job, id: string, edge: Edge): Job {
  const element = findElement(job, id)?.element;
  if (!element || element.kind === 'words' || !canExtend(element)) return job;
  const from = { x: element.x, y: element.y, width: element.width, height: element.height };
  const extended = isBoxArt(element)
    ? setFrame(job, id, frameToBleed(from, edge))
    : setOutline(
        job,
        id,
        outlineToBleed(transformPath(outlineOf(element), turnOf(element, from)), edge, edge.bleed, edge.meets),
      );
  const after = findElement(extended, id)?.element;
  if (!after || after.kind === 'words') return extended;
  const to = { x: after.x, y: after.y, width: after.width, height: after.height };
  if (JSON.stringify(from) === JSON.stringify(to)) return job;
  if (after.kind === 'picture')
    return after.fade
      ? setFade(extended, id, { ...after.fade, place: placeKept(after.fade.place, from, to) })
      : extended;
  if (after.kind === 'code') return extended;
  return setFill(extended, id, keptFill(after.paint, from, to));
}
