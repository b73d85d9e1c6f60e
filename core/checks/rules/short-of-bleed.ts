import { overlaps, type Sides } from '../../geometry/box';
import { isPaper } from '../../job/paints-shown';
import type { Element } from '../../job/schema';
import { inkRings } from '../../scene/ink-rings';
import { depthAt } from '../bleed-depth';
import { type Check, type CheckContext, type Finding, HAIR } from '../check';
import { dieHere } from '../die-here';
import { edgeArt, extending } from '../edge-art';
import { listed } from '../listed';

/** Whether all edges of an element run along the trim's, so that the box around it tells all. */
function isStraight(element: Element): boolean {
  const isRight = ((element.turn ?? 0) % 90) + 0 === 0;
  const isBox = !('form' in element && element.form) && !('outline' in element && element.outline);
  return isRight && isBox && element.kind !== 'words' && element.repeat === undefined;
}

function look(context: CheckContext): Finding[] {
  if (dieHere(context)) return [];
  const { piece, face, shop } = context;
  const bleed = shop.bleed[piece.kind];
  const edge = { width: piece.width, height: piece.height, bleed, meets: shop.meetsTrim };
  const art = edgeArt(context);
  return art.flatMap(({ element, ink, inside }, i): Finding[] => {
    // White on bare paper may end where it likes.
    if (isPaper(element) && !art.slice(0, i).some((below) => !isPaper(below.element) && overlaps(below.ink, ink)))
      return [];
    const slants = !isStraight(element) && bleed > 0;
    const past = (side: keyof Sides): number =>
      slants && -inside[side] >= bleed - HAIR
        ? (depthAt(inkRings(element, context.sources), side, piece, bleed) ?? bleed)
        : -inside[side];
    const beyond = { top: past('top'), right: past('right'), bottom: past('bottom'), left: past('left') };
    const isShort = (side: keyof Sides): boolean =>
      beyond[side] >= -shop.meetsTrim - HAIR && beyond[side] < bleed - 20 * HAIR;
    const short = { top: isShort('top'), right: isShort('right'), bottom: isShort('bottom'), left: isShort('left') };
    const sides = (Object.keys(short) as (keyof Sides)[]).filter((side) => short[side]);
    if (sides.length === 0) return [];
    const least = Math.min(...sides.map((side) => beyond[side]));
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
