import type { Sides } from '../../geometry/box';
import { type Check, type CheckContext, type Finding, HAIR } from '../check';
import { edgeArt, extending } from '../edge-art';
import { listed } from '../listed';

function look(context: CheckContext): Finding[] {
  const { piece, face, shop } = context;
  const bleed = shop.bleed[piece.kind];
  const edge = { width: piece.width, height: piece.height, bleed, meets: shop.meetsTrim };
  return edgeArt(context).flatMap(({ element, ink, inside }): Finding[] => {
    const isShort = (side: keyof Sides): boolean =>
      -inside[side] >= -shop.meetsTrim - HAIR && -inside[side] < bleed - HAIR;
    const short = { top: isShort('top'), right: isShort('right'), bottom: isShort('bottom'), left: isShort('left') };
    const sides = (Object.keys(short) as (keyof Sides)[]).filter((side) => short[side]);
    if (sides.length === 0) return [];
    const least = Math.min(...sides.map((side) => -inside[side]));
    return [
      {
        check: 'short-of-bleed',
        severity: 'stop',
        face: face.id,
        element: element.id,
        place: ink,
        problem: `Stops short of the bleed at the ${listed(sides)}`,
        measured: { value: Math.max(0, least), kind: 'length' },
        wanted: { value: bleed, kind: 'length' },
        ...extending(element, edge),
      },
    ];
  });
}

export const shortOfBleed: Check = {
  id: 'short-of-bleed',
  name: 'Art short of the bleed',
  protects: 'The guillotine drifts a little; art that ends at the trim then shows a white sliver.',
  source: { kind: 'common practice' },
  severity: 'stop',
  limits: ['bleed', 'meetsTrim'],
  run: look,
};
