import { removeElement } from '../job/edits/elements';
import type { Element } from '../job/schema';
import { atElement } from './at-element';
import type { Check, CheckContext, Finding, Fix } from './check';

/** A finding of a check on one element; as grave as the check is, and counted as one where nothing else was measured. */
export const found = (
  check: Pick<Check, 'id' | 'severity'>,
  element: Element,
  context: Pick<CheckContext, 'face' | 'sources'>,
  rest: Pick<Finding, 'problem'> & Partial<Finding>,
): Finding => ({
  ...atElement(check.id, element, context),
  severity: check.severity,
  measured: { value: 1, kind: 'count' },
  wanted: { value: 0, kind: 'count' },
  ...rest,
});

/** The fix of what is better gone. */
export const takeAway = ({ id }: Element): Fix => ({ label: 'Delete it', apply: (job) => removeElement(job, id) });

/** The id that findings of a face as a whole carry instead of an element's. */
export const WHOLE_FACE = 'face';

/** A finding of a face as a whole. */
export const foundOnFace = (
  check: Pick<Check, 'id' | 'severity'>,
  { face, piece }: Pick<CheckContext, 'face' | 'piece'>,
  rest: Pick<Finding, 'problem'> & Partial<Finding>,
): Finding => ({
  check: check.id,
  severity: check.severity,
  face: face.id,
  element: WHOLE_FACE,
  of: face.id,
  place: { x: 0, y: 0, width: piece.width, height: piece.height },
  measured: { value: 1, kind: 'count' },
  wanted: { value: 0, kind: 'count' },
  ...rest,
});
