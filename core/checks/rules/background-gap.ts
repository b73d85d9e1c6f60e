import { bottom, right } from '../../geometry/box';
import { areaOfRings } from '../../geometry/clipping';
import { isPaper } from '../../job/paints-shown';
import { inkRings } from '../../scene/ink-rings';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { type BareCorner, bareCorners } from '../bleed-depth';
import { type Check, type CheckContext, type Finding, trimOf } from '../check';
import { type EdgeArt, edgeArt, extending, SIDES } from '../edge-art';
import { found } from '../found';
import { inkWithin } from '../ink-shape';
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

/**
 * The corners that a background leaves bare though it reaches past both edges there: it is turned, or its own corners are
 * rounded. Where it leaves more than a strip, that is how it was drawn.
 */
function cornersOf(
  { element, inside }: EdgeArt,
  all: readonly EdgeArt[],
  { piece, sources }: CheckContext,
): BareCorner[] {
  if (!SIDES.every((side) => inside[side] < 0)) return [];
  const rings = all.flatMap((each) => (isPaper(each.element) ? [] : inkRings(each.element, sources)));
  const { covers, design } = CHECK_LIMITS.ground;
  const own = inkWithin(inkRings(element, sources), [trimOf(piece)]);
  if (areaOfRings(own) < covers * piece.width * piece.height) return [];
  const most = design * Math.max(piece.width, piece.height);
  return bareCorners(rings, piece).filter(({ box }) => Math.min(box.width, box.height) < most);
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
      if (ink.width * ink.height < CHECK_LIMITS.ground.covers * piece.width * piece.height || isPaper(element))
        return [];
      const bareAt = cornersOf(art, all, context);
      if (bareAt.length > 0) {
        const deepest = Math.max(...bareAt.map(({ box }) => Math.min(box.width, box.height)));
        return [
          found(backgroundGap, element, context, {
            problem: `Leaves bare paper at the ${listed(bareAt.map(({ corner }) => corner))} corner${bareAt.length > 1 ? 's' : ''}`,
            place: bareAt[0]!.box,
            measured: { value: deepest, kind: 'length' },
            wanted: { value: 0, kind: 'length' },
          }),
        ];
      }
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
