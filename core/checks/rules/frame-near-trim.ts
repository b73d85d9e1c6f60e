import { inkBounds } from '../../devices/bounds';
import { distancesTo } from '../../geometry/box';
import type { Element } from '../../job/schema';
import { type Check, type Finding, trimOf } from '../check';
import { SIDES } from '../edge-art';
import { found } from '../found';
import { listed } from '../listed';

/** A line as long as this share of an edge runs along it. */
const ALONG = 0.5;

/** Whether an element is a line: a rule, or an area with a line and nothing in it but paper. */
const isLine = (element: Element): boolean =>
  element.kind === 'rule' ||
  (element.kind === 'shape' && element.stroke !== undefined && 'ink' in element.paint && element.paint.ink === 'paper');

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
      const ink = isLine(element) && !element.turn ? inkBounds(element, sources) : undefined;
      if (!ink) return [];
      const inside = distancesTo(ink, trim);
      const near = SIDES.filter((side) => {
        const along = side === 'left' || side === 'right' ? ink.height / piece.height : ink.width / piece.width;
        const thin = element.kind === 'shape' || (side === 'left' || side === 'right' ? ink.width : ink.height) < frame;
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
