import { isFlat } from '../../colour/fill';
import { type Box, distancesTo } from '../../geometry/box';
import type { Element, Shape } from '../../job/schema';
import { inkRings } from '../../scene/ink-rings';
import type { SceneSources } from '../../scene/sources';
import { type Check, type Finding, trimOf } from '../check';
import { SIDES } from '../edge-art';
import { found } from '../found';
import { exactBounds, thicknessOf } from '../ink-shape';
import { listed } from '../listed';

/** A line as long as this share of an edge runs along it. */
const ALONG = 0.5;

/** Whether nothing fills an area but paper. */
const isOpen = ({ paint }: Shape): boolean =>
  isFlat(paint) ? paint.ink === 'paper' || paint.tint === 0 : paint.kind === 'none';

/** Whether an element is a line: a rule, an area with a line and nothing in it, or an area that is as thin as one. */
const isLine = (element: Element, thin: number, sources: SceneSources): boolean => {
  if (element.kind === 'rule') return true;
  if (element.kind !== 'shape') return false;
  if (isOpen(element)) return element.stroke !== undefined && element.stroke.paint.ink !== 'paper';
  return thicknessOf(inkRings(element, sources)) < thin;
};

/** Whether a line goes round: one that is as wide as it is thick runs along one edge only. */
const isFrame = ({ width, height }: Box, thin: number): boolean => width > 2 * thin && height > 2 * thin;

export const frameNearTrim: Check = {
  id: 'frame-near-trim',
  name: 'A line along the trim, and near it',
  protects: 'A frame near the edge shows every hair that the guillotine drifts: one margin comes out wider.',
  source: { kind: 'common practice' },
  severity: 'advise',
  limits: ['limits'],
  run: (context) => {
    const { face, piece, shop, sources } = context;
    const trim = trimOf(piece);
    const { frame } = shop.limits;
    return face.elements.flatMap((element): Finding[] => {
      const ink = element.kind === 'rule' || element.kind === 'shape' ? exactBounds(element, sources) : undefined;
      if (!ink || !isLine(element, frame, sources)) return [];
      const inside = distancesTo(ink, trim);
      const near = SIDES.filter((side) => {
        const along = side === 'left' || side === 'right' ? ink.height / piece.height : ink.width / piece.width;
        const thin = isFrame(ink, frame) || (side === 'left' || side === 'right' ? ink.width : ink.height) < frame;
        return along > ALONG && thin && inside[side] >= 0 && inside[side] < frame - 0.001;
      });
      if (near.length === 0) return [];
      return [
        found(frameNearTrim, element, context, {
          problem: `Runs along the trim at the ${listed(near)}`,
          measured: { value: Math.min(...near.map((side) => inside[side])), kind: 'length' },
          wanted: { value: frame, kind: 'length' },
        }),
      ];
    });
  },
};
