import { inkBounds } from '../../devices/bounds';
import { distancesTo } from '../../geometry/box';
import { moveElement } from '../../job/edits/elements';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { type Check, type Finding, trimOf } from '../check';
import { found } from '../found';

/** Something as wide as this share of the face lies in the middle of it. */
const WIDE = 0.7;

export const frameUneven: Check = {
  id: 'frame-uneven',
  name: 'Margins that are almost even',
  protects: 'An area a hair off the middle looks like a bad cut, though the cut was good.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { face, piece, sources } = context;
    return face.elements.flatMap((element): Finding[] => {
      const ink = element.kind === 'shape' && !element.turn ? inkBounds(element, sources) : undefined;
      if (!ink) return [];
      const { top, right, bottom, left } = distancesTo(ink, trimOf(piece));
      if (Math.min(top, right, bottom, left) <= 0) return [];
      if (ink.width < WIDE * piece.width || ink.height < WIDE * piece.height) return [];
      const off = { x: (right - left) / 2, y: (bottom - top) / 2 };
      const isOff = (by: number): boolean =>
        Math.abs(2 * by) > CHECK_LIMITS.uneven.least && Math.abs(2 * by) < CHECK_LIMITS.uneven.most;
      if (!isOff(off.x) && !isOff(off.y)) return [];
      const by = { x: isOff(off.x) ? off.x : 0, y: isOff(off.y) ? off.y : 0 };
      return [
        found(frameUneven, element, context, {
          problem: isOff(off.x)
            ? 'Its margins left and right differ by a hair'
            : 'Its top and bottom margins differ by a hair',
          measured: { value: Math.max(Math.abs(2 * by.x), Math.abs(2 * by.y)), kind: 'length' },
          wanted: { value: 0, kind: 'length' },
          fix: { label: 'Make the margins even', apply: (job) => moveElement(job, element.id, by) },
        }),
      ];
    });
  },
};
