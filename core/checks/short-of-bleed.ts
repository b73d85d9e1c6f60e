import { inkBounds } from '../devices/bounds';
import { type Box, distancesTo, overlaps, type Sides } from '../geometry/box';
import { isFramed, setFrame } from '../job/edits/elements';
import type { Element } from '../job/schema';
import { elementFrame } from '../scene/face';
import { type Check, type CheckContext, type Finding, HAIR, trimOf } from './check';

/** The sides of a box pushed out to `target` where `which` says so. */
function pushOut(box: Box, target: Box, which: Record<keyof Sides, boolean>): Box {
  const x0 = which.left ? target.x : box.x;
  const y0 = which.top ? target.y : box.y;
  const x1 = which.right ? target.x + target.width : box.x + box.width;
  const y1 = which.bottom ? target.y + target.height : box.y + box.height;
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
}

/** Art that runs to the edge; words and logos are kept inside instead, by their own check. */
const isEdgeArt = (element: Element): boolean => isFramed(element) && element.kind !== 'code' && !element.logo;

/** Outlines cannot be pushed to an edge by stretching their frame without changing their shape. */
const canExtend = (element: Element): boolean =>
  !element.turn && (element.kind !== 'shape' || !(element.outline || element.form));

function look({ piece, face, shop, sources }: CheckContext): Finding[] {
  const trim = trimOf(piece);
  const bleed = shop.bleed[piece.kind];
  const bleedBox: Box = { x: -bleed, y: -bleed, width: trim.width + 2 * bleed, height: trim.height + 2 * bleed };
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
    const extended = pushOut(elementFrame(element, sources), bleedBox, short);
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
          ? { fix: { label: 'Extend to bleed', apply: (job) => setFrame(job, element.id, extended) } }
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
