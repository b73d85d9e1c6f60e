import type { Check, Finding } from '../check';
import { edgeArt, extending, SIDES } from '../edge-art';
import { found } from '../found';
import { listed } from '../listed';

/** Art that ends so near inside the cut that the guillotine decides whether paper shows beside it. */
export const sliverInside: Check = {
  id: 'sliver-inside',
  name: 'Art that ends just inside the trim',
  protects: 'A sliver of paper as wide as the guillotine drifts: it shows on some pieces and not on others.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['tolerance', 'bleed'],
  run: (context) => {
    const { piece, shop } = context;
    const bleed = shop.bleed[piece.kind];
    if (bleed === 0) return [];
    const reach = { x: shop.tolerance.x, y: shop.tolerance.y };
    return edgeArt(context).flatMap(({ element, inside }): Finding[] => {
      const sides = SIDES.filter((side) => {
        const near = side === 'left' || side === 'right' ? reach.x : reach.y;
        return inside[side] > shop.meetsTrim && inside[side] < near;
      });
      if (sides.length === 0) return [];
      const least = Math.min(...sides.map((side) => inside[side]));
      const most = Math.max(...sides.map((side) => inside[side]));
      const edge = { width: piece.width, height: piece.height, bleed, meets: most + 0.001 };
      return [
        found(sliverInside, element, context, {
          problem: `Ends just inside the trim at the ${listed(sides)}`,
          measured: { value: least, kind: 'length' },
          wanted: { value: Math.max(reach.x, reach.y), kind: 'length' },
          ...extending(element, edge),
        }),
      ];
    });
  },
};
