import { inkBounds } from '../../devices/bounds';
import { overlaps } from '../../geometry/box';
import { markElements } from '../../job/edits/elements';
import { type Check, type Finding, workedOn } from '../check';
import { found } from '../found';

/** A ground at the very back is locked for good reason; what lies over unlocked work was locked for a while and forgotten. */
export const lockedLeft: Check = {
  id: 'locked-left',
  name: 'Something locked over what is not',
  protects: 'What stays locked stays behind when the rest is moved, and lies wrong from then on.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { elements } = workedOn(context);
    const inks = elements.map((element) => inkBounds(element, context.sources));
    return elements.flatMap((element, i): Finding[] => {
      const ink = element.locked && !element.hidden ? inks[i] : undefined;
      const below =
        ink && elements.some(({ locked }, k) => k < i && !locked && inks[k] !== undefined && overlaps(inks[k], ink));
      return below
        ? [
            found(lockedLeft, element, context, {
              problem: 'Is locked, and lies over what can be moved',
              fix: { label: 'Unlock it', apply: (job) => markElements(job, [element.id], 'locked', false) },
            }),
          ]
        : [];
    });
  },
};
