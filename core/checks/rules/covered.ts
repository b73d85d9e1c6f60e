import { isFlat } from '../../colour/fill';
import { inkBounds } from '../../devices/bounds';
import { contains } from '../../geometry/box';
import { titleOf } from '../../job/find';
import type { Element } from '../../job/schema';
import type { Check, Finding } from '../check';
import { found } from '../found';
import { drawing } from './doubled';

/** Whether an element covers all of its frame: a plain rectangle of solid ink or paper. */
const covers = (element: Element): boolean =>
  element.kind === 'shape' &&
  !element.outline &&
  !element.form &&
  !element.corners &&
  !element.turn &&
  !element.hidden &&
  !element.sample &&
  !element.repeat &&
  element.overprint !== 'overprints' &&
  (element.opacity ?? 1) === 1 &&
  isFlat(element.paint);

export const covered: Check = {
  id: 'covered',
  name: 'Something wholly covered by another',
  protects: 'What lies below something solid is not seen: text may have slipped behind a panel.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, sources } = context;
    const lids = face.elements.flatMap((element, i) => {
      const box = covers(element) ? inkBounds(element, sources) : undefined;
      return box ? [{ element, box, i }] : [];
    });
    if (lids.length === 0) return [];
    return face.elements.flatMap((element, i): Finding[] => {
      const ink = inkBounds(element, sources);
      const lid =
        ink &&
        lids.find((each) => each.i > i && contains(each.box, ink, 0.01) && drawing(each.element) !== drawing(element));
      return lid
        ? [
            found(covered, element, context, {
              of: lid.element.id,
              problem: `${titleOf(lid.element, sources.assets)} covers all of it`,
            }),
          ]
        : [];
    });
  },
};
