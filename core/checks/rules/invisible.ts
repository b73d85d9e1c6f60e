import { isFlat } from '../../colour/fill';
import type { Element } from '../../job/schema';
import type { Check, Finding } from '../check';
import { found, takeAway } from '../found';

/** Why nothing of an element can be seen; undefined where something can. */
function whyUnseen(element: Element): string | undefined {
  if (element.opacity === 0) return 'It is wholly see-through';
  if (element.kind === 'picture' || element.kind === 'code') return undefined;
  if (element.kind !== 'words' && (element.width === 0 || element.height === 0)) return 'It has no size';
  if (element.kind === 'shape' && isFlat(element.paint) && element.paint.tint === 0 && !element.stroke)
    return 'Its tint is 0 %';
  return undefined;
}

export const invisible: Check = {
  id: 'invisible',
  name: 'Something that cannot be seen',
  protects: 'What prints nothing still knocks holes, adds plates, or hides a slip.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      const problem = element.hidden || element.sample ? undefined : whyUnseen(element);
      return problem
        ? [
            found(invisible, element, context, {
              problem,
              fix: takeAway(element),
            }),
          ]
        : [];
    }),
};
