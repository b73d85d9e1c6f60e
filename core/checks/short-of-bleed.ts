import { inkBounds } from '../devices/bounds';
import { distancesTo, overlaps, type Sides } from '../geometry/box';
import { isFramed } from '../job/edits/elements';
import type { Element } from '../job/schema';
import { canExtend, extendToBleed } from '../scene/extend';
import { type Check, type CheckContext, type Finding, HAIR, trimOf } from './check';

/** Art that runs to the edge; words and logos are kept inside instead, by their own check. */
const isEdgeArt = (element: Element): boolean => isFramed(element) && element.kind !== 'code' && !element.logo;

function look({ piece, face, shop, sources }: CheckContext): Finding[] {
  const trim = trimOf(piece);
  const bleed = shop.bleed[piece.kind];
  const edge = { width: piece.width, height: piece.height, bleed, meets: shop.meetsTrim };
  return face.elements.filter(isEdgeArt).flatMap((element): Finding[] => {
    const ink = inkBounds(element, sources);
    if (!ink || !overlaps(ink, trim)) return [];
    // How far the art runs past each side of the trim; negative where it stays inside.
    const inside = distancesTo(ink, trim);
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
        problem: `Stops short of the bleed at the ${sides.join(' and the ')}`,
        measured: { value: Math.max(0, least), kind: 'length' },
        wanted: { value: bleed, kind: 'length' },
        ...(canExtend(element)
          ? { fix: { label: 'Extend to bleed', apply: (job) => extendToBleed(job, element.id, edge) } }
          : {}),
      },
    ];
  });
}

export const shortOfBleed: Check = {
  id: 'short-of-bleed',
  name: 'Art short of the bleed',
  protects: 'The guillotine drifts a little; art that ends at the trim then shows a white sliver.',
  source: { kind: 'common practice' },
  run: look,
};
