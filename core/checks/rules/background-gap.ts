import { bottom, right } from '../../geometry/box';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { type Check, type CheckContext, type Finding, trimOf } from '../check';
import { type EdgeArt, edgeArt, extending, SIDES } from '../edge-art';
import { found } from '../found';
import { listed } from '../listed';

/** Whether other art covers the strip that a background leaves at a side. */
function isCovered(side: (typeof SIDES)[number], ground: EdgeArt, others: readonly EdgeArt[], context: CheckContext) {
  const { width, height } = trimOf(context.piece);
  const strip = {
    top: { x: 0, y: 0, width, height: ground.inside.top },
    bottom: { x: 0, y: height - ground.inside.bottom, width, height: ground.inside.bottom },
    left: { x: 0, y: 0, width: ground.inside.left, height },
    right: { x: width - ground.inside.right, y: 0, width: ground.inside.right, height },
  }[side];
  return others.some(
    ({ ink }) =>
      ink.x <= strip.x + 1 &&
      ink.y <= strip.y + 1 &&
      right(ink) >= right(strip) - 1 &&
      bottom(ink) >= bottom(strip) - 1,
  );
}

/** A background that runs past some edges of a face and stops short of another. */
export const backgroundGap: Check = {
  id: 'background-gap',
  name: 'A background that does not cover its side',
  protects: 'A strip of bare paper at one edge, where the background was meant to run off on all sides.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['bleed'],
  run: (context) => {
    const { piece, shop } = context;
    const bleed = shop.bleed[piece.kind];
    if (bleed === 0) return [];
    const all = edgeArt(context);
    return all.flatMap((art): Finding[] => {
      const { element, ink, inside } = art;
      if (ink.width * ink.height < CHECK_LIMITS.ground.covers * piece.width * piece.height) return [];
      const open = SIDES.filter((side) => {
        const whole = side === 'left' || side === 'right' ? piece.width : piece.height;
        const near = side === 'left' || side === 'right' ? shop.tolerance.x : shop.tolerance.y;
        return inside[side] >= near && inside[side] < CHECK_LIMITS.ground.design * whole;
      });
      const over = SIDES.filter((side) => inside[side] < 0);
      if (open.length === 0 || over.length + open.length < 4 || over.length < 2) return [];
      const others = all.filter((each) => each !== art);
      const gaps = open.filter((side) => !isCovered(side, art, others, context));
      if (gaps.length === 0) return [];
      const most = Math.max(...gaps.map((side) => inside[side]));
      const edge = { width: piece.width, height: piece.height, bleed, meets: most + 0.001 };
      return [
        found(backgroundGap, element, context, {
          problem: `Leaves bare paper at the ${listed(gaps)}`,
          measured: { value: most, kind: 'length' },
          wanted: { value: 0, kind: 'length' },
          ...extending(element, edge),
        }),
      ];
    });
  },
};
