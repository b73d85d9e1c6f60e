import { inkBounds } from '../../devices/bounds';
import { overlaps } from '../../geometry/box';
import { type Check, type Finding, trimOf } from '../check';
import { found, takeAway } from '../found';

export const offFace: Check = {
  id: 'off-face',
  name: 'Something wholly outside the trim',
  protects: 'What lies outside is cut away, and makes the shop ask whether it was meant to be there.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, piece, sources } = context;
    return face.elements.flatMap((element): Finding[] => {
      const ink = inkBounds(element, sources);
      if (!ink || overlaps(ink, trimOf(piece))) return [];
      return [
        found(offFace, element, context, {
          problem: 'Lies outside the trim: it will be on no piece',
          fix: takeAway(element),
        }),
      ];
    });
  },
};
