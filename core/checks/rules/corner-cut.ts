import { inkBounds } from '../../devices/bounds';
import { bottom, right } from '../../geometry/box';
import { type Check, type Finding, laidOut } from '../check';
import { found } from '../found';

/** Whether a point lies in what a die of that radius cuts off a corner at (cx, cy), whose circle is at (mx, my). */
const isCut = (dx: number, dy: number, radius: number): boolean =>
  dx < radius && dy < radius && Math.hypot(radius - dx, radius - dy) > radius;

export const cornerCut: Check = {
  id: 'corner-cut',
  name: 'Text or logo in a rounded corner',
  protects: 'The die that rounds the corners takes a bite out of what lies in them.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: (context) => {
    const { face, sources } = context;
    const { width, height, corner } = laidOut(context);
    if (!corner) return [];
    return face.elements.flatMap((element): Finding[] => {
      const ink = element.kind === 'words' || element.logo ? inkBounds(element, sources) : undefined;
      if (!ink) return [];
      const [l, t, r, b] = [ink.x, ink.y, width - right(ink), height - bottom(ink)];
      if (
        ![
          [l, t],
          [r, t],
          [l, b],
          [r, b],
        ].some(([dx, dy]) => isCut(dx!, dy!, corner))
      )
        return [];
      return [
        found(cornerCut, element, context, {
          problem: 'A rounded corner cuts into it',
          measured: {
            value: Math.min(Math.hypot(l, t), Math.hypot(r, t), Math.hypot(l, b), Math.hypot(r, b)),
            kind: 'length',
          },
          wanted: { value: corner, kind: 'length' },
        }),
      ];
    });
  },
};
