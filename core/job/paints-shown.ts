import { isFlat } from '../colour/fill';
import { letteringsOf, lookOf } from './look';
import { type Element, type Job, type Paint, paintsOf } from './schema';

/** The paints an element shows; words by what is typed in them, in the paint of their style where they have no other. */
export function paintsShown(element: Element, styles: Job['styles']): Paint[] {
  if (element.kind !== 'words' || element.fill) return paintsOf(element);
  return [
    ...letteringsOf(element, styles).map((l) => l.paint),
    ...paintsOf({ ...element, paragraphs: [], lettering: {} }),
  ];
}

/** Whether an element's ink is used by it, its style included. */
export const usesInk = (element: Element, ink: string, styles: Job['styles']): boolean =>
  paintsOf(element).some((paint) => paint.ink === ink) ||
  (element.kind === 'words' && lookOf(element, styles).lettering.paint.ink === ink);

/** Whether an element leaves paper bare where it lies: flat paper, or nothing of an ink, without a line round it. */
export const isPaper = (element: Element): boolean =>
  (element.kind === 'shape' || element.kind === 'rule') &&
  isFlat(element.paint) &&
  (element.paint.ink === 'paper' || element.paint.tint === 0) &&
  !(element.kind === 'shape' && element.stroke && element.stroke.paint.ink !== 'paper');
