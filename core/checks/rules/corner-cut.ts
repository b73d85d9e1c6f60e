import { inkBounds } from '../../devices/bounds';
import { type Box, overlaps } from '../../geometry/box';
import { type Check, type Finding, HAIR } from '../check';
import { found } from '../found';
import { leastInside } from '../ink-shape';

/** Whether a box reaches into the square at any corner. */
const reachesCorner = (ink: Box, { width, height }: Pick<Box, 'width' | 'height'>, side: number): boolean =>
  [0, width - side].some((x) => [0, height - side].some((y) => overlaps(ink, { x, y, width: side, height: side })));

export const cornerCut: Check = {
  id: 'corner-cut',
  name: 'Text, code or logo in a rounded corner',
  protects: 'The die that rounds the corners takes a bite out of what lies in them.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: (context) => {
    const { face, sources } = context;
    const { width, height, corner } = context.piece;
    if (!corner) return [];
    return face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words' && element.kind !== 'code' && !element.logo) return [];
      const ink = inkBounds(element, sources);
      if (!ink || !reachesCorner(ink, { width, height }, corner)) return [];
      const least = leastInside(element, { width, height, corner }, sources);
      // What the straight edges cut is told of by the safe zone's check.
      if (least >= -HAIR || leastInside(element, { width, height }, sources) < least + HAIR) return [];
      return [
        found(cornerCut, element, context, {
          problem: 'A rounded corner cuts into it',
          measured: { value: least, kind: 'length' },
          wanted: { value: 0, kind: 'length' },
        }),
      ];
    });
  },
};
