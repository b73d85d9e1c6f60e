import type { Element } from '../job/schema';
import { elementBox } from '../scene/face';
import type { CheckContext, Finding } from './check';

/** Where a finding is: on an element, at its whole box. */
export const atElement = (
  check: string,
  element: Element,
  { face, sources }: Pick<CheckContext, 'face' | 'sources'>,
): Pick<Finding, 'check' | 'face' | 'element' | 'place'> => ({
  check,
  face: face.id,
  element: element.id,
  place: elementBox(element, sources),
});
